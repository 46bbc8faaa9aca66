import { spawnSync } from 'node:child_process';
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

  it('lets the core use itself and zod', () => {
    const code =
      "import { z } from 'zod';\nimport { splitEvenly } from '../threading/split';\nexport const both = [z, splitEvenly];\n";
    expect(rulesBroken('src/core/plan/other.ts', code)).toEqual([]);
  });
});
