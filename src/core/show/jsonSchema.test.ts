import fs from 'node:fs';
import path from 'node:path';
import { showFileSchema } from './jsonSchema';

it('is written in docs as it is now', () => {
  const file = path.resolve(__dirname, '../../../docs/show-file.schema.json');
  expect(JSON.parse(fs.readFileSync(file, 'utf8'))).toEqual(JSON.parse(JSON.stringify(showFileSchema())));
});
