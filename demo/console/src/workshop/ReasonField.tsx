interface Props {
  value: string;
  onChange?: (value: string) => void;
}

export function ReasonField({ value, onChange }: Props) {
  return <input value={value} onChange={(event) => onChange?.(event.target.value)} />;
}
