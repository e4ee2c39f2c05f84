import { Component, input } from '@angular/core';

@Component({
  selector: 'qr-frame-head',
  template: `
    <h1>{{ heading() }}</h1>
    <ng-content />
  `,
})
export class FrameHead {
  readonly heading = input.required<string>();
  readonly level = input<number>();
  protected readonly rank = () => this.level() ?? 1;

  readonly mark = input('rope');
}
