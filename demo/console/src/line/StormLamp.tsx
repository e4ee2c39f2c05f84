import { useWindUnit } from '../unit-context';

export function StormLamp({ wind }: { wind: number }) {
  const unit = useWindUnit();
  return (
    <strong>
      Storm: {wind.toFixed(0)} {unit}
    </strong>
  );
}
