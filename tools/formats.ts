import { jsonSchemas } from '@calm/contract/schemas';
import { mkdirSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format } from 'prettier';

/* npm run formats: writes the published JSON Schemas into docs/formats/. */
const folder = fileURLToPath(new URL('../docs/formats/', import.meta.url));
mkdirSync(folder, { recursive: true });
for (const [command, schema] of Object.entries(jsonSchemas())) {
  const text = await format(JSON.stringify(schema), { parser: 'json', printWidth: 100 });
  writeFileSync(`${folder}${command}.schema.json`, text);
}
