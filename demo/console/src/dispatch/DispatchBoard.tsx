import { useState } from 'react';
import type { Departure, Hold } from '../model';
import { DepartureQueue } from './DepartureQueue';
import { Panel } from '../shared/Panel';
import { FilterField } from './FilterField';

interface DispatchBoardProps {
  departures: Departure[];
  holds: Hold[];
  onHold: (cabinId: string) => void;
}

export function DispatchBoard({ departures, holds, onHold }: DispatchBoardProps) {
  const [filter, setFilter] = useState('');
  const shown = departures.filter((departure) => departure.cabin.label.includes(filter));
  return (
    <Panel title="Dispatch" tone="plain">
      <FilterField text={filter} onChange={setFilter} onClear={() => setFilter('')} />
      <p>{holds.length} on hold</p>
      <DepartureQueue departures={shown} onHold={onHold} />
    </Panel>
  );
}
