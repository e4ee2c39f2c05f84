/** The settings file, `zinc-rope.config.json` at the audited root. */
import { z } from 'zod';
import { ConfigError } from './config-error';

const level = z.enum(['off', 'note', 'warning', 'error']);

export const configSchema = z
  .strictObject({
    $schema: z.string().optional(),
    include: z.array(z.string()).optional().describe('Globs of files to audit; all when absent.'),
    exclude: z.array(z.string()).optional().describe('Globs of files to leave out.'),
    roots: z.array(z.string()).optional().describe('Names of components that start trees.'),
    beside: z
      .array(z.string())
      .optional()
      .describe(
        'Globs of files beside the app: tests, specs, stories and mocks. What lies in them is a note. The usual names when absent.',
      ),
    drillDepth: z
      .number()
      .int()
      .min(1)
      .optional()
      .describe('How many pass-only components in a row make a drilled prop. 2 when absent.'),
    rules: z.record(z.string(), level).optional().describe('Levels by rule; off switches a rule off.'),
  })
  .describe('Settings of Zinc Rope');

export type Config = z.infer<typeof configSchema>;

/** Checks settings. Throws a ConfigError that names the first key that is wrong, and what was expected. */
export function parseConfig(json: unknown, source: string, ruleNames: readonly string[]): Config {
  const parsed = configSchema.safeParse(json);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    const key =
      issue!.path.join('.') || (issue!.code === 'unrecognized_keys' ? issue!.keys[0] : '') || 'the file';
    throw new ConfigError(`${source}: ${key}: ${issue!.message}`);
  }
  for (const name of Object.keys(parsed.data.rules ?? {})) {
    if (!ruleNames.includes(name))
      throw new ConfigError(`${source}: rules.${name}: there is no rule of this name`);
  }
  return parsed.data;
}

/** The published JSON Schema of the settings file. */
export const configJsonSchema = (): object => z.toJSONSchema(configSchema, { target: 'draft-2020-12' });
