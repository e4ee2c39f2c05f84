import type { Cabin } from '../model';
import { CabinMarker } from './CabinMarker';

interface CabinTrackProps {
  cabins: Cabin[];
  /** Length of the rope in metres. */
  length: number;
}

export function CabinTrack({ cabins, length }: CabinTrackProps) {
  cabins.sort((a, b) => a.position - b.position);
  const running = cabins.filter((cabin) => !cabin.held);
  return (
    <div className="track">
      {running.map((cabin) => (
        <CabinMarker key={cabin.id} cabin={cabin} share={cabin.position / length} colour="slate" />
      ))}
    </div>
  );
}
