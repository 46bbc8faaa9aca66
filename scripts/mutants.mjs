// A measure of the tests: small changes are put into a folder of the core, one at a time, and its tests are run on each.
//   npm run mutants -- protocols      one folder; with more names, or `--changed`, only what git says is changed
//   npm run mutants -- protocols -v   and each change that no test noticed
//   npm run mutants -- rig --every 6  every sixth file of it: a large folder takes hours
// The table is written into docs/mutants.md.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Stryker } from '@stryker-mutator/core';
import { ROOT, fail } from './lib/project.mjs';
import { mutantLine, withMutantLine } from './lib/mutantsPage.ts';

/** The share that is to be noticed, in percent, by folder of the core. */
const GOALS = {
  addressing: 85,
  protocols: 85,
  devices: 75,
  rig: 75,
  answers: 75,
  power: 75,
  checks: 75,
};
/** Tests of other folders that try a folder as a whole. */
const ALSO = {
  addressing: ['src/core/plan/plan.test.ts', 'src/core/answers/lookup.test.ts'],
  protocols: ['src/core/rig/everyProtocol.test.ts', 'src/core/rig/packets.test.ts'],
  devices: ['src/core/rig/everySetting.test.ts'],
};

const asked = process.argv.slice(2);
const isChangedOnly = asked.includes('--changed');
const isTold = asked.includes('-v');
const everyAt = asked.indexOf('--every');
const every = everyAt === -1 ? 1 : Number(asked[everyAt + 1]);
if (!Number.isInteger(every) || every < 1) fail('--every takes a whole number: 6 tries every sixth file.');
const named = asked.filter((each) => each in GOALS);
const unknown = asked.filter(
  (each, i) => !each.startsWith('-') && !(each in GOALS) && !(everyAt !== -1 && i === everyAt + 1),
);
if (unknown.length > 0)
  fail(`There is no folder ${unknown.join(', ')} with a goal. Folders: ${Object.keys(GOALS).join(', ')}.`);
const folders = named.length > 0 ? named : isChangedOnly ? Object.keys(GOALS) : [];
if (folders.length === 0) fail(`Name a folder: ${Object.keys(GOALS).join(', ')}.`);

for (const folder of folders) {
  const files = filesOf(folder);
  const mutate = files.filter((_, i) => i % every === 0);
  if (mutate.length === 0) continue;
  const began = performance.now();
  const results = await new Stryker(options(folder, mutate)).runMutationTest();
  const line = mutantLine(
    folder,
    every === 1 ? 'all' : `${mutate.length} of ${files.length}`,
    results,
    GOALS[folder],
    (performance.now() - began) / 60_000,
  );
  console.log(line.row);
  if (isTold) for (const each of line.unnoticed) console.log(`  ${each}`);
  // Only a whole folder stands in the docs.
  if (isChangedOnly) continue;
  const page = path.join(ROOT, 'docs/mutants.md');
  fs.writeFileSync(page, withMutantLine(fs.readFileSync(page, 'utf8'), folder, line.row));
}

/** The code of a folder, tests aside; only what is changed where that is asked for. */
function filesOf(folder) {
  const base = `src/core/${folder}`;
  const list = isChangedOnly
    ? execFileSync('git', ['diff', '--name-only', 'HEAD', '--', base], { cwd: ROOT, encoding: 'utf8' })
    : execFileSync('git', ['ls-files', '--', base], { cwd: ROOT, encoding: 'utf8' });
  return list.split('\n').filter((file) => /\.ts$/.test(file) && !/\.test\.ts$/.test(file));
}

function options(folder, mutate) {
  process.env.FEW_RUNS = '1';
  process.env.PROPERTY_SEED ??= '1';
  process.env.MUTANT_TESTS = [`src/core/${folder}/**/*.test.ts`, ...(ALSO[folder] ?? [])].join(',');
  return {
    mutate,
    // Words are looked at by people; what tests say of them would be the same words again.
    mutator: { excludedMutations: ['StringLiteral'] },
    testRunner: 'jest',
    plugins: ['@stryker-mutator/jest-runner'],
    jest: { projectType: 'custom', configFile: 'jest.mutants.config.mjs', enableFindRelatedTests: false },
    coverageAnalysis: 'perTest',
    // A value that is worked out once, when its file is loaded, takes all tests again for each change.
    ignoreStatic: true,
    concurrency: 2,
    checkers: [],
    reporters: ['json'],
    jsonReporter: { fileName: path.join(os.tmpdir(), 'rapid-lantern-mutants.json') },
    disableTypeChecks: false,
    ignorePatterns: ['docs', 'test-results', '.next', 'bench', 'data'],
    tempDirName: '.stryker-tmp',
    cleanTempDir: 'always',
    logLevel: 'warn',
    allowConsoleColors: false,
    allowEmpty: true,
  };
}
