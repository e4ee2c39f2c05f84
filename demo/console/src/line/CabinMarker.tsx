import type { Cabin } from '../model';

interface CabinMarkerProps {
  cabin: Cabin;
  /** Where on the rope, from 0 to 1. */
  share: number;
  colour: string;
}

export function CabinMarker({ cabin, share }: CabinMarkerProps) {
  return (
    <span style={{ left: `${share * 100}%` }} title={cabin.label}>
      {cabin.load}
    </span>
  );
}
