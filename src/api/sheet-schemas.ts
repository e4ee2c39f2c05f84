/** What the screen of sheets and the server tell each other. */
import { z } from 'zod';
import { riggingSchema } from './schemas';
import { MAX_SHEET } from './sheet-limit';
import { levelSchema } from './shared-schemas';

/** The file of a sheet, from the root of the project. */
export const sheetPathSchema = z
  .string()
  .min(1)
  .max(500)
  .regex(/\.rope\.(yaml|json)$/, 'a sheet ends in .rope.yaml or .rope.json')
  .refine(
    (path) =>
      !/^\/|\\|\0/.test(path) &&
      path.split('/').every((part) => !/^(\.{0,2}|node_modules|\.git)$/.test(part)),
    'a path within the project',
  );

export const sheetFileSchema = z.object({
  path: z.string(),
  text: z.string(),
  /** Tells this text from others. */
  stamp: z.string(),
});

export const draftAskSchema = z.object({ path: sheetPathSchema, text: z.string().max(MAX_SHEET) });

export const saveSheetSchema = draftAskSchema.extend({
  /** The stamp of the text that was changed; without one, nothing was there. */
  over: z.string().max(100).optional(),
});

const remarkSchema = z.object({
  line: z.number(),
  column: z.number(),
  endLine: z.number(),
  endColumn: z.number(),
  /** Undefined for what keeps the text from being a sheet. */
  level: levelSchema.optional(),
  rule: z.string().optional(),
  message: z.string(),
});

/** What a sheet says before it is saved. */
export const draftSchema = z.object({
  remarks: z.array(remarkSchema),
  components: z.number(),
  /** With as many rows in its window as are shown beside a text. */
  rigging: riggingSchema,
});

export type SheetFile = z.infer<typeof sheetFileSchema>;
export type SaveSheetInput = z.infer<typeof saveSheetSchema>;
export type DraftInput = z.infer<typeof draftAskSchema>;
export type DraftView = z.infer<typeof draftSchema>;
export type Remark = z.infer<typeof remarkSchema>;
