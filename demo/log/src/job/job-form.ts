import { Component, type ElementRef, inject, output, signal, viewChild } from '@angular/core';
import { JobSheet } from './job-sheet';
import { Jobs } from './jobs';

@Component({
  selector: 'qr-job-form',
  imports: [JobSheet],
  template: `
    <input #part aria-label="Part" />
    <button type="button" (click)="add(part.value)">Add</button>
    <button type="button" (click)="look()">Look at</button>
    @if (shown()) {
      <aside><qr-job-sheet title="Sheet" /></aside>
    } @else {
      <section><qr-job-sheet title="Sheet" /></section>
    }
    <qr-job-sheet title="Sheet" />
    <footer #foot>The sheet is kept for a year.</footer>
  `,
})
export class JobForm {
  readonly field = viewChild.required<ElementRef<HTMLInputElement>>('part');
  private readonly foot = viewChild<ElementRef<HTMLElement>>('foot');
  private readonly list = viewChild<ElementRef<HTMLElement>>('lst');

  readonly added = output<string>();
  readonly cleared = output<void>();

  protected readonly shown = signal(false);

  clear(): void {
    this.cleared.emit();
    this.list()?.nativeElement.remove();
  }

  protected add(part: string): void {
    this.added.emit(part);
  }

  protected look(): void {
    const jobs = inject(Jobs);
    this.shown.set(jobs.open().length > 0);
  }
}
