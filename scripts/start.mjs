// npm start [-- PATH]: installs and builds what is missing, then serves PATH, or the demo.
import { ensureBuild, ensurePackages, root } from './ensure.mjs';
import { join } from 'node:path';

const args = process.argv.slice(2);
ensurePackages();
ensureBuild();
const serve = args.some((arg) => !arg.startsWith('-')) ? args : [join(root, 'demo/console'), ...args];
process.argv.splice(2, Infinity, 'serve', ...serve);
await import('../dist/cli.js');
