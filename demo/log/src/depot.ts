import { type EnvironmentProviders, inject, InjectionToken, makeEnvironmentProviders } from '@angular/core';

/** Where the tools lie. */
export const DEPOT = new InjectionToken<string>('depot');

/** Minutes after which a job is looked at again. */
export const LONGEST_JOB = new InjectionToken<number>('longest job');

export const BENCH_NAME = new InjectionToken<string>('bench');

/** The rope's number; it is the same in every part of the line. */
export const ROPE = new InjectionToken<number>('rope', { factory: () => 2 });

export const provideDepot = (name: string): EnvironmentProviders =>
  makeEnvironmentProviders([{ provide: DEPOT, useValue: name }]);

export const injectDepot = (): string => inject(DEPOT);
