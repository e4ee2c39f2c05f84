import { Component, input } from '@angular/core';
import { FrameHead } from './frame-head';

@Component({
  selector: 'qr-log-frame',
  imports: [FrameHead],
  template: `
    <qr-frame-head [heading]="heading()">
      <ng-content select="[log-tools]" />
    </qr-frame-head>
    <main [class.wide]="wide()"><ng-content /></main>
    <footer><ng-content select="[log-foot]" /></footer>
  `,
})
export class LogFrame {
  readonly heading = input.required<string>();
  readonly wide = input(false);
}
