import { Component, input, output, signal } from '@angular/core';

@Component({
  selector: 'qr-crew-row',
  template: `
    <button type="button" (click)="called.emit(name())">{{ name() }}, page {{ page() }}</button>
    @if (open()) {
      <button type="button" (click)="turn()">More</button>
    }
  `,
})
export class CrewRow {
  readonly name = input.required<string>();
  readonly open = input(false);

  readonly called = output<string>();

  protected readonly page = signal(0);

  protected turn(): void {
    this.page.update((page) => page + 1);
  }
}
