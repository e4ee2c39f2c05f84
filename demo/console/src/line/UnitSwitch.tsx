import type { WindUnit } from '../model';

interface UnitSwitchProps {
  value: WindUnit;
  onChange: (unit: WindUnit) => void;
}

const UNITS: WindUnit[] = ['m/s', 'knots', 'km/h'];

export function UnitSwitch({ value, onChange }: UnitSwitchProps) {
  return (
    <select value={value} onChange={(event) => onChange(event.target.value as WindUnit)}>
      {UNITS.map((unit) => (
        <option key={unit}>{unit}</option>
      ))}
    </select>
  );
}
