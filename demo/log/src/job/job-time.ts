import { Component, computed, inject, input } from '@angular/core';
import { LONGEST_JOB } from '../depot';

@Component({
  selector: 'qr-job-time',
  template: `<span [class.long]="isLong()">{{ minutes() }} {{ unit() }}</span>`,
})
export class JobTime {
  readonly minutes = input.required<number>();
  readonly unit = input('min');
  readonly rounded = input(false);

  private readonly longest = inject(LONGEST_JOB);
  protected readonly isLong = computed(() => this.minutes() > this.longest);
}
