import { Component, input, output, signal } from '@angular/core';

@Component({
  selector: 'qr-job-sheet',
  template: `
    <h3>{{ title() }}</h3>
    <textarea [value]="draft()" (input)="write($event)"></textarea>
  `,
})
export class JobSheet {
  readonly title = input.required<string>();

  readonly printed = output<void>();

  protected readonly draft = signal('');

  protected write(event: Event): void {
    this.draft.set((event.target as HTMLTextAreaElement).value);
  }
}
