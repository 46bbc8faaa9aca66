import fs from 'node:fs';
import path from 'node:path';
import { readShowText } from '@/core/show/read';
import { registriesPage } from '../../scripts/lib/registriesPage';

const ROOT = path.resolve(__dirname, '../..');
const read = (name: string) => fs.readFileSync(path.join(ROOT, name), 'utf8');
const PAGES = [
  'README.md',
  'CONTRIBUTING.md',
  'CHANGELOG.md',
  ...fs.readdirSync(path.join(ROOT, 'docs')).map((name) => `docs/${name}`),
].filter((name) => name.endsWith('.md'));

it.each(PAGES)('%s names files and folders that exist', (page) => {
  const names = [...read(page).matchAll(/`((?:src|tests|bench|scripts|docs|demo)\/[^\s`]*)`/g)].map(
    ([, name]) => name!,
  );
  // A capital word stands for a name that somebody is to choose.
  const missing = names.filter(
    (name) => !/\/[A-Z]{4,}\./.test(name) && !fs.existsSync(path.join(ROOT, name)),
  );
  expect(missing).toEqual([]);
});

it.each(PAGES)('%s leads to pages and pictures that exist', (page) => {
  const links = [...read(page).matchAll(/\]\(([^)#]+)\)/g)]
    .map(([, link]) => link!)
    .filter((link) => !link.startsWith('http'));
  expect(links.filter((link) => !fs.existsSync(path.join(ROOT, path.dirname(page), link)))).toEqual([]);
});

it.each(PAGES)('%s has lines of at most 160 characters', (page) => {
  const long = read(page)
    .split('\n')
    .filter((line) => line.length > 160 && !line.startsWith('|') && !line.startsWith('!['));
  expect(long).toEqual([]);
});

it.each(PAGES)('%s names commands that exist', (page) => {
  const { scripts } = JSON.parse(read('package.json')) as { scripts: Record<string, string> };
  const commands = [...read(page).matchAll(/npm run ([\w:-]+)/g)].map(([, name]) => name!);
  expect(commands.filter((name) => !(name in scripts))).toEqual([]);
});

it('lists what exists as it is now', () => {
  // Prettier lines up the columns of tables.
  const plain = (text: string) =>
    text
      .replace(/ *\| */g, '|')
      .replace(/-{3,}/g, '---')
      .trim();
  const now = registriesPage(readShowText(read('demo/marrow-quay.show.json')));
  expect(plain(read('docs/registries.md'))).toBe(plain(now));
});

it('has a place for the tables of every bench', () => {
  const names = [...read('bench/benches.ts').matchAll(/^ {2}'(\w+)',$/gm)].map(([, name]) => name!);
  const places = [...read('docs/speed.md').matchAll(/<!-- table ([\w-]+) -->/g)].map(([, name]) => name!);
  const tables = names.flatMap((name) =>
    [...read(`bench/${name}.ts`).matchAll(/\btable\(\s*'([\w-]+)'/g)].map(([, table]) => table!),
  );
  expect(names.length).toBeGreaterThan(10);
  expect(places.toSorted()).toEqual([...tables, 'verify'].toSorted());
});

it('registers every part that adding.md names as a registry', () => {
  const registries = [...read('docs/adding.md').matchAll(/`(src\/[^`]*registry\.ts)`/g)].map(
    ([, name]) => name!,
  );
  expect(registries.length).toBeGreaterThanOrEqual(8);
  for (const name of registries) expect(read(name)).toMatch(/^export /m);
});

it('speaks of the version of the show file as it is', () => {
  const version = /SHOW_VERSION = (\d+)/.exec(read('src/core/show/schema.ts'))![1]!;
  expect(read('docs/show-file.md')).toContain(`# The show file, version ${version}\n`);
  expect(read('CHANGELOG.md')).toMatch(new RegExp(`how file version ${version}\\b`));
});
