import { jsonSchemas, openApiDocument } from '@calm/contract/schemas';
import { archiveSchema } from '@calm/server';
import { mkdirSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format } from 'prettier';
import { answerSchemas } from './answerSchemas';

/* npm run formats: writes the published JSON Schemas into docs/formats/ and the API's description. */
const docs = fileURLToPath(new URL('../docs/', import.meta.url));

async function write(file: string, document: object): Promise<void> {
  const text = await format(JSON.stringify(document), { parser: 'json', printWidth: 100 });
  writeFileSync(`${docs}${file}`, text);
}

mkdirSync(`${docs}formats`, { recursive: true });
for (const [command, schema] of Object.entries(jsonSchemas())) {
  await write(`formats/${command}.schema.json`, schema);
}
await write('formats/archive.schema.json', archiveSchema());
await write('openapi.json', openApiDocument(answerSchemas()));
