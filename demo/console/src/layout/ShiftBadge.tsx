import { useContext } from 'react';
import { ShiftContext } from '../shift-context';

export function ShiftBadge() {
  const shift = useContext(ShiftContext);
  if (!shift) return null;
  return (
    <span className="badge">
      {shift.lead} until {shift.ends}
    </span>
  );
}
