import { Component, EventEmitter, Input, Output } from '@angular/core';

@Component({
  selector: 'qr-reason-field',
  inputs: ['hint', 'lable'],
  template: `
    <label>{{ label }} <input [value]="reason" (input)="say($event)" /></label>
  `,
})
export class ReasonField {
  @Input({ required: true }) reason = '';
  @Output() readonly reasonChange = new EventEmitter<string>();

  hint = '';
  label = 'Reason';

  protected say(event: Event): void {
    this.reasonChange.emit((event.target as HTMLInputElement).value);
  }
}
