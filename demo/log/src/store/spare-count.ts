import { Component } from '@angular/core';
import { PartCount } from './part-count';

@Component({
  selector: 'qr-spare-count',
  template: `
    <output>{{ left }} spare</output>
    <button type="button" (click)="take()">Take a spare one</button>
  `,
})
export class SpareCount extends PartCount {}
