import type { Job } from './workshop/bench';
import type { Cabin, CrewMember, Departure, Pylon, Shift } from './model';

export const cabins: Cabin[] = [
  { id: 'c1', label: 'Cabin 1', position: 0, load: 4, held: false },
  { id: 'c2', label: 'Cabin 2', position: 310, load: 7, held: false },
  { id: 'c3', label: 'Cabin 3', position: 640, load: 0, held: true },
];

export const pylons: Pylon[] = [
  { id: 'p1', height: 18, wind: 6.2 },
  { id: 'p2', height: 31, wind: 11.8 },
];

export const departures: Departure[] = cabins.map((cabin, index) => ({
  id: `d${index + 1}`,
  cabin,
  leavesAt: `08:${10 + index * 6}`,
  seats: 8 - cabin.load,
}));

export const shift: Shift = { lead: 'M. Harrow', station: 'lower', ends: '14:00' };

export const crew: CrewMember[] = [
  { id: 'k1', name: 'M. Harrow', role: 'lead' },
  { id: 'k2', name: 'T. Linnet', role: 'rigger' },
];

export const jobs: Job[] = [
  { id: 'j1', title: 'Grease pylon 4', minutes: 40, done: false },
  { id: 'j2', title: 'Splice the haul rope', minutes: 180, done: false },
];
