// 500 universes at 40 pictures a second to the rig on this machine: how many are late or lost, and what a packet costs beside a bare paced loop
// that sends as many datagrams of the same size over the same kind of sockets. Sender, bare loop and rig are processes of their own.
import { sized, table } from './report';
import { fork, type ChildProcess } from 'node:child_process';
import dgram from 'node:dgram';
import { planShow } from '../src/core/plan/plan';
import { plannedRig } from '../src/core/rig/rig';
import type { SentTest } from '../src/core/rig/benchState';
import { until } from '../src/server/bench/frameClock';
import { RIG_ADDRESS, RigListener } from '../src/server/bench/rigListener';
import { LATE_MS, SenderLoop } from '../src/server/bench/senderLoop';
import { aController, aLine, aShow } from '../tests/unit/shows';

const SECONDS = sized(60, 1);
const RATE_HZ = 40;
const UNIVERSES = 500;
/** Each has 170 pixels, with four on a port. */
const LINES = UNIVERSES / 4;
const PORTS = 4;

const planOf = () =>
  planShow(
    aShow({
      props: Array.from({ length: LINES }, (_, i) => aLine(`line-${i}`, 680)),
      controllers: Array.from({ length: Math.ceil(LINES / PORTS) }, (_, i) =>
        aController({
          id: `c${i}`,
          name: `Box ${i}`,
          label: `A${String.fromCharCode(65 + (i % 26))}${String.fromCharCode(65 + Math.floor(i / 26))}`,
          firstUniverse: i === 0 ? 1 : null,
        }),
      ),
      patch: Array.from({ length: LINES }, (_, i) => ({
        propId: `line-${i}`,
        run: 1,
        controllerId: `c${Math.floor(i / PORTS)}`,
        port: 1 + (i % PORTS),
        skippedPixels: 0,
      })),
    }),
  );

const say = (message: unknown) => process.send!(message);
/** The process that was started last says this. */
const heard = <Message>(child: ChildProcess) =>
  new Promise<Message>((resolve) => child.once('message', (message) => resolve(message as Message)));
const cpuMs = () => {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
};

/** The rig, in a process of its own. */
async function rig(): Promise<void> {
  const listener = await RigListener.open(plannedRig(planOf()));
  say(listener.ports);
  process.on('message', () => say({ heard: listener.report(), notes: listener.notes }));
}

async function product(ports: (number | null)[], pattern: SentTest['pattern']): Promise<void> {
  const plan = planOf();
  const sender = new SenderLoop(
    plan,
    plannedRig(plan).sender,
    {
      targets: ports.map((port) => ({ address: RIG_ADDRESS, port: port! })),
      mostGroups: 0,
      from: RIG_ADDRESS,
      withLinks: true,
      isSynced: false,
      rateHz: RATE_HZ,
      rates: new Map(),
    },
    { pattern, on: { on: 'show' }, level: 0.3, colour: [0, 0, 0, 0], step: null },
  );
  const began = cpuMs();
  const running = sender.run();
  await new Promise((resume) => setTimeout(resume, SECONDS * 1000));
  const { frames, packets, late, refused, jitterMs } = sender.report();
  say({ frames, packets, late, refused, jitterMs, cpuMs: cpuMs() - began });
  sender.stop();
  await running;
  process.exit(0);
}

/** As many datagrams of the same size, as evenly, and nothing else. */
async function bare(ports: (number | null)[], sizes: number[]): Promise<void> {
  const sockets: dgram.Socket[] = [];
  for (const port of ports) {
    const socket = dgram.createSocket('udp4');
    socket.on('error', () => {});
    await new Promise<void>((resume) => socket.connect(port!, RIG_ADDRESS, () => resume()));
    sockets.push(socket);
  }
  const payloads = sizes.map((size) => new Uint8Array(size));
  const began = cpuMs();
  const start = performance.now();
  const interval = 1000 / RATE_HZ;
  let frames = 0;
  for (; frames < RATE_HZ * SECONDS; frames += 1) {
    await until(start + frames * interval);
    for (let i = 0; i < UNIVERSES; i += 1) {
      if (i > 0 && i % 40 === 0) await until(start + frames * interval + (interval / 2) * (i / UNIVERSES));
      sockets[Math.floor((i * ports.length) / UNIVERSES)]!.send(payloads[i % payloads.length]!);
    }
  }
  say({ frames, packets: frames * UNIVERSES, cpuMs: cpuMs() - began });
  process.exit(0);
}

interface Sent {
  frames: number;
  packets: number;
  late?: number;
  refused?: number;
  jitterMs?: { mean: number; most: number };
  cpuMs: number;
}

async function all(): Promise<void> {
  const start = (...args: string[]) => fork(process.argv[1]!, args, { execArgv: process.execArgv });
  const rows: Record<string, string | number>[] = [];
  for (const what of sized(['bare', 'red', 'alongX', 'bare', 'red'] as const, ['bare', 'red'] as const)) {
    const listening = start('rig');
    const ports = await heard<(number | null)[]>(listening);
    const sending = start(what === 'bare' ? 'bare' : 'product', JSON.stringify(ports), what);
    const sent = await heard<Sent>(sending);
    await new Promise((resume) => setTimeout(resume, 1000));
    listening.send('report');
    const { heard: at, notes } = await heard<{ heard: { packets: number; lost: number }[]; notes: string[] }>(
      listening,
    );
    listening.kill();
    const lost = at.reduce((sum, each) => sum + each.lost, 0);
    rows.push({
      sender: what === 'bare' ? 'a bare paced loop' : `a test, ${what}`,
      pictures: sent.frames,
      packets: sent.packets,
      'packets a second': Math.round(sent.packets / SECONDS),
      [`late by ${LATE_MS} ms, %`]:
        sent.late === undefined ? '' : ((100 * sent.late) / sent.frames).toFixed(2),
      'lost by number': what === 'bare' ? '' : lost,
      'jitter, mean ms': sent.jitterMs?.mean.toFixed(3) ?? '',
      'most ms': sent.jitterMs?.most.toFixed(2) ?? '',
      'CPU, us a packet': ((1000 * sent.cpuMs) / sent.packets).toFixed(2),
    });
    for (const note of notes) console.log(note);
  }
  table('send', rows);
}

const [what, ports, pattern] = process.argv.slice(2);
if (what === 'rig') void rig();
else if (what === 'product') void product(JSON.parse(ports!) as number[], pattern as SentTest['pattern']);
else if (what === 'bare') void bare(JSON.parse(ports!) as number[], [638]);
else void all();
