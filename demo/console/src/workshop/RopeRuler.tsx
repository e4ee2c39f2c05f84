import { useRef } from 'react';

export function RopeRuler({ metres }: { metres: number }) {
  const bar = useRef<HTMLDivElement>(null);
  const step = bar.current!.offsetWidth / metres;
  return (
    <div ref={bar} style={{ backgroundSize: step }}>
      {metres} m
    </div>
  );
}
