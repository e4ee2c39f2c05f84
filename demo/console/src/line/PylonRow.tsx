import type { Pylon, WindUnit } from '../model';
import { WindGauge } from './WindGauge';

interface PylonRowProps {
  pylon: Pylon;
  unit: WindUnit;
  limit: number;
}

export function PylonRow({ pylon, unit, limit }: PylonRowProps) {
  return (
    <li>
      {pylon.id}, {pylon.height} m
      <WindGauge wind={pylon.wind} unit={unit} limit={limit} />
    </li>
  );
}
