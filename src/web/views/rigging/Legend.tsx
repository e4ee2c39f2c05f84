import type { Role } from '../../../api/schemas';
import { MarkIcon } from '../../parts/Mark';
import { ROLE_WORDS } from '../../parts/roles';

const SHOWN: Role[] = ['start', 'pass', 'transform', 'read', 'drop', 'wait'];

/** What the marks mean. */
export function Legend() {
  return (
    <ul className="flex min-h-8 shrink-0 flex-wrap items-center gap-x-4 border-t border-line px-5 py-1 whitespace-nowrap text-soft">
      {SHOWN.map((role) => (
        <li key={role} className="flex items-center gap-1">
          <MarkIcon role={role} channel="portal" /> {ROLE_WORDS[role]}
        </li>
      ))}
    </ul>
  );
}
