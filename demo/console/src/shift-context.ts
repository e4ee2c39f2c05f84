import { createContext } from 'react';
import type { Shift } from './model';

export const ShiftContext = createContext<Shift | null>(null);
