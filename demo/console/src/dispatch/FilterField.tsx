interface FilterFieldProps {
  text: string;
  onChange: (text: string) => void;
}

export function FilterField({ text, onChange }: FilterFieldProps) {
  return <input value={text} onChange={(event) => onChange(event.target.value)} aria-label="Filter departures" />;
}
