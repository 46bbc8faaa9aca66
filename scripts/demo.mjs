// Installs, builds, fills an empty database with the demo show, and starts on http://127.0.0.1:4180.
//   npm run demo [-- --lan [ADDRESS]]    with --lan (or LAN=1) phones in the network at home can come in, with a code
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { QUIET, ROOT, build, fail, install, needNode20 } from './lib/project.mjs';
import { serverArgs } from './lib/serve.mjs';

const HOST = '127.0.0.1';
const port = Number(process.env.PORT ?? 4180);
const address = `http://${HOST}:${port}`;
const lan = wishedLan();
const data = path.resolve(ROOT, process.env.RAPID_LANTERN_DATA ?? 'data');

needNode20();
if (!Number.isInteger(port) || port < 1 || port > 65535)
  fail(`PORT is “${process.env.PORT}”; a port is a whole number from 1 to 65535.`);
needWritable(data);
await needFreePort();
await install();
if ((await build()) !== 0) fail('The application could not be built: see the messages above.');
await start();

/** The address to listen on for phones: `1` for every network of this machine, or one address of it; null for nowhere. */
function wishedLan() {
  const args = process.argv.slice(2);
  const at = args.findIndex((each) => each === '--lan' || each.startsWith('--lan='));
  const unknown = args.find((each, i) => i !== at && (i !== at + 1 || at === -1));
  if (unknown !== undefined) fail(`“${unknown}” means nothing here: --lan, or --lan ADDRESS, is known.`);
  if (at !== -1) return args[at].slice('--lan='.length) || args[at + 1] || '1';
  const { LAN = '' } = process.env;
  return ['', '0', 'no', 'off', 'false'].includes(LAN) ? null : LAN;
}

function needWritable(folder) {
  try {
    fs.mkdirSync(folder, { recursive: true });
    const probe = path.join(folder, `.probe-${process.pid}`);
    fs.writeFileSync(probe, '');
    fs.rmSync(probe);
    for (const name of fs.readdirSync(folder))
      fs.accessSync(path.join(folder, name), fs.constants.R_OK | fs.constants.W_OK);
  } catch (error) {
    fail(
      `The data folder ${folder} cannot be written (${error.code ?? error.message}): make it writable, or name another one in RAPID_LANTERN_DATA.`,
    );
  }
}

function needFreePort() {
  return new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', (error) =>
      fail(
        error.code === 'EADDRINUSE'
          ? `Port ${port} is busy on ${HOST}: stop what runs there, or choose another one with PORT=${port + 1} npm run demo.`
          : `Port ${port} on ${HOST} cannot be used (${error.code}): choose another one with PORT.`,
      ),
    );
    probe.listen(port, HOST, () => probe.close(() => resolve()));
  });
}

async function start() {
  const server = spawn(process.execPath, serverArgs({ port, hostname: HOST, lan }), {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, ...QUIET, NODE_ENV: 'production', RAPID_LANTERN_DATA: data },
  });
  server.on('exit', (code) => process.exit(code ?? 1));
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => server.kill(signal));

  const shows = await answerOf(`${address}/api/shows`);
  if (shows.shows.length === 0) {
    const body = fs.readFileSync(path.join(ROOT, 'demo/marrow-quay.show.json'), 'utf8');
    const response = await fetch(`${address}/api/shows`, {
      method: 'POST',
      body,
      headers: { 'content-type': 'application/json' },
    });
    if (!response.ok) console.error(`The demo show was not loaded: ${(await response.json()).error}`);
    else console.log('The database was empty, so the demo show was loaded: Marrow Quay lantern night.');
  }
  console.log(address);
  if (lan !== null) await sayHowPhonesComeIn();
}

async function sayHowPhonesComeIn() {
  const { addresses, code } = await answerOf(`${address}/api/access`);
  if (addresses.length === 0)
    return console.log('This machine is in no network, so no phone can reach it. Join one and start again.');
  const { default: qr } = await import('qrcode');
  // The part behind the # is sent to nobody: the page that takes the code reads it.
  const link = `http://${addresses[0]}/#${code}`;
  console.log(`
For phones in the same network: ${addresses.map((each) => `http://${each}`).join(' or ')}
Access code: ${code}
`);
  console.log(await qr.toString(link, { type: 'terminal', small: true }));
  console.log(`A phone enters the code once. Under Phones, on the start page, it is sent away again.
This is plain HTTP for a network at home: others in it can read along. Not for networks of strangers.`);
}

/** Asks until the server is up. */
async function answerOf(url) {
  for (let tries = 0; ; tries += 1) {
    try {
      const response = await fetch(url);
      const body = await response.json();
      if (response.ok) return body;
      fail(body.error);
    } catch (error) {
      if (tries > 300) fail(`The server did not answer at ${url} (${error.message}).`);
      await new Promise((resume) => setTimeout(resume, 100));
    }
  }
}
