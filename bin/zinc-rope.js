#!/usr/bin/env node
import { existsSync } from 'node:fs';

// In a clone that was never started there is no build yet.
if (!existsSync(new URL('../dist/cli.js', import.meta.url))) {
  const { ensureBuild, ensurePackages } = await import('../scripts/ensure.mjs');
  ensurePackages();
  ensureBuild();
}
await import('../dist/cli.js');
