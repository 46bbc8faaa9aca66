// Everything that must hold, on a fresh clone: types, lint, format, unit tests, production build, benches, end-to-end tests against it.
//   npm run verify        heavy properties at a fifth of their runs, end-to-end tests but those that are tagged @full, lint without
//                         React's compiler rules
//   npm run verify:full   all runs, all tests, all rules
// With `-- --write` the time of each step goes into docs/speed.md.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import {
  ROOT,
  aptInstall,
  build,
  collectNode,
  compileDatabase,
  needNode20,
  runNode,
  unpack,
} from './lib/project.mjs';
import { countJest, countPlaywright, slowestOfJest, slowestOfPlaywright } from './lib/reports.mjs';
import { withTable } from './lib/speedPage.mjs';

/** So many of the slowest tests and files are named. */
const MOST_NAMED = 10;

needNode20();
const isFull = process.argv.includes('--full');
const env = isFull ? { ALL_RUNS: '1' } : {};
const reports = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-'));
const totals = { passed: 0, failed: 0 };
const broken = [];
const times = [];
const slowest = [];

await timed('packages', unpack);
needChromium();
wantTools();
await sideBySide([
  // The compiler of the database keeps one core busy, and none of the others needs it.
  ['database', compileDatabase],
  ['house', () => collectNode('node_modules/tsx/dist/cli.mjs', ['scripts/house.ts'])],
  ['types', types],
  [
    'lint',
    () =>
      collectNode(
        'node_modules/eslint/bin/eslint.js',
        ['.', '--max-warnings', '0'],
        isFull ? {} : { LINT_WITHOUT_COMPILER: '1' },
      ),
  ],
  [
    'format',
    () => collectNode('node_modules/prettier/bin/prettier.cjs', ['--check', '--log-level', 'warn', '.']),
  ],
]);
const unitReport = path.join(reports, 'unit.json');
await steps([
  // Building leaves one core idle for half of its time.
  ['production build', build],
  [
    'unit tests',
    () => runNode('node_modules/jest/bin/jest.js', ['--ci', '--json', `--outputFile=${unitReport}`], { env }),
  ],
]);
countTests('unit tests', unitReport, countJest, slowestOfJest);
if (!broken.includes('production build')) {
  const report = path.join(reports, 'e2e.json');
  await steps([
    ['benches, small', () => runNode('node_modules/tsx/dist/cli.mjs', ['bench/run.ts', '--small'])],
  ]);
  await steps([
    [
      'end-to-end tests',
      () =>
        // On a machine that other work holds up a test is tried once more; one that needed it is named as such.
        runNode('node_modules/@playwright/test/cli.js', ['test', '--retries=1'], {
          env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
        }),
    ],
  ]);
  countTests('end-to-end tests', report, countPlaywright, slowestOfPlaywright);
} else broken.push('benches and end-to-end tests, which need the build');

fs.rmSync(reports, { recursive: true, force: true });
for (const [name, lines] of slowest) console.log(`\nSlowest ${name}:\n${lines.join('\n')}`);
console.log('\nTime by step:');
for (const [name, ms] of times) console.log(`${clock(ms)}  ${name}`);
console.log(`${clock(times.reduce((sum, [, ms]) => sum + ms, 0))}  in all\n`);
if (process.argv.includes('--write')) await writeTimes();
if (broken.length > 0) console.log(`Not in order: ${broken.join(', ')}.`);
console.log(`${totals.passed} passed, ${totals.failed} failed`);
process.exit(broken.length > 0 || totals.failed > 0 ? 1 : 0);

async function writeTimes() {
  const page = path.join(ROOT, 'docs/speed.md');
  const all = times.reduce((sum, [, ms]) => sum + ms, 0);
  const goal = `15:00, ${all <= 15 * 60_000 ? 'met' : 'missed'}`;
  const rows = [...times.map(([name, ms]) => [name, clock(ms), '']), ['in all', clock(all), goal]];
  const table = [['step', 'minutes', 'goal'], ['---', '---', '---'], ...rows]
    .map((cells) => `| ${cells.map((cell) => cell.trim()).join(' | ')} |`)
    .join('\n');
  fs.writeFileSync(page, withTable(fs.readFileSync(page, 'utf8'), 'verify', table));
  await runNode('node_modules/prettier/bin/prettier.cjs', ['--write', '--log-level', 'warn', page]);
}

function clock(ms) {
  const seconds = Math.round(ms / 1000);
  return `${String(Math.floor(seconds / 60)).padStart(3)}:${String(seconds % 60).padStart(2, '0')}`;
}

async function timed(name, work) {
  const began = performance.now();
  const result = await work();
  times.push([name, performance.now() - began]);
  return result;
}

/** Runs what shows itself what it does, at the same time. */
async function steps(all) {
  const names = all.map(([name]) => name).join(', ');
  console.log(`\n== ${names}`);
  const codes = await timed(names, () => Promise.all(all.map(([, work]) => work())));
  all.forEach(([name], i) => codes[i] !== 0 && broken.push(name));
}

async function types() {
  const routes = await collectNode('node_modules/next/dist/bin/next', ['typegen']);
  return routes.code === 0 ? collectNode('node_modules/typescript/bin/tsc', ['--noEmit']) : routes;
}

/** Runs steps at the same time, and shows what each said when it is done. */
async function sideBySide(steps) {
  const names = steps.map(([name]) => name).join(', ');
  console.log(`\n== ${names}, side by side`);
  await timed(names, () =>
    Promise.all(
      steps.map(async ([name, work]) => {
        const { code, said } = await work();
        console.log(`${name}: ${code === 0 ? 'in order' : 'not in order'}\n${said}`.trimEnd());
        if (code !== 0) broken.push(name);
      }),
    ),
  );
}

/** Adds what a report of tests counts. One that is missing is a failure. */
function countTests(name, file, count, slowestOf) {
  try {
    const report = JSON.parse(fs.readFileSync(file, 'utf8'));
    const { passed, failed, note } = count(report);
    if (note) console.log(note);
    totals.passed += passed;
    totals.failed += failed;
    if (passed === 0) broken.push(`${name}, of which none ran`);
    const { files, tests: single } = slowestOf(report);
    for (const [what, list] of [
      [`files of ${name}`, files],
      [name, single],
    ])
      slowest.push([
        what,
        list
          .slice(0, MOST_NAMED)
          .map(({ name: of, seconds }) => `${seconds.toFixed(1).padStart(6)} s  ${of}`),
      ]);
  } catch {
    broken.push(`${name}, which left no report`);
  }
}

/** Results are compared with those of tools of others, where they are there. */
function wantTools() {
  for (const [tool, what, from = tool] of [
    ['ngspice', 'compare voltages with it'],
    ['tshark', 'read captures with it'],
    ['pdftotext', 'read printed sheets back', 'poppler-utils'],
    ['zbarimg', 'read printed codes back', 'zbar-tools'],
  ]) {
    const isThere = () => !spawnSync(tool, ['--version']).error;
    if (isThere() || (aptInstall([from]) && isThere())) continue;
    console.log(`${tool} is not here and could not be installed: the tests that ${what} are skipped.`);
  }
}

function needChromium() {
  const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';
  if (!spawnSync(chromium, ['--version']).error) return;
  if (aptInstall(['chromium']) && !spawnSync(chromium, ['--version']).error) return;
  console.log(
    'The end-to-end tests drive Debian’s Chromium, which is not here and could not be installed: run  apt-get install chromium  as root, or name another Chromium in CHROMIUM.',
  );
  broken.push('Chromium');
}
