import type { ApplicationConfig } from '@angular/core';
import { provideRouter } from '@angular/router';
import { JobPage } from './job/job-page';
import { BENCH_NAME, LONGEST_JOB, provideDepot } from './depot';
import { JobPick } from './job/jobs';

export const settings: ApplicationConfig = {
  providers: [
    provideRouter([{ path: 'jobs/:number', component: JobPage }]),
    provideDepot('Quillmoor'),
    { provide: LONGEST_JOB, useValue: '90 minutes' },
    { provide: BENCH_NAME, useValue: 'bench 2' },
    JobPick,
  ],
};
