/** What the state of a connection is called, and how it is drawn. */
import type { Join } from '../../api/component-schemas';

export const JOIN_WORDS: Record<Join, string> = {
  joined: 'joined',
  spread: 'by a spread',
  default: 'default is used',
  'left out': 'left out',
  missing: 'missing',
  clash: 'wrong type',
  'not taken': 'not taken',
  ignored: 'ignored',
  unheard: 'not heard',
  unknown: 'not known',
};

/** Something is wrong at this connection. */
export const isLoose = (how: Join): boolean =>
  how === 'missing' || how === 'clash' || how === 'not taken' || how === 'ignored';
