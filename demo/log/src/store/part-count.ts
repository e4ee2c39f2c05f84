import { Component, Input } from '@angular/core';

@Component({
  selector: 'qr-part-count',
  template: `
    <output>{{ left }}</output>
    <button type="button" (click)="take()">Take one</button>
  `,
})
export class PartCount {
  @Input() left = 0;
  @Input() taken?: (left: number) => void;
  @Input() label = 'Parts';

  protected take(): void {
    this.taken(this.left - 1);
  }

  protected label(): string {
    return `${this.left} left`;
  }
}
