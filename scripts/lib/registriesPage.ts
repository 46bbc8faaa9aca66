// Everything that exists today, by registry: stages, kinds of props, classes of controllers, protocols, settings, checks, faults, patterns, papers.
import fs from 'node:fs';
import path from 'node:path';
import { CONTROLLER_CLASSES } from '../../src/core/catalogue/controllers/registry';
import { CHECKS } from '../../src/core/checks/registry';
import { DEVICE_SETTINGS, PORT_SETTINGS } from '../../src/core/devices/settings/registry';
import { PROTOCOLS } from '../../src/core/protocols/registry';
import { sheetsOf } from '../../src/core/papers/sheets';
import { PATTERNS } from '../../src/core/patterns/registry';
import { planShow } from '../../src/core/plan/plan';
import { PROP_KINDS } from '../../src/core/props/registry';
import { FAULT_KINDS } from '../../src/core/rig/faults/registry';
import { NO_FACTS } from '../../src/core/show/facts';
import type { Show } from '../../src/core/show/schema';
import { STAGES } from '../../src/core/stages/stages';

const ROOT = path.resolve(__dirname, '../..');

/** The folder of a stage, as the registry of the interface fetches it. */
function folderOf(stage: string): string {
  const code = fs.readFileSync(path.join(ROOT, 'src/features/stages/registry.ts'), 'utf8');
  return `\`src/features/${new RegExp(`  ${stage}: .*'\\.\\./([a-z]+)/parts'`).exec(code)![1]}\``;
}

/** The file of a folder in which something is written; the folder where it is in none. */
function fileWith(folder: string, ...texts: string[]): string {
  const files = fs
    .readdirSync(path.join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.|registry/.test(file))
    .sort();
  const found = files.find((file) => {
    const code = fs.readFileSync(path.join(ROOT, folder, file), 'utf8');
    return texts.some((text) => code.includes(text));
  });
  return `\`${found ? path.join(folder, found) : folder}\``;
}

/** Read from the code: its parts draw, and are not loaded for a list. */
function phonePages(): string[][] {
  const code = fs.readFileSync(path.join(ROOT, 'src/features/phone/registry.ts'), 'utf8');
  return [...code.matchAll(/\{ id: '([^']+)', label: '([^']+)', about: '([^']+)'/g)].map(
    ([, ...cells]) => cells,
  );
}

function section(
  title: string,
  registry: string,
  heads: readonly string[],
  rows: readonly (readonly string[])[],
) {
  const line = (cells: readonly string[]) =>
    `| ${cells.map((cell) => cell.replaceAll('|', '\\|')).join(' | ')} |`;
  return [
    `## ${title}`,
    `Listed in \`${registry}\`.`,
    [line(heads), line(heads.map(() => '---')), ...rows.map(line)].join('\n'),
  ].join('\n\n');
}

/** The page as a whole. @param show of which the papers are listed, a line for each family of them */
export function registriesPage(show: Show): string {
  const asked = { origin: 'http://127.0.0.1', showId: 'show' };
  const papers = new Map<string, { name: string; group: string }>();
  for (const { id, name, group } of sheetsOf(planShow(show), NO_FACTS, asked)) {
    const family = id.split('.')[0]!;
    if (!papers.has(family)) papers.set(family, { name, group });
  }
  return [
    '# What exists, and where',
    'Written by `npm run docs` from the registries of the code. How to add to each: [adding.md](adding.md).',
    section(
      'Stages',
      'src/core/stages/stages.ts',
      ['id', 'name', 'purpose', 'where'],
      STAGES.map(({ id, label, purpose }) => [id, label, purpose, folderOf(id)]),
    ),
    section('Pages for the phone', 'src/features/phone/registry.ts', ['id', 'name', 'about'], phonePages()),
    section(
      'Kinds of props',
      'src/core/props/registry.ts',
      ['kind', 'name', 'for', 'where'],
      PROP_KINDS.map(({ kind, label, hint }) => [
        kind,
        label,
        hint,
        fileWith('src/core/props', `kind: '${kind}',`),
      ]),
    ),
    section(
      'Classes of controllers',
      'src/core/catalogue/controllers/registry.ts',
      ['id', 'name', 'where'],
      CONTROLLER_CLASSES.map(({ id, label }) => [
        id,
        label,
        fileWith('src/core/catalogue/controllers', `id: '${id}'`),
      ]),
    ),
    section(
      'Protocols',
      'src/core/protocols/registry.ts',
      ['id', 'name', 'port', 'counts', 'where'],
      PROTOCOLS.map(({ id, name, port, counts }) => [
        id,
        name,
        String(port),
        counts.kind,
        fileWith('src/core/protocols', `id: '${id}'`),
      ]),
    ),
    section(
      'Settings of a device',
      'src/core/devices/settings/registry.ts',
      ['field', 'name', 'meaning', 'kept by the device'],
      [...DEVICE_SETTINGS, ...PORT_SETTINGS].map(({ field, words, meaning, isKept }) => [
        field,
        words,
        meaning,
        isKept ? 'yes' : '',
      ]),
    ),
    section(
      'Checks',
      'src/core/checks/registry.ts',
      ['id', 'looks for', 'where'],
      CHECKS.map(({ id, meaning }) => [id, meaning, fileWith('src/core/checks', `'${id}',`)]),
    ),
    section(
      'Faults',
      'src/core/rig/faults/registry.ts',
      ['kind', 'name', 'layer', 'where'],
      FAULT_KINDS.map(({ kind, name, layer }) => [
        kind,
        name,
        layer,
        fileWith('src/core/rig/faults', `'${kind}'`),
      ]),
    ),
    section(
      'Patterns',
      'src/core/patterns/registry.ts',
      ['id', 'name'],
      PATTERNS.map(({ id, name }) => [id, name]),
    ),
    section(
      'Papers',
      'src/core/papers/sheets.ts',
      ['family', 'for example', 'group', 'where'],
      [...papers].map(([family, { name, group }]) => [
        family,
        name,
        group,
        fileWith('src/core/papers/sheets', `'${family}'`, `\`${family}.`, `'${family}.`),
      ]),
    ),
    '',
  ].join('\n\n');
}
