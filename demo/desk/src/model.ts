import type { InjectionKey, Ref } from 'vue';

export interface Fare {
  id: string;
  title: string;
  crowns: number;
  seats: number;
}

export interface Sale {
  fare: Fare;
  riders: number;
}

/** Whether the desk sells at all; the winch room closes it in a storm. */
export const DESK_OPEN: InjectionKey<Ref<boolean>> = Symbol('desk open');
/** What a member of the crew pays. */
export const CREW_RATE: InjectionKey<number> = Symbol('crew rate');
