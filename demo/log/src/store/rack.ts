import { Component } from '@angular/core';

@Component({
  selector: 'qr-rack',
  template: `
    <header><ng-content select="[rack-head]" /></header>
    <ng-content />
  `,
})
export class Rack {}
