/** Events of the page that carry something. */
import type { TypeExpr } from '../../model/types';

/** What a listener gets: an event of the page with the payload in it. */
export const eventWith = (detail: TypeExpr): TypeExpr => ({
  t: 'object',
  members: [{ name: 'detail', type: detail, start: -1, end: -1 }],
  open: true,
  ...(detail.t === 'lit' || (detail.t === 'object' && detail.fresh) ? { fresh: true } : {}),
});
