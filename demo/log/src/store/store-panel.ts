import { Component } from '@angular/core';
import { Shelf } from './shelf';

@Component({
  selector: 'qr-store-panel',
  imports: [Shelf],
  template: `
    <qr-shelf>
      <ng-content select="[rack-head]" ngProjectAs="[rack-head]" />
      <ng-content />
    </qr-shelf>
  `,
})
export class StorePanel {}
