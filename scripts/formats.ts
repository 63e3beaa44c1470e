/** Writes the JSON Schemas of docs/formats from the schemas the product checks by. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { drillFileJsonSchema, planFileJsonSchema } from '@/core/formats';
import { recordFileJsonSchema } from '@/store';

mkdirSync('docs/formats', { recursive: true });
const schemas = { drills: drillFileJsonSchema(), plan: planFileJsonSchema(), record: recordFileJsonSchema() };
for (const [name, schema] of Object.entries(schemas)) {
  writeFileSync(`docs/formats/${name}.schema.json`, `${JSON.stringify(schema, null, 2)}\n`);
}
