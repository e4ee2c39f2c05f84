import type { Cabin } from '../model';

interface HoldButtonProps {
  cabin: Cabin;
  onHold?: (cabinId: string) => void;
}

export function HoldButton({ cabin, onHold }: HoldButtonProps) {
  return (
    <button type="button" disabled={cabin.held} onClick={() => onHold?.(cabin.id)}>
      Hold cabin
    </button>
  );
}
