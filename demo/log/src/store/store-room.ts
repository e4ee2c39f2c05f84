import { Dialog } from '@angular/cdk/dialog';
import { Component, inject, signal } from '@angular/core';
import { PartCard } from './part-card';
import { PartCount } from './part-count';
import { PartList } from './part-list';
import { type Part, ShelfPlan, StoreHours } from './parts';
import { SpareCount } from './spare-count';
import { StorePanel } from './store-panel';

@Component({
  selector: 'qr-store-room',
  imports: [PartCount, PartList, SpareCount, StorePanel],
  providers: [ShelfPlan],
  template: `
    <qr-store-panel>
      <h2 rack-head [qrTint]="'grey'">Store room, {{ hours.shift() }}, {{ plan.shelves().length }} shelves</h2>
      <ng-container ngProjectAs="[rack-foot]">Ask at the bench.</ng-container>
      <qr-part-list [parts]="parts()">
        <ng-template #row let-part let-at="shlef">
          <p>{{ at }}: {{ part.name }} <button type="button" (click)="show(part)">Card</button></p>
        </ng-template>
      </qr-part-list>
      <qr-part-count [left]="parts().length" [taken]="take()" />
      <qr-part-count [left]="1" />
      <qr-spare-count [left]="2" />
    </qr-store-panel>
  `,
})
export class StoreRoom {
  protected readonly hours = inject(StoreHours);
  protected readonly plan = inject(ShelfPlan);
  protected readonly parts = signal<Part[]>([
    { name: 'Grip jaw', left: 4 },
    { name: 'Sheave liner', left: 1 },
  ]);
  protected readonly chosen = signal<Part | null>(null);
  private readonly dialog = inject(Dialog);

  constructor() {
    this.hours.shift.set('early');
  }

  protected show(part: Part): void {
    this.chosen.set(part);
    this.dialog.open(PartCard, { data: this.chosen() });
  }

  protected take(): void {
    this.parts.update((list) => list.slice(1));
  }
}
