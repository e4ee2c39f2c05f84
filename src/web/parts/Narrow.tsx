/** A field that narrows a list by words; they are kept in the address. */
import { useSearchParams } from 'react-router';
import { useAddress } from '../address';

interface NarrowProps {
  /** The key of the address that holds the words. */
  name?: string;
  label: string;
  placeholder: string;
  /** Its width. */
  className: string;
}

export function Narrow({ name = 'text', label, placeholder, className }: NarrowProps) {
  const [search] = useSearchParams();
  const change = useAddress();
  return (
    <input
      value={search.get(name) ?? ''}
      placeholder={placeholder}
      aria-label={label}
      className={`h-7 border border-line bg-sheet px-2 ${className}`}
      onChange={(event) => {
        const { value } = event.target;
        change((next) => (value ? next.set(name, value) : next.delete(name)));
      }}
    />
  );
}
