import { fileVersion } from './out';
import { tablesOfClient, tablesOfStudio } from './lists';
import { type Column, tables } from './rows';

/** What could not be read where it lay, kept as its letters. */
const damaged = { type: 'object', required: ['$damaged'], properties: { $damaged: { type: 'string' } } };

const plain: Readonly<Record<Column['kind'], object>> = {
  text: { type: 'string' },
  integer: { type: 'integer' },
  // What was said, as the command by which it was recorded has it.
  json: {},
  uuid: { type: 'string', format: 'uuid' },
};

const rowSchema = (name: string) => {
  const { columns, key } = tables.get(name)!;
  return {
    type: 'object',
    description: `Known to be the same by ${key.join(', ')}.`,
    additionalProperties: false,
    required: columns.map((column) => column.name),
    properties: Object.fromEntries(
      columns.map(({ name: column, kind, required }) => [
        column,
        kind === 'json' ? {} : { anyOf: [plain[kind], damaged, ...(required ? [] : [{ type: 'null' }])] },
      ]),
    ),
  };
};

const tablesSchema = (names: readonly string[]) => ({
  type: 'object',
  additionalProperties: false,
  properties: Object.fromEntries(names.map((name) => [name, { type: 'array', items: rowSchema(name) }])),
});

/** The JSON Schema (2020-12) of a record as it is handed from studio to studio. Written to docs/formats by `npm run formats`. */
export const recordFileJsonSchema = () => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'A record of Kokyu',
  description:
    'clients/<id>.json and studio.json of a ZIP, each a table by its name, each row an object; times are UTC in ISO 8601, days yyyy-mm-dd in the zone named. Pictures lie beside as pictures/<id>.jpg.',
  type: 'object',
  required: ['kokyu', 'version', 'exportedAt', 'studio', 'zone', 'tables'],
  properties: {
    kokyu: { enum: ['client', 'studio'] },
    version: { const: fileVersion },
    exportedAt: { type: 'string', format: 'date-time' },
    studio: { type: 'string' },
    zone: { type: 'string' },
    notice: { type: 'string' },
    tables: {},
  },
  allOf: [
    {
      if: { properties: { kokyu: { const: 'client' } } },
      then: { properties: { tables: tablesSchema(tablesOfClient) } },
      else: { properties: { tables: tablesSchema(tablesOfStudio) } },
    },
  ],
});
