import type { ComponentType } from 'react';
import type { CrewMember } from '../model';

interface CrewRowProps {
  member: CrewMember;
  mark: ComponentType<{ role: string }>;
  onCall?: (name: string) => void;
}

export function CrewRow({ member, mark: roleMark, onCall }: CrewRowProps) {
  return (
    <p>
      <roleMark role={member.role} /> {member.name}
      <button type="button" onClick={() => onCall(member.name)}>
        Call
      </button>
    </p>
  );
}
