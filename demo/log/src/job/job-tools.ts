import { Component, EventEmitter, inject, input, Output } from '@angular/core';
import { ReasonField } from './reason-field';
import { type Job, JobPick, StoreLedger } from './jobs';
import { injectDepot } from '../depot';

@Component({
  selector: 'qr-job-tools',
  imports: [ReasonField],
  template: `
    <button type="button" (click)="close()">Close</button>
    <qr-reason-field [reason]="'worn'" />
    <small>{{ depot }}, {{ ledger.lines().length }} parts</small>
  `,
  providers: [JobPick],
})
export class JobTools {
  readonly job = input.required<Job>();

  @Output() readonly closed = new EventEmitter<number>();
  @Output() readonly click = new EventEmitter<void>();

  protected readonly pick = inject(JobPick);
  protected readonly ledger = inject(StoreLedger);
  protected readonly depot = injectDepot();

  protected close(): void {
    this.pick.number.set(this.job().number);
    this.closed.emit(this.job().number);
    this.click.emit();
  }
}
