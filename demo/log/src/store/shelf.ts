import { Component } from '@angular/core';
import { Rack } from './rack';

@Component({
  selector: 'qr-shelf',
  imports: [Rack],
  template: `
    <qr-rack>
      <ng-content select="[rack-head]" ngProjectAs="[rack-head]" />
      <ng-content />
    </qr-rack>
  `,
})
export class Shelf {}
