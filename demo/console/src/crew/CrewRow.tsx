import type { ComponentType } from 'react';
import type { CrewMember } from '../model';

interface CrewRowProps {
  member: CrewMember;
  mark: ComponentType<{ role: string }>;
}

export function CrewRow({ member, mark: roleMark }: CrewRowProps) {
  return (
    <p>
      <roleMark role={member.role} /> {member.name}
    </p>
  );
}
