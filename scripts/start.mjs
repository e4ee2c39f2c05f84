// npm start [-- PATH]: installs and builds what is missing, then serves PATH, or the demo.
import { ensureBuild, ensurePackages, root } from './ensure.mjs';
import { join } from 'node:path';

const args = process.argv.slice(2);
ensurePackages();
ensureBuild();
// The word after an option with a value is no path.
const named = args.some((arg, at) => !arg.startsWith('-') && !/^--(port|data)$/.test(args[at - 1] ?? ''));
const serve = named ? args : [join(root, 'demo/console'), ...args];
process.argv.splice(2, Infinity, 'serve', ...serve);
await import('../dist/cli.js');
