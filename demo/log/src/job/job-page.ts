import { Component, computed, inject, input } from '@angular/core';
import { Jobs } from './jobs';

/** Routed: its number comes from the address. */
@Component({
  selector: 'qr-job-page',
  template: `
    <h2>{{ job()?.part ?? 'No such job' }}</h2>
    <qr-job-time [minutes]="job()?.minutes ?? 0" />
  `,
})
export class JobPage {
  readonly number = input.required<string>();

  private readonly jobs = inject(Jobs);
  protected readonly job = computed(() => this.jobs.all().find((one) => one.number === Number(this.number())));
}
