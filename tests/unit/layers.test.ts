import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../..');

const BARRED = [
  'react',
  'node:fs',
  'better-sqlite3',
  '@mantine/core',
  'immer',
  '@/server/database',
  'zod/../react',
];

/** Imports that are refused, with the file and the rules; all are linted in one go. */
const PIECES: readonly [what: string, file: string, imports: readonly string[], rules: readonly string[]][] =
  [
    [
      'React, Node, the database and the interface in the core',
      'src/core/plan/plan.ts',
      BARRED,
      [...BARRED.map(() => 'no-restricted-imports'), 'boundaries/dependencies'],
    ],
    [
      'a relative path out of the core',
      'src/core/plan/plan.ts',
      ['../../server/database'],
      ['boundaries/dependencies'],
    ],
    [
      'the server in the interface',
      'src/features/show/other.ts',
      ['@/server/database'],
      ['boundaries/dependencies'],
    ],
    [
      'the interface in the server',
      'src/server/other.ts',
      ['@/core/plan/plan', '@/ui/theme/theme'],
      ['boundaries/dependencies'],
    ],
    [
      'what leads upwards inside the core',
      'src/core/show/edits/other.ts',
      ['../../plan/plan', '../../devices/found', '../../catalogue/controller'],
      ['no-restricted-imports', 'no-restricted-imports'],
    ],
    [
      'a folder beside the ground of the core',
      'src/core/units/other.ts',
      ['../fields/fields'],
      ['no-restricted-imports'],
    ],
    [
      'what leads upwards, or to the side, inside the interface',
      'src/features/view/other.ts',
      ['../patch/words', '../show/store', '../stages/registry', '../shell/settings'],
      ['no-restricted-imports', 'no-restricted-imports', 'no-restricted-imports'],
    ],
    [
      'one stage in another',
      'src/features/patch/other.tsx',
      ['../power/PowerPanel', '../sheets/SheetFrame'],
      ['no-restricted-imports'],
    ],
    ['nothing of the core itself and zod', 'src/core/plan/other.ts', ['zod', '../threading/split'], []],
  ];

describe('the direction of imports', () => {
  let broken: string[][] = [];
  beforeAll(() => {
    const code = PIECES.map(([, file, imports]) => [
      file,
      imports.map((name) => `import '${name}';\n`).join(''),
    ]);
    const { stdout } = spawnSync(process.execPath, ['tests/unit/lintTexts.mjs'], {
      cwd: ROOT,
      input: JSON.stringify(code),
      encoding: 'utf8',
    });
    broken = JSON.parse(stdout) as string[][];
  });

  it.each(PIECES.map(([what, , , rules], at) => [what, at, rules] as const))('refuses %s', (_, at, rules) => {
    expect(broken[at]!.toSorted()).toEqual(rules.toSorted());
  });

  it('gives every folder of the interface its place', () => {
    const order = fs.readFileSync(path.join(ROOT, 'eslint.config.mjs'), 'utf8');
    const features = order.slice(order.indexOf('FEATURE_ORDER'));
    const folders = fs
      .readdirSync(path.join(ROOT, 'src/features'), { withFileTypes: true })
      .flatMap((each) => (each.isDirectory() ? [each.name] : []));
    expect(folders.filter((folder) => !features.includes(`'${folder}'`))).toEqual([]);
  });

  it('gives every folder of the core its place, and leaves no circle of files', () => {
    const core = path.join(ROOT, 'src/core');
    const files = fs
      .readdirSync(core, { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'));
    const order = fs.readFileSync(path.join(ROOT, 'eslint.config.mjs'), 'utf8');
    const folders = new Set(files.map((file) => file.split(path.sep)[0]!));
    for (const folder of folders) expect(order).toContain(`'${folder}'`);

    const importsOf = new Map(
      files.map((file) => {
        const code = fs.readFileSync(path.join(core, file), 'utf8');
        const from = [...code.matchAll(/from '(\.[^']+)'/g)].map(([, to]) =>
          path.normalize(path.join(path.dirname(file), `${to}.ts`)),
        );
        return [file, from] as const;
      }),
    );
    expect([...importsOf.values()].flat().filter((file) => !importsOf.has(file))).toEqual([]);
    // Files that import only what was taken away already are taken away, until none is left.
    const left = new Map(importsOf);
    for (let before = -1; before !== left.size;) {
      before = left.size;
      for (const [file, from] of left) if (from.every((each) => !left.has(each))) left.delete(file);
    }
    expect([...left.keys()]).toEqual([]);
  });
});
