// Writes what is generated in docs/: the JSON Schemas of the show file and of zones, which patterns show which faults, what exists.
import fs from 'node:fs';
import path from 'node:path';
import { showFileSchema } from '../src/core/show/jsonSchema';
import { readShowText } from '../src/core/show/read';
import { zonesSchema } from '../src/core/reports/screenZones';
import { faultTable } from './lib/faultTable';
import { registriesPage } from './lib/registriesPage';

const inRoot = (name: string) => path.resolve(__dirname, '..', name);

fs.writeFileSync(inRoot('docs/show-file.schema.json'), `${JSON.stringify(showFileSchema(), null, 2)}\n`);
fs.writeFileSync(inRoot('docs/zones.schema.json'), `${JSON.stringify(zonesSchema(), null, 2)}\n`);

const demo = readShowText(fs.readFileSync(inRoot('demo/marrow-quay.show.json'), 'utf8'));
fs.writeFileSync(
  inRoot('docs/faults.md'),
  `# Faults and what shows them

Worked out on the demo show by \`npm run docs\`. A dot says that at one place at least the pattern lights differently from the plan.
A device’s own fill, or a look, shows what no pattern does.

${faultTable(demo)}
`,
);
fs.writeFileSync(inRoot('docs/registries.md'), registriesPage(demo));
