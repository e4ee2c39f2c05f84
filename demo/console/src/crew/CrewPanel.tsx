import type { CrewMember } from '../model';
import { Meter } from '../shared/Meter';
import { CrewRow } from './CrewRow';
import { RoleMark } from './RoleMark';

interface CrewPanelProps {
  crew: CrewMember[];
  station: 'lower' | 'upper';
}

export function CrewPanel({ crew, station }: CrewPanelProps) {
  return (
    <section>
      <h2>Crew, {station} station</h2>
      <Meter value={crew.length} />
      {crew.map((member) => (
        <CrewRow key={member.id} member={member} mark={RoleMark} />
      ))}
    </section>
  );
}
