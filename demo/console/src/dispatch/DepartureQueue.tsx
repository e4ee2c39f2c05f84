import type { Departure } from '../model';
import { DepartureCard } from './DepartureCard';

interface DepartureQueueProps {
  departures: Departure[];
  onHold: (cabinId: string) => void;
}

export function DepartureQueue({ departures }: DepartureQueueProps) {
  if (departures.length === 0) return <p>No departures.</p>;
  return (
    <ul>
      {departures.map((departure) => (
        <DepartureCard key={departure.id} departure={departure} />
      ))}
    </ul>
  );
}
