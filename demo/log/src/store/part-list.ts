import { NgTemplateOutlet } from '@angular/common';
import { Component, contentChild, inject, input, type TemplateRef } from '@angular/core';
import { type Part, StoreHours } from './parts';

@Component({
  selector: 'qr-part-list',
  imports: [NgTemplateOutlet],
  template: `
    @for (part of parts(); track part.name; let at = $index) {
      <ng-container *ngTemplateOutlet="row(); context: { $implicit: part, shelf: at }" />
    }
  `,
})
export class PartList {
  readonly parts = input.required<Part[]>();

  protected readonly row = contentChild.required<TemplateRef<unknown>>('row');
  private readonly hours = inject(StoreHours);

  constructor() {
    this.hours.shift.set('late');
  }
}
