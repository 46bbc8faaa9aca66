import { loadedWith } from './importGraph';

/** Files loaded with the page of a show, before anything of a stage, a sheet or a dialog is fetched. */
const loaded = loadedWith(['src/app/layout.tsx', 'src/features/shell/ShowApp.tsx']);

/** The way a file came in: the file, what imports it, and so on up to the page. */
const wayOf = (file: string): string[] => {
  const by = loaded.get(file);
  return by ? [file, ...wayOf(by)] : [file];
};

/** Folders of the core that the page needs at once: a show is read, edited, and looked up in. All else is worked out in threads. */
const FOLDERS = [
  'units',
  'fields',
  'stages',
  'colours',
  'figures',
  'geometry',
  'catalogue',
  'protocols',
  'threading',
  'props',
  'panels',
  'screens',
  'show',
  'addressing',
  'plan',
  'devices',
  'answers',
];
/** Single files of folders that do not come along as a whole. */
const FILES = ['src/core/checks/rank.ts', 'src/core/reports/totals.ts'];

it('holds no more of the core than the page needs at once', () => {
  const more = [...loaded.keys()].filter((file) => {
    const folder = /^src\/core\/([^/]+)\//.exec(file)?.[1];
    return folder !== undefined && !FOLDERS.includes(folder) && !FILES.includes(file);
  });
  expect(more.map((file) => wayOf(file).join(' < '))).toEqual([]);
});

it('holds everything that it is allowed to hold', () => {
  const files = [...loaded.keys()];
  expect(FOLDERS.filter((folder) => !files.some((file) => file.startsWith(`src/core/${folder}/`)))).toEqual(
    [],
  );
  expect(FILES.filter((file) => !loaded.has(file))).toEqual([]);
});

it('never plans: what lays out channels is in the thread alone', () => {
  const planning = ['src/core/plan/plan.ts', 'src/core/addressing/layout.ts'];
  expect(planning.filter((file) => loaded.has(file)).map((file) => wayOf(file).join(' < '))).toEqual([]);
});

it('holds no part of a stage but its descriptor', () => {
  const stages = /^src\/features\/(build|route|patch|power|testing|print|log|phone|practice)\/parts\.tsx$/;
  expect([...loaded.keys()].filter((file) => stages.test(file))).toEqual([]);
});
