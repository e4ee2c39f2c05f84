// npm run bench [-- NAME]: builds what is missing and runs the benchmarks.
import { ensureBuild, ensurePackages } from './ensure.mjs';

ensurePackages();
ensureBuild();
await import('../dist/bench.js');
