export type WindUnit = 'm/s' | 'knots' | 'km/h';

export interface Cabin {
  id: string;
  label: string;
  /** Metres from the lower station. */
  position: number;
  load: number;
  held: boolean;
}

export interface Pylon {
  id: string;
  height: number;
  /** Metres per second. */
  wind: number;
}

export interface Departure {
  id: string;
  cabin: Cabin;
  leavesAt: string;
  seats: number;
}

export interface Hold {
  cabinId: string;
  reason: string;
  since: string;
}

export interface Shift {
  lead: string;
  station: 'lower' | 'upper';
  ends: string;
}

export interface CrewMember {
  id: string;
  name: string;
  role: 'lead' | 'attendant' | 'rigger';
}
