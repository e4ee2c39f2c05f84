import { computed, inject, Injectable, signal } from '@angular/core';
import { ROPE } from '../depot';

export type State = 'open' | 'held' | 'done';

export interface Job {
  number: number;
  part: string;
  state: State;
  minutes: number;
}

/** All jobs, for every part of the log. */
@Injectable({ providedIn: 'root' })
export class Jobs {
  private readonly rope = inject(ROPE);

  readonly all = signal<Job[]>([
    { number: 1, part: 'Grip of cabin 4', state: 'open', minutes: 40 },
    { number: 2, part: 'Sheave 12', state: 'held', minutes: 90 },
    { number: 3, part: 'Haul rope', state: 'open', minutes: 15 },
  ]);
  readonly open = computed(() => this.all().filter((job) => job.state === 'open'));

  close(number: number): void {
    this.all.update((list) => list.map((job) => (job.number === number ? { ...job, state: 'done' } : job)));
  }

  add(part: string): void {
    this.all.update((list) => [...list, { number: list.length + this.rope, part, state: 'open', minutes: 0 }]);
  }
}

/** Which job somebody looks at. */
@Injectable()
export class JobPick {
  readonly number = signal<number | null>(null);
}

/** What was used of the stores; only the office keeps one. */
@Injectable()
export class StoreLedger {
  readonly lines = signal<string[]>([]);
}
