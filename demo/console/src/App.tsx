import { useMemo, useState } from 'react';
import { CrewPanel } from './crew/CrewPanel';
import { cabins as allCabins, crew, departures, jobs, pylons, shift } from './data';
import { DispatchBoard } from './dispatch/DispatchBoard';
import { HoldLog } from './dispatch/HoldLog';
import { Layout } from './layout/Layout';
import { ShiftBadge } from './layout/ShiftBadge';
import { NoticeCard } from './layout/NoticeCard';
import { LinePanel } from './line/LinePanel';
import type { Hold, WindUnit } from './model';
import { ShiftContext } from './shift-context';
import { StationContext } from './workshop/station-context';
import { Workshop } from './workshop/Workshop';

export function App() {
  const [cabins, setCabins] = useState(allCabins);
  const [holds, setHolds] = useState<Hold[]>([]);
  const [windUnit, setWindUnit] = useState<WindUnit>('m/s');
  const [logOpen, setLogOpen] = useState(false);
  const stormLimit = useMemo(() => (windUnit === 'knots' ? 35 : 18), [windUnit]);

  const holdCabin = (cabinId: string) => {
    setHolds([...holds, { cabinId, reason: 'by hand', since: new Date().toISOString() }]);
    setCabins(cabins.map((cabin) => (cabin.id === cabinId ? { ...cabin, held: true } : cabin)));
  };

  return (
    <ShiftContext.Provider value={shift}>
      <Layout title="Quillmoor Ropeway" onToggleLog={() => setLogOpen(!logOpen)}>
        <LinePanel
          cabins={cabins}
          pylons={pylons}
          windUnit={windUnit}
          stormLimit={stormLimit}
          onUnitChange={setWindUnit}
        />
        <DispatchBoard departures={departures} holds={holds} onHold={holdCabin} />
        {logOpen && <HoldLog holds={holds} />}
        <ShiftContext.Provider value={{ ...shift, station: 'upper' }}>
          <ShiftBadge />
          <CrewPanel crew={crew} station={shift.station} />
        </ShiftContext.Provider>
        <StationContext.Provider value={shift.station}>
          <Workshop jobs={jobs} />
        </StationContext.Provider>
        <NoticeCard text="Upper station closes at dusk.">
          <a href="/timetable">Timetable</a>
        </NoticeCard>
      </Layout>
    </ShiftContext.Provider>
  );
}
