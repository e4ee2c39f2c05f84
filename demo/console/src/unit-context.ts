import { createContext, useContext } from 'react';
import type { WindUnit } from './model';

export const UnitContext = createContext<WindUnit | null>(null);
export const LampContext = createContext({ dusk: false });

export function useWindUnit(): WindUnit {
  const unit = useContext(UnitContext);
  if (!unit) throw new Error('useWindUnit needs a UnitContext above');
  return unit;
}
