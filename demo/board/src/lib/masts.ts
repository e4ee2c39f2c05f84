import { writable } from 'svelte/store';
import type { Mast } from './model';

export const masts = writable<Mast[]>([
  { id: 'm1', title: 'Lower mast', wind: 6 },
  { id: 'm2', title: 'Heron gap', wind: 14 },
  { id: 'm3', title: 'Upper mast', wind: 19 },
]);
