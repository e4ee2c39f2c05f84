interface MeterProps {
  value: number;
  max: number;
}

export function Meter({ value, max }: MeterProps) {
  return <progress value={Math.min(value, max)} max={max} />;
}
