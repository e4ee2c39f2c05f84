/** The demo projects, as the start page offers them. */
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';
import { LANGUAGES } from '../core/readers/languages';

const manifestSchema = z.object({
  description: z.string(),
  dependencies: z.record(z.string(), z.string()),
});

/** Each folder with its title and language, in the order of their names. */
export async function demosIn(folder: string): Promise<{ name: string; path: string }[]> {
  const entries = await readdir(folder, { withFileTypes: true });
  const found = entries
    .filter((one) => one.isDirectory())
    .map(async ({ name }) => {
      const path = join(folder, name);
      const manifest = manifestSchema.parse(JSON.parse(await readFile(join(path, 'package.json'), 'utf8')));
      const title = manifest.description.replace(/ of .*$/, '');
      const files = await readdir(path);
      const language =
        LANGUAGES.find((one) => one.package !== undefined && one.package in manifest.dependencies) ??
        LANGUAGES.find((one) => one.name !== 'html' && files.some((file) => one.files?.test(file)));
      return { name: language ? `${title} (${language.title})` : title, path };
    });
  return (await Promise.all(found)).sort((a, b) => (a.name < b.name ? -1 : 1));
}
