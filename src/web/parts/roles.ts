/** What happens to a value at a hop, in words. */
import type { Role } from '../../api/schemas';

export const ROLE_WORDS: Record<Role, string> = {
  start: 'starts here',
  pass: 'only passes it on',
  transform: 'changes it',
  read: 'reads it',
  emit: 'raises it',
  listen: 'takes it in',
  drop: 'drops it',
  wait: 'waits, never gets it',
};
