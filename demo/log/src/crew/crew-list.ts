import { Component, input, signal } from '@angular/core';
import { CrewRow } from './crew-row';

@Component({
  selector: 'qr-crew-list',
  imports: [CrewRow],
  template: `
    <h2>Crew, {{ shift() }}</h2>
    <button type="button" (click)="next()">Next</button>
    @for (name of names(); track name) {
      <qr-crew-row [name]="name" [open]="name === chosen()" (called)="call($event)" />
    }
    <qr-crew-row (called)="call($event)" />
  `,
})
export class CrewList {
  readonly shift = input('early');

  protected readonly names = signal(['Grip hand', 'Splicer']);
  protected readonly chosen = signal('');
  protected readonly page = signal(0);
  protected readonly first = this.shift();

  protected call(name: number): void {
    this.chosen.set(this.names()[name] ?? this.first);
  }

  protected next(): void {
    this.page.update((page) => page + 1);
  }
}
