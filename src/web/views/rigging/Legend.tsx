import type { Role } from '../../../api/schemas';
import { MarkIcon } from '../../parts/Mark';
import { ROLE_WORDS } from '../../parts/roles';

const SHOWN: Role[] = ['start', 'pass', 'transform', 'read', 'drop', 'wait'];

/** What the marks mean. */
export function Legend() {
  return (
    <ul className="flex h-8 shrink-0 items-center gap-4 overflow-hidden border-t border-line px-5 whitespace-nowrap text-soft">
      {SHOWN.map((role) => (
        <li key={role} className="flex items-center gap-1">
          <MarkIcon role={role} channel="portal" /> {ROLE_WORDS[role]}
        </li>
      ))}
    </ul>
  );
}
