import type { WindUnit } from '../model';
import { Meter } from '../shared/Meter';
import { StormLamp } from './StormLamp';

interface WindGaugeProps {
  wind: number;
  unit: WindUnit;
  limit: number;
}

const FACTORS: Record<WindUnit, number> = { 'm/s': 1, knots: 1.944, 'km/h': 3.6 };

export function WindGauge({ wind, unit, limit }: WindGaugeProps) {
  const shown = wind * FACTORS[unit];
  return (
    <figure className={shown > limit ? 'storm' : 'calm'}>
      <Meter value={shown} max={limit} />
      {shown > limit * 2 && <StormLamp wind={wind} />}
      <figcaption>
        {shown.toFixed(1)} {unit}
      </figcaption>
    </figure>
  );
}
