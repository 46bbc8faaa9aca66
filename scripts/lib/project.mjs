// Helpers that the commands share. Plain JavaScript of Node's own, because it runs before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
export const QUIET = { NEXT_TELEMETRY_DISABLED: '1' };

/** Ends the command with one sentence. */
export function fail(sentence) {
  console.error(sentence);
  process.exit(1);
}

export function needNode20() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major !== 20 || minor < 15)
    fail(`Rapid Lantern runs on Node 20 (20.15 or newer); this is Node ${process.versions.node}.`);
}

/** Runs a command with its output on the screen; gives its exit code. */
export function run(command, args, { env = {}, cwd = ROOT } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd, stdio: 'inherit', env: { ...process.env, ...QUIET, ...env } });
    child.on('error', () => resolve(1));
    child.on('exit', (code) => resolve(code ?? 1));
  });
}

/** Runs a script of the project with this very Node, so that no other one on the path is used. */
export function runNode(script, args = [], options = {}) {
  return run(process.execPath, [path.join(ROOT, script), ...args], options);
}

/** Runs a command and keeps what it says, for steps that run side by side. */
function collect(command, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, env: { ...process.env, ...QUIET, ...env } });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
    child.on('error', (error) => resolve({ code: 1, said: String(error) }));
    child.on('close', (code) => resolve({ code: code ?? 1, said }));
  });
}

/** A script of the project, run in the same way. */
export function collectNode(script, args = [], env = {}) {
  return collect(process.execPath, [path.join(ROOT, script), ...args], env);
}

function hashOf(files) {
  const hash = createHash('sha256').update(process.version).update(process.arch);
  for (const file of files)
    hash
      .update(file)
      .update('\0')
      .update(fs.readFileSync(path.join(ROOT, file)))
      .update('\0');
  return hash.digest('hex');
}

function filesBelow(folder) {
  return fs
    .readdirSync(path.join(ROOT, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !/\.test\.tsx?$/.test(entry.name))
    .map((entry) => path.relative(ROOT, path.join(entry.parentPath ?? entry.path, entry.name)))
    .sort();
}

function readMark(file) {
  try {
    return fs.readFileSync(path.join(ROOT, file), 'utf8');
  } catch {
    return '';
  }
}

const INSTALLED = 'node_modules/.installed-from';
const wantedPackages = () => hashOf(['package.json', 'package-lock.json']);
const isInstalled = () => readMark(INSTALLED) === wantedPackages();

/** Installs exactly what the lock file says, when it is missing or another lock file was installed. */
export async function install() {
  await unpack();
  const { code, said } = await compileDatabase();
  if (code !== 0) fail(`${said}\nThe database could not be compiled: see what the compiler says above.`);
}

/** The packages, all but the database ready for use. Their own scripts are not run: none but the database needs one. */
export async function unpack() {
  if (isInstalled()) return;
  console.log('Installing what package-lock.json says; the first time takes some minutes.');
  if ((await run('npm', ['ci', '--no-fund', '--no-audit', '--ignore-scripts'])) !== 0)
    fail('The packages could not be installed: see what npm says above. The npm registry must be reachable.');
}

/** Compiles the database here: it is never fetched ready-made. */
export async function compileDatabase() {
  const nothingToSay = { code: 0, said: '' };
  if (isInstalled()) return nothingToSay;
  console.log('Compiling the database.');
  needBuildTools();
  const done = await collect('npm', ['rebuild', 'better-sqlite3', '--foreground-scripts'], {
    npm_config_build_from_source: 'better-sqlite3',
    // -O1 halves the time and costs the interface nothing.
    CFLAGS: process.env.CFLAGS ?? '-O1',
    CXXFLAGS: process.env.CXXFLAGS ?? '-O1',
    ...headersOfNode(),
  });
  if (done.code !== 0) return done;
  fs.writeFileSync(path.join(ROOT, INSTALLED), wantedPackages());
  return nothingToSay;
}

/** Node's own headers, named so that compiling does not go and fetch them. */
function headersOfNode() {
  if (process.env.npm_config_nodedir) return {};
  const prefix = path.resolve(path.dirname(process.execPath), '..');
  const there = () => fs.existsSync(path.join(prefix, 'include/node/node.h'));
  if (!there() && !(prefix === '/usr' && aptInstall(['libnode-dev']) && there()))
    fail(
      `The database is compiled against Node's headers, which are not in ${prefix}/include/node: install Debian's libnode-dev, or a Node that brings them.`,
    );
  return { npm_config_nodedir: prefix };
}

/** The database is compiled with make, a C++ compiler and Python; where they are missing, Debian has them. */
function needBuildTools() {
  const missing = ['make', 'g++', 'python3'].filter((tool) => spawnSync(tool, ['--version']).error);
  if (missing.length === 0) return;
  if (!aptInstall(missing))
    fail(
      `The database is compiled on this machine and needs ${missing.join(', ')}: run  apt-get install ${missing.join(' ')}  as root, then start again.`,
    );
}

/** Installs Debian packages where that is possible without asking; says whether it worked. */
export function aptInstall(packages) {
  if (process.getuid?.() !== 0 || spawnSync('apt-get', ['--version']).error) return false;
  console.log(`Installing Debian's ${packages.join(', ')}.`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (args) =>
    spawnSync('apt-get', args, { env, stdio: ['ignore', 'ignore', 'inherit'] }).status === 0;
  const install = ['install', '-y', '--no-install-recommends', ...packages];
  return apt(install) || (apt(['update']) && apt(install));
}

/** Builds the application when its sources changed since the last build. */
export async function build() {
  const mark = '.next/built-from';
  const sources = [
    ...filesBelow('src'),
    'package-lock.json',
    'next.config.ts',
    'tsconfig.json',
    'postcss.config.mjs',
  ];
  const wanted = hashOf(sources);
  if (readMark(mark) === wanted && fs.existsSync(path.join(ROOT, '.next/BUILD_ID'))) return 0;
  console.log('Building the application.');
  const code = await runNode('node_modules/next/dist/bin/next', ['build']);
  if (code === 0) fs.writeFileSync(path.join(ROOT, mark), wanted);
  return code;
}
