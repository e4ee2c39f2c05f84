import type { Departure } from '../model';
import { ActionButton } from '../shared/ActionButton';
import { HoldButton } from './HoldButton';

interface DepartureCardProps {
  departure: Departure;
  onHold?: (cabinId: string) => void;
  onRelease?: (cabinId: string) => void;
}

export function DepartureCard({ departure, onHold }: DepartureCardProps) {
  const announce = () => console.info(`${departure.cabin.label} leaves at ${departure.leavesAt}`);
  return (
    <li>
      {departure.leavesAt} {departure.cabin.label} ({departure.seats} seats)
      <HoldButton cabin={departure.cabin} onHold={onHold} />
      <ActionButton label="Announce" onPress={announce()} />
    </li>
  );
}
