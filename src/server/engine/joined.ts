/** What was joined and what was not, as the workbench shows it. */
import type { JoinedView } from '../../api/schemas';
import type { AuditResult } from '../../core/audit';
import { accountOf } from '../../core/link/joined';
import { placesOf, type TextOf } from '../../core/report/places';
import { gapsOf, joinedOf } from '../../core/report/summary';

export function joinedView({ project }: AuditResult, textOf: TextOf): JoinedView {
  const account = accountOf(project);
  return { ...joinedOf(account), gaps: gapsOf(account, placesOf(project, textOf)) };
}
