import fs from 'node:fs';
import path from 'node:path';
import { zonesSchema } from '../reports/screenZones';
import { showFileSchema } from './jsonSchema';

it.each([
  ['show-file', showFileSchema],
  ['zones', zonesSchema],
])('is written in docs as it is now: %s', (name, schema) => {
  const file = path.resolve(__dirname, `../../../docs/${name}.schema.json`);
  expect(JSON.parse(fs.readFileSync(file, 'utf8'))).toEqual(JSON.parse(JSON.stringify(schema())));
});
