// npm run coverage: writes docs/coverage.md, from the cells that a test holds.
import { join } from 'node:path';
import { printed, writeFormatted } from './bundled.mjs';
import { ensurePackages, root } from './ensure.mjs';

ensurePackages();
await writeFormatted(
  join(root, 'docs/coverage.md'),
  await printed(
    `import { coverageMarkdown } from './src/core/report/coverage'; console.log(coverageMarkdown());`,
  ),
);
