// The figures that tell how well the code is kept, each with its goal.
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { filesInCircles, importsOf, unusedExports } from './imports';
import { casts, functionSizes, nonNullAssertions, titleComments } from './size';
import { isTest, type Source } from './sources';

/** One figure: what is counted, how it came out, and where it stands. */
export interface Figure {
  /** Its name in the list of what is kept. */
  id: string;
  words: string;
  value: number;
  goal: number;
  /** Which way is better. */
  better: 'fewer' | 'more';
  /** The first of what is counted, for who wants to change it: a place and what is there. */
  places: readonly string[];
}

const LONG_FUNCTION_LINES = 60;
const VERY_LONG_FUNCTION_LINES = 150;
const LONG_FILE_LINES = 400;

const sumOf = (sources: readonly Source[], count: (source: Source) => number) =>
  sources.reduce((sum, source) => sum + count(source), 0);

/** Files with most of something, most first. */
function most(sources: readonly Source[], count: (source: Source) => number): string[] {
  return sources
    .map((source) => [source.file, count(source)] as const)
    .filter(([, found]) => found > 0)
    .sort((a, b) => b[1] - a[1])
    .map(([file, found]) => `${found} in ${file}`);
}

/** Measures the code of the project; style sheets are in none of the figures. */
export function houseFigures(all: readonly Source[]): Figure[] {
  const code = all.filter(({ file }) => !isTest(file));
  const src = code.filter(({ file }) => file.startsWith('src/'));
  const long = code
    .flatMap(functionSizes)
    .filter(({ lines }) => lines > LONG_FUNCTION_LINES)
    .sort((a, b) => b.lines - a.lines);
  const placesOf = (list: typeof long) =>
    list.map(({ file, name, lines }) => `${lines} lines: ${name} in ${file}`);
  const longFiles = all.filter(({ lines }) => lines > LONG_FILE_LINES).sort((a, b) => b.lines - a.lines);
  const veryLong = long.filter(({ lines }) => lines > VERY_LONG_FUNCTION_LINES);
  const imports = importsOf(all);
  const unused = unusedExports(all, imports);
  const circles = filesInCircles(imports, (file) => file.startsWith('src/') && !isTest(file));
  const lines = sumOf(all, (source) => source.lines);
  const testLines = sumOf(
    all.filter(({ file }) => isTest(file)),
    (source) => source.lines,
  );
  return [
    {
      id: 'longFunctions',
      words: `functions over ${LONG_FUNCTION_LINES} lines`,
      value: long.length,
      goal: 80,
      better: 'fewer',
      places: placesOf(long),
    },
    {
      id: 'veryLongFunctions',
      words: `functions over ${VERY_LONG_FUNCTION_LINES} lines`,
      value: veryLong.length,
      goal: 0,
      better: 'fewer',
      places: placesOf(veryLong),
    },
    {
      id: 'longFiles',
      words: `files over ${LONG_FILE_LINES} lines`,
      value: longFiles.length,
      goal: 0,
      better: 'fewer',
      places: longFiles.map((source) => `${source.lines} lines: ${source.file}`),
    },
    {
      id: 'nonNullAssertions',
      words: 'non-null assertions in src, tests aside',
      value: sumOf(src, nonNullAssertions),
      goal: 700,
      better: 'fewer',
      places: most(src, nonNullAssertions),
    },
    {
      id: 'casts',
      words: 'casts in src but as const, tests aside',
      value: sumOf(src, casts),
      goal: 200,
      better: 'fewer',
      places: most(src, casts),
    },
    {
      id: 'unusedValues',
      words: 'exported values that no other file uses',
      value: unused.filter(({ isType }) => !isType).length,
      goal: 0,
      better: 'fewer',
      places: unused.filter(({ isType }) => !isType).map(({ file, name }) => `${name} in ${file}`),
    },
    {
      id: 'unusedTypes',
      words: 'exported types that no other file uses',
      value: unused.filter(({ isType }) => isType).length,
      goal: 0,
      better: 'fewer',
      places: unused.filter(({ isType }) => isType).map(({ file, name }) => `${name} in ${file}`),
    },
    {
      id: 'filesInCircles',
      words: 'files of src that import one another in a circle',
      value: circles.length,
      goal: 0,
      better: 'fewer',
      places: circles,
    },
    {
      id: 'titleComments',
      words: 'comments that begin with What, Who, Where, Of or How',
      value: sumOf(code, titleComments),
      goal: 0,
      better: 'fewer',
      places: most(code, titleComments),
    },
    {
      id: 'testShare',
      words: 'tests, percent of all lines of code',
      value: Math.round((1000 * testLines) / lines) / 10,
      goal: 27,
      better: 'more',
      places: [],
    },
  ];
}

/** The figures reached so far, by id, and why a goal is missed. */
export type Kept = Readonly<Record<string, { reached: number; why?: string }>>;

/** Reads what was reached. */
export function readKept(root: string): Kept {
  return JSON.parse(readFileSync(path.join(root, 'scripts/house.json'), 'utf8')) as Kept;
}

/** Whether a figure is worse than another one of it. */
export function isWorse({ better }: Pick<Figure, 'better'>, value: number, than: number): boolean {
  return better === 'fewer' ? value > than : value < than;
}

/** One sentence for each figure that is worse than what was reached, or of which nothing is kept. */
export function worsened(figures: readonly Figure[], kept: Kept): string[] {
  return figures.flatMap((figure) => {
    const reached = kept[figure.id]?.reached;
    if (reached === undefined) return [`${figure.words}: nothing is kept of it in scripts/house.json.`];
    return isWorse(figure, figure.value, reached)
      ? [`${figure.words}: ${figure.value} now, ${reached} was reached.`]
      : [];
  });
}

/** The figures to keep from now on: none gets worse. */
export function withReached(figures: readonly Figure[], kept: Kept): Kept {
  return Object.fromEntries(
    figures.map((figure) => {
      const { why } = kept[figure.id] ?? {};
      const isShort = isWorse(figure, figure.value, figure.goal);
      return [figure.id, { reached: figure.value, ...(why && isShort && { why }) }];
    }),
  );
}
