import { useEffect, useRef, useState } from 'react';

interface ShiftClockProps {
  ends: string;
  onDusk?: () => void;
}

/** Counts down to the end of the shift. */
export function ShiftClock({ ends, onDusk }: ShiftClockProps) {
  const [until] = useState(ends);
  const [dusk, setDusk] = useState(false);
  const face = useRef<HTMLElement>(null);
  const bell = useRef<HTMLAudioElement>(null);
  useEffect(() => {
    if (dusk) bell.current!.play();
  }, [dusk]);
  return (
    <time ref={face} onClick={() => (setDusk(true), onDusk?.())}>
      {until}
    </time>
  );
}
