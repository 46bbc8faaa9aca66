import { withReached, worsened, type Figure } from '../../scripts/lib/house/figures';
import { filesInCircles, importsOf, unusedExports } from '../../scripts/lib/house/imports';
import { casts, functionSizes, nonNullAssertions, titleComments } from '../../scripts/lib/house/size';
import { sourceOf } from '../../scripts/lib/house/sources';

const sources = (files: Record<string, string>) =>
  Object.entries(files).map(([file, text]) => sourceOf(file, text));

it('counts the lines of functions, those inside others too', () => {
  const source = sourceOf(
    'src/a.tsx',
    `export function outer() {
  const inner = () => {
    return 1;
  };
  return { method() { return inner(); }, late: async () => {
    await inner();
  } };
}
class Rail { constructor() {
  } }
`,
  );
  expect(functionSizes(source).map(({ name, lines }) => `${name} ${lines}`)).toEqual([
    'outer 8',
    'inner 3',
    'method 1',
    'late 3',
    'constructor 2',
  ]);
});

it('counts what the compiler is told to take for granted', () => {
  const source = sourceOf(
    'src/a.ts',
    `const a = b!.c![0] as string; const d = ['x'] as const; const e = <number>f; const g = !h; i as unknown as J;`,
  );
  expect(nonNullAssertions(source)).toBe(2);
  expect(casts(source)).toBe(4);
});

it('counts comments that are titles', () => {
  const source = sourceOf(
    'src/a.ts',
    `/** What a rail is. */\n// Where it hangs.\n/**\n * How it hangs.\n * And what of it.\n */\n/** It hangs. */\nconst a = 1; // What?\n`,
  );
  expect(titleComments(source)).toBe(3);
});

it('finds exports that no other file imports, by any way of importing', () => {
  const all = sources({
    'src/a.ts': `export const used = 1; export const own = 2; export interface Shape {}; export type Gone = 1;
export const late = 1; export const lateToo = 1; export const mocked = 1; export default used;`,
    'src/b.ts': `import def, { used as other } from '@/a'; import type { Shape } from './a';
const one = (await import('./a')).late; const { lateToo } = await import('./a');`,
    'src/c.ts': `export const all = 1; export const whole = 2;`,
    'src/d.ts': `export * from './c';`,
    'src/e.ts': `let a: import('./f').Kind;`,
    'src/f.ts': `export type Kind = 1; export function nobody() {} export class Nobody {}`,
    'src/app/page.tsx': `export default function Page() {}`,
  });
  expect(unusedExports(all, importsOf(all)).map(({ name, isType }) => `${name} ${isType}`)).toEqual([
    'own false',
    'Gone true',
    'mocked false',
    'nobody false',
    'Nobody false',
  ]);
});

it('finds the files of circles, and not what leads to one or away from it', () => {
  const all = sources({
    'src/above.ts': `import './one';`,
    'src/one.ts': `import type { two } from './two';`,
    'src/two.ts': `import './three'; import './below';`,
    'src/three.ts': `const one = await import('./one');`,
    'src/below.ts': ``,
    'src/left.ts': `import './right'; import './one';`,
    'src/right.ts': `import './left';`,
  });
  expect(filesInCircles(importsOf(all), () => true)).toEqual([
    'src/left.ts',
    'src/one.ts',
    'src/right.ts',
    'src/three.ts',
    'src/two.ts',
  ]);
  expect(filesInCircles(importsOf(all), (file) => file !== 'src/two.ts')).toEqual([
    'src/left.ts',
    'src/right.ts',
  ]);
});

describe('figures that are kept', () => {
  const figure = (id: string, value: number, better: Figure['better']): Figure => ({
    id,
    words: id,
    value,
    goal: 10,
    better,
    places: [],
  });

  it('say when one got worse, whichever way is better, and when one is new', () => {
    const now = [figure('casts', 21, 'fewer'), figure('share', 24, 'more'), figure('new', 1, 'fewer')];
    expect(worsened(now, { casts: { reached: 20 }, share: { reached: 24.5 } })).toEqual([
      'casts: 21 now, 20 was reached.',
      'share: 24 now, 24.5 was reached.',
      'new: nothing is kept of it in scripts/house.json.',
    ]);
    expect(worsened(now, { casts: { reached: 21 }, share: { reached: 23 }, new: { reached: 1 } })).toEqual(
      [],
    );
  });

  it('keep the reason beside a goal that is missed, until it is met', () => {
    const kept = { casts: { reached: 30, why: 'rows of tables' } };
    expect(withReached([figure('casts', 20, 'fewer')], kept)).toEqual({
      casts: { reached: 20, why: 'rows of tables' },
    });
    expect(withReached([figure('casts', 10, 'fewer')], kept)).toEqual({ casts: { reached: 10 } });
  });
});
