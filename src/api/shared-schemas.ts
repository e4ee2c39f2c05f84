/** What several answers of the server share. */
import { z } from 'zod';

export const levelSchema = z.enum(['error', 'warning', 'note']);
export const channelSchema = z.enum(['prop', 'event', 'slot', 'context', 'ref', 'portal', 'state', 'local']);
export const roleSchema = z.enum(['start', 'pass', 'transform', 'read', 'emit', 'listen', 'drop', 'wait']);

export const spotSchema = z.object({
  file: z.string(),
  line: z.number(),
  column: z.number(),
  endLine: z.number(),
  endColumn: z.number(),
});

export const countsSchema = z.object({
  error: z.number(),
  warning: z.number(),
  note: z.number(),
  silenced: z.number(),
});
