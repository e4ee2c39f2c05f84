import { createContext } from 'react';

export const StationContext = createContext<string | null>(null);
