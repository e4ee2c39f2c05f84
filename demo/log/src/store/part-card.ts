import { DIALOG_DATA } from '@angular/cdk/dialog';
import { Component, inject } from '@angular/core';
import { type Part, Pieces, ShelfPlan } from './parts';

/** Opened above everything else. */
@Component({
  selector: 'qr-part-card',
  imports: [Pieces],
  template: `
    <h3>{{ part.name }}</h3>
    <p>{{ part.left | qrPieces }}, {{ plan.shelves()[0] }}</p>
  `,
})
export class PartCard {
  protected readonly part = inject<Part>(DIALOG_DATA);
  protected readonly plan = inject(ShelfPlan);
}
