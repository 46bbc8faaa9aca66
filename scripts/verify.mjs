// Everything that must hold, on a fresh clone: types, lint, unit tests, production build, end-to-end tests against it.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { aptInstall, build, install, needNode20, runNode } from './lib/project.mjs';

needNode20();
const reports = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-'));
const totals = { passed: 0, failed: 0 };
const broken = [];

await install();
needChromium();
wantTools();
await step('types: routes', () => runNode('node_modules/next/dist/bin/next', ['typegen']));
await step('types', () => runNode('node_modules/typescript/bin/tsc', ['--noEmit']));
await step('lint', () => runNode('node_modules/eslint/bin/eslint.js', ['.', '--max-warnings', '0']));
await step('format', () =>
  runNode('node_modules/prettier/bin/prettier.cjs', ['--check', '--log-level', 'warn', '.']),
);
await tests('unit tests', path.join(reports, 'unit.json'), countJest, (file) =>
  runNode('node_modules/jest/bin/jest.js', ['--ci', '--json', `--outputFile=${file}`]),
);
if (await step('production build', build))
  await tests('end-to-end tests', path.join(reports, 'e2e.json'), countPlaywright, (file) =>
    // On a machine that other work holds up a test is tried once more; one that needed it is named as such.
    runNode('node_modules/@playwright/test/cli.js', ['test', '--retries=1'], {
      env: { PLAYWRIGHT_JSON_OUTPUT_NAME: file },
    }),
  );
else broken.push('end-to-end tests, which need the build');

fs.rmSync(reports, { recursive: true, force: true });
if (broken.length > 0) console.log(`Not in order: ${broken.join(', ')}.`);
console.log(`${totals.passed} passed, ${totals.failed} failed`);
process.exit(broken.length > 0 || totals.failed > 0 ? 1 : 0);

async function step(name, work) {
  console.log(`\n== ${name}`);
  if ((await work()) === 0) return true;
  broken.push(name);
  return false;
}

/** Runs tests that write a report, and adds what it counts. A report that is missing is a failure. */
async function tests(name, file, count, work) {
  await step(name, () => work(file));
  try {
    const { passed, failed } = count(JSON.parse(fs.readFileSync(file, 'utf8')));
    totals.passed += passed;
    totals.failed += failed;
    if (passed === 0) broken.push(`${name}, of which none ran`);
  } catch {
    broken.push(`${name}, which left no report`);
  }
}

function countJest(report) {
  return {
    passed: report.numPassedTests,
    failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
  };
}

function countPlaywright({ stats, errors }) {
  if (stats.flaky > 0) console.log(`${stats.flaky} passed only when tried again, named above as flaky.`);
  // One or two in a run may be the machine; more are a defect.
  const tooMany = stats.flaky > 2 ? stats.flaky : 0;
  return {
    passed: stats.expected + stats.flaky - tooMany,
    failed: stats.unexpected + tooMany + (errors ?? []).length,
  };
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
