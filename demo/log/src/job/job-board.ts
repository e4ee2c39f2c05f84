import { Component, inject, input, output, signal } from '@angular/core';
import { JobRow } from './job-row';
import { type Job, JobPick } from './jobs';

@Component({
  selector: 'qr-job-board',
  imports: [JobRow],
  template: `
    <table>
      @for (job of jobs(); track job.number) {
        <tr
          qrJobRow
          [job]="job"
          [unit]="unit()"
          size="small"
          (closed)="closed.emit($event)"
        ></tr>
      } @empty {
        <tr><td>Nothing is open.</td></tr>
      }
    </table>
    <button type="button" (click)="sort()">Shortest first</button>
    <button type="button" (click)="turn()">Page {{ page() }}</button>
  `,
})
export class JobBoard {
  readonly jobs = input.required<Job[]>();
  readonly unit = input('min');
  readonly limit = input(20);

  readonly closed = output<number>();
  readonly counted = output<number>();
  readonly turned = output<number>();

  protected readonly pick = inject(JobPick);
  protected readonly page = signal(1);

  flash(): void {
    this.page.set(1);
  }

  protected sort(): void {
    this.jobs().sort((a, b) => a.minutes - b.minutes);
    this.counted.emit(this.jobs().length);
  }

  protected turn(): void {
    if (this.page() * this.limit() < this.jobs().length) this.page.update((page) => page + 1);
    this.turned.emit(this.page());
  }
}
