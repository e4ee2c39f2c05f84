import { Directive, input } from '@angular/core';

/** Colours the edge of any element. */
@Directive({
  selector: '[qrTint]',
  host: { '[style.border-color]': 'qrTint()' },
})
export class Tint {
  readonly qrTint = input.required<string>();
}
