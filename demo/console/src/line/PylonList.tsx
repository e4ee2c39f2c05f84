import type { Pylon, WindUnit } from '../model';
import { PylonRow } from './PylonRow';

interface PylonListProps {
  pylons: Pylon[];
  unit: WindUnit;
  limit: number;
}

export function PylonList({ pylons, unit, limit }: PylonListProps) {
  return (
    <ol>
      {pylons.map((pylon) => (
        <PylonRow key={pylon.id} pylon={pylon} unit={unit} limit={limit} />
      ))}
    </ol>
  );
}
