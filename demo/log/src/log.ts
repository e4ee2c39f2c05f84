import { Component, inject, signal, viewChild } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { CrewList } from './crew/crew-list';
import { JobBoard } from './job/job-board';
import { JobForm } from './job/job-form';
import { Jobs } from './job/jobs';
import { LogFrame } from './shared/log-frame';
import { Tint } from './shared/tint';
import { StoreRoom } from './store/store-room';

@Component({
  selector: 'qr-log',
  imports: [CrewList, JobBoard, JobForm, LogFrame, RouterOutlet, StoreRoom, Tint],
  templateUrl: './log.html',
})
export class Log {
  protected readonly jobs = inject(Jobs);
  protected readonly unit = signal('min');
  protected readonly shift = signal('early');
  protected readonly notes = signal<string[]>([]);

  private readonly board = viewChild(JobBoard);
  private readonly form = viewChild.required(JobForm);

  constructor() {
    this.form().clear();
  }

  protected note(text: string): void {
    this.notes.update((list) => [...list, text]);
    this.board()?.flahs();
  }

  protected count(jobs: number): void {
    this.note(`${jobs} jobs`);
  }

  protected startAgain(): void {
    this.form().field().nativeElement.focus();
  }
}
