import { useState } from 'react';
import type { CrewMember } from '../model';
import { Meter } from '../shared/Meter';
import { Panel } from '../shared/Panel';
import { LampContext } from '../unit-context';
import { CrewRow } from './CrewRow';
import { RoleMark } from './RoleMark';
import { ShiftClock } from './ShiftClock';

interface CrewPanelProps {
  crew: CrewMember[];
  station: 'lower' | 'upper';
}

export function CrewPanel({ crew, station }: CrewPanelProps) {
  const [dusk, setDusk] = useState(false);
  return (
    <LampContext.Provider value={{ dusk }}>
      <Panel title={`Crew, ${station} station`} tone="plain">
        <Meter value={crew.length} />
        {crew.map((member) => (
          <CrewRow key={member.id} member={member} mark={RoleMark} onCall={(name: string, at: number) => console.info(name, at)} />
        ))}
        <ShiftClock ends="14:00" onDusk={() => setDusk(true)} />
      </Panel>
    </LampContext.Provider>
  );
}
