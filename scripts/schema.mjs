// Writes the JSON Schema of the settings file, made from the schema that checks it.
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
