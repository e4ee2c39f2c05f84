// Writes the JSON Schema of the settings file, made from the schema that checks it.
import { execFileSync } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, root } from './ensure.mjs';

ensurePackages();
const { build } = await import('esbuild');
const made = await build({
  absWorkingDir: root,
  stdin: {
    contents: `import { configJsonSchema } from './src/api/config'; console.log(JSON.stringify(configJsonSchema(), null, 2));`,
    resolveDir: root,
    loader: 'ts',
  },
  bundle: true,
  write: false,
  format: 'esm',
  platform: 'node',
});
const module = join(root, 'dist/schema.mjs');
mkdirSync(join(root, 'dist'), { recursive: true });
writeFileSync(module, made.outputFiles[0].text);
const target = join(root, 'docs/zinc-rope.config.schema.json');
const { format, resolveConfig } = await import('prettier');
writeFileSync(
  target,
  await format(execFileSync(process.execPath, [module], { encoding: 'utf8' }), {
    ...(await resolveConfig(target)),
    filepath: target,
  }),
);
rmSync(module);
