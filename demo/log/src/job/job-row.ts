import { Component, input, output } from '@angular/core';
import { JobTime } from './job-time';
import { JobTools } from './job-tools';
import type { Job } from './jobs';

@Component({
  selector: 'tr[qrJobRow]',
  imports: [JobTime, JobTools],
  template: `
    <td>{{ job().part }} <button type="button" (click)="measured.emit(job().minutes)">Measure</button></td>
    <td><qr-job-time [minutes]="job().minutes" [unit]="unit()" /></td>
    <td [class]="size()">
      <qr-job-tools [job]="job()" (closed)="closed.emit($event)" />
    </td>
  `,
})
export class JobRow {
  readonly job = input.required<Job>();
  readonly unit = input('min');
  readonly size = input<'small' | 'large'>('large');

  readonly closed = output<number>();
  readonly measured = output<number>();
}
