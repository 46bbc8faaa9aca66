// Runs benches. Build first: npm run build.
//   npm run bench -- plan power     some, with their tables printed
//   npm run bench:all               all, one after another, with their tables written into docs/speed.md (npm run bench:all -- plan: of some)
//   npm run bench:small             all with small sizes, side by side: whether they still run
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { placesIn, withTable } from '../scripts/lib/speedPage.mjs';
import { BENCHES } from './benches';

const ROOT = path.resolve(__dirname, '..');
const SPEED = path.join(ROOT, 'docs/speed.md');
/** Small runs at a time: one more than verify has cores, since those with a browser wait now and then. */
const SIDE_BY_SIDE = 3;

interface Run {
  name: string;
  code: number;
  seconds: number;
  said: string;
}

function run(name: string, env: Record<string, string>, isQuiet: boolean): Promise<Run> {
  const began = performance.now();
  return new Promise((resolve) => {
    const child = spawn(
      process.execPath,
      ['--expose-gc', '--conditions', 'react-server', '--import', 'tsx', `bench/${name}.ts`],
      { cwd: ROOT, env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] },
    );
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk: Buffer) => {
        said += chunk.toString();
        if (!isQuiet) process.stdout.write(chunk);
      });
    child.on('close', (code) =>
      resolve({ name, code: code ?? 1, seconds: (performance.now() - began) / 1000, said }),
    );
  });
}

async function writeAll(names: readonly string[]): Promise<number> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-tables-'));
  const failed: string[] = [];
  for (const name of names) {
    console.log(`== ${name}`);
    const { code, seconds } = await run(name, { BENCH_TABLES: folder }, false);
    if (code !== 0) failed.push(name);
    console.log(`${name}: ${seconds.toFixed(0)} s`);
  }
  const tables = new Map(
    fs
      .readdirSync(folder)
      .map((file) => [path.basename(file, '.md'), fs.readFileSync(path.join(folder, file), 'utf8')]),
  );
  fs.rmSync(folder, { recursive: true });
  const cores = os.cpus().length;
  const written = `Written on ${new Date().toISOString().slice(0, 10)} by \`npm run bench:all\`, Node ${process.versions.node}, ${cores} cores.`;
  let text = fs.readFileSync(SPEED, 'utf8');
  for (const [name, table] of tables) text = withTable(text, name, table);
  // The date is that of the oldest table, so that it is only changed with all of them.
  if (names.length === BENCHES.length && failed.length === 0) {
    const missing = placesIn(text).filter((name) => name !== 'verify' && !tables.has(name));
    if (missing.length > 0)
      throw new Error(`No bench gave the tables ${missing.join(', ')} of docs/speed.md.`);
    text = text.replace(/^Written on .*$/m, written);
  }
  fs.writeFileSync(SPEED, text);
  if (failed.length > 0) console.log(`Failed: ${failed.join(', ')}.`);
  return failed.length === 0 ? 0 : 1;
}

async function runSmall(): Promise<number> {
  const open: string[] = [...BENCHES];
  const done: Run[] = [];
  const lane = async () => {
    for (let name = open.shift(); name; name = open.shift())
      done.push(await run(name, { BENCH_SMALL: '1' }, true));
  };
  await Promise.all(Array.from({ length: SIDE_BY_SIDE }, lane));
  for (const { name, code, seconds, said } of done) {
    console.log(`${name}: ${code === 0 ? 'runs' : 'fails'}, ${seconds.toFixed(1)} s`);
    if (code !== 0) console.log(said);
  }
  return done.every(({ code }) => code === 0) ? 0 : 1;
}

async function main(): Promise<number> {
  const [what, ...names] = process.argv.slice(2);
  if (what === '--small') return runSmall();
  if (what === '--all') return writeAll(names.length > 0 ? names : BENCHES);
  const wanted = [what, ...names].filter((each) => each !== undefined);
  const unknown = wanted.filter((each) => !(BENCHES as readonly string[]).includes(each));
  if (wanted.length === 0 || unknown.length > 0) {
    console.log(
      `${unknown.length > 0 ? `There is no bench ${unknown.join(', ')}. ` : ''}Benches: ${BENCHES.join(', ')}.`,
    );
    return 1;
  }
  for (const name of wanted) {
    const { code } = await run(name, {}, false);
    if (code !== 0) return code;
  }
  return 0;
}

void main().then((code) => {
  process.exitCode = code;
});
