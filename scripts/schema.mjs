// Writes the JSON Schemas of the settings file and of sheets, made from the schemas that check them.
import { join } from 'node:path';
import { printed, writeFormatted } from './bundled.mjs';
import { ensurePackages, root } from './ensure.mjs';

ensurePackages();
await writeFormatted(
  join(root, 'docs/zinc-rope.config.schema.json'),
  await printed(
    `import { configJsonSchema } from './src/api/config'; console.log(JSON.stringify(configJsonSchema(), null, 2));`,
  ),
);
await writeFormatted(
  join(root, 'docs/sheet.schema.json'),
  await printed(
    `import { sheetJsonSchema } from './src/core/readers/sheet/schema'; console.log(JSON.stringify(sheetJsonSchema(), null, 2));`,
  ),
);
