// Builds the command line, the server and its workers with esbuild, and the web app with Vite, into dist/.
import { cpSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './ensure.mjs';

const { build } = await import('esbuild');
const web = await import('vite');

rmSync(join(root, 'dist'), { recursive: true, force: true });
await build({
  absWorkingDir: root,
  entryPoints: {
    cli: 'src/cli/main.ts',
    'reader-worker': 'src/server/engine/reader-worker.ts',
    'session-worker': 'src/server/engine/session-worker.ts',
    'folder-worker': 'src/editor/folder-worker.ts',
    'pglite-worker': 'src/server/db/pglite-worker.ts',
    bench: 'bench/main.ts',
  },
  outdir: 'dist',
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  packages: 'external',
  // The parser is bundled so that every worker starts from one file.
  alias: { '@babel/parser': join(root, 'node_modules/@babel/parser/lib/index.js') },
  banner: {
    js: "import { createRequire as __cr } from 'node:module'; const require = __cr(import.meta.url);",
  },
  logLevel: 'warning',
});
mkdirSync(join(root, 'dist/migrations'), { recursive: true });
cpSync(join(root, 'src/server/db/migrations'), join(root, 'dist/migrations'), { recursive: true });
await web.build({
  root: join(root, 'src/web'),
  configFile: join(root, 'src/web/vite.config.ts'),
  logLevel: 'warn',
});
writeFileSync(join(root, 'dist/built'), '');
