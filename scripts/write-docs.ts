// Writes what is generated in docs/: the JSON Schema of the show file.
import fs from 'node:fs';
import path from 'node:path';
import { showFileSchema } from '../src/core/show/jsonSchema';

const file = path.resolve(__dirname, '../docs/show-file.schema.json');
fs.writeFileSync(file, `${JSON.stringify(showFileSchema(), null, 2)}\n`);
