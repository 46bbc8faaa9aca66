import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../..');

/** Lints a piece of code as if it stood in a file of the project, and gives the rules that refuse it. */
function rulesBroken(filePath: string, code: string): string[] {
  const { stdout } = spawnSync(
    process.execPath,
    ['node_modules/eslint/bin/eslint.js', '--stdin', '--stdin-filename', filePath, '--format', 'json'],
    { cwd: ROOT, input: code, encoding: 'utf8' },
  );
  const [result] = JSON.parse(stdout) as [{ messages: { ruleId: string | null; message: string }[] }];
  return result.messages.map((message) => message.ruleId ?? message.message);
}

// Each start of the linter takes some seconds.
jest.setTimeout(120_000);

describe('the direction of imports', () => {
  it('refuses React, Node, the database and the interface in the core', () => {
    const bad = [
      'react',
      'node:fs',
      'better-sqlite3',
      '@mantine/core',
      'immer',
      '@/server/database',
      'zod/../react',
    ];
    const code = bad.map((name) => `import '${name}';\n`).join('');
    const broken = rulesBroken('src/core/plan/plan.ts', code);
    expect(broken.filter((rule) => rule === 'no-restricted-imports')).toHaveLength(bad.length);
  });

  it('refuses a relative path out of the core', () => {
    expect(rulesBroken('src/core/plan/plan.ts', "import '../../server/database';\n")).toContain(
      'boundaries/dependencies',
    );
  });

  it('refuses the server in the interface, and the interface in the server', () => {
    expect(rulesBroken('src/features/show/other.ts', "import '@/server/database';\n")).toContain(
      'boundaries/dependencies',
    );
    expect(
      rulesBroken('src/server/other.ts', "import '@/core/plan/plan';\nimport '@/ui/theme/theme';\n"),
    ).toEqual(['boundaries/dependencies']);
  });

  it('refuses what leads upwards inside the core', () => {
    const broken = rulesBroken(
      'src/core/show/edits/other.ts',
      "import '../../plan/plan';\nimport '../../devices/found';\nimport '../../catalogue/controller';\n",
    );
    expect(broken).toEqual(['no-restricted-imports', 'no-restricted-imports']);
    expect(rulesBroken('src/core/units/other.ts', "import '../fields/fields';\n")).toEqual([
      'no-restricted-imports',
    ]);
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

  it('lets the core use itself and zod', () => {
    const code =
      "import { z } from 'zod';\nimport { splitEvenly } from '../threading/split';\nexport const both = [z, splitEvenly];\n";
    expect(rulesBroken('src/core/plan/other.ts', code)).toEqual([]);
  });
});
