/** A field that narrows a list by words; they are kept in the address. */
import { useEffect, useRef, useState } from 'react';
import { useNavigation, useSearchParams } from 'react-router';
import { useAddress } from '../address';
import { Echo } from './echo';

/** Milliseconds without a key until what is typed takes effect. */
const REST = 150;

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
  const inAddress = search.get(name) ?? '';
  // The field holds what is typed; the address, and what depends on it, follow when the typing rests.
  const [typed, setTyped] = useState<string>();
  const timer = useRef<number>(undefined);
  const [echo] = useState(() => new Echo(inAddress));
  useEffect(() => {
    if (echo.isOwn(inAddress)) return;
    // Somebody else changed the address: a link, the way back.
    window.clearTimeout(timer.current);
    setTyped(undefined);
  }, [inAddress, echo]);
  const send = (value: string) => {
    window.clearTimeout(timer.current);
    echo.send(value);
    change((next) => (value ? next.set(name, value) : next.delete(name)));
  };
  useEffect(() => () => window.clearTimeout(timer.current), []);
  // Who goes on to another page, which may take a while to load, would be called back by a change of this one's address.
  const { state } = useNavigation();
  useEffect(() => {
    if (state !== 'idle') window.clearTimeout(timer.current);
  }, [state]);
  return (
    <input
      value={typed ?? inAddress}
      placeholder={placeholder}
      aria-label={label}
      className={`h-7 border border-line bg-sheet px-2 ${className}`}
      onChange={(event) => {
        const { value } = event.target;
        setTyped(value);
        window.clearTimeout(timer.current);
        timer.current = window.setTimeout(() => send(value), REST);
      }}
      onBlur={() => typed !== undefined && typed !== inAddress && send(typed)}
      onKeyDown={(event) => event.key === 'Enter' && typed !== undefined && send(typed)}
    />
  );
}
