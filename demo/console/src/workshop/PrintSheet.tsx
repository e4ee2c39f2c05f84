import { useContext } from 'react';
import { StationContext } from './station-context';

export function PrintSheet({ title }: { title: string }) {
  const station = useContext(StationContext)!;
  return (
    <h1>
      {title}, {station.toUpperCase()}
    </h1>
  );
}
