// Mutated packets through each decoder and into a display: none may throw, and a refused one may change nothing.
import { sized, table } from './report';
import { planShow } from '../src/core/plan/plan';
import { encodeArtDmx } from '../src/core/protocols/artNet';
import { ddpFrame } from '../src/core/protocols/ddp';
import { encodeE131Data } from '../src/core/protocols/e131';
import { decodeRawFrame, rawFrames } from '../src/core/protocols/rawFrame';
import { encodeSerialFrame, SerialReader } from '../src/core/protocols/serialFrame';
import { SOURCE } from '../src/core/rig/outgoing';
import { Receiver } from '../src/core/rig/packets';
import { aController, aLine, aShow } from '../tests/unit/shows';

const COUNT = sized(1_000_000, 2000);

/** A generator of 32-bit numbers with a seed (mulberry32), so that a run can be repeated. */
function random(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return (mixed ^ (mixed >>> 14)) >>> 0;
  };
}

const plan = planShow(
  aShow({
    props: [aLine('rail', 100)],
    controllers: [
      aController(),
      aController({ id: 'b', label: 'B', protocol: 'artnet', firstUniverse: 9 }),
      aController({ id: 'c', label: 'C', protocol: 'ddp', firstUniverse: null }),
    ],
    patch: [{ propId: 'rail', run: 1, controllerId: 'c', port: 1, skippedPixels: 0 }],
  }),
);
const slots = new Uint8Array(300).fill(9);
const good: [name: string, port: number, bytes: Uint8Array][] = [
  [
    'E1.31',
    5568,
    encodeE131Data({
      source: SOURCE,
      universe: 1,
      priority: 100,
      sequence: 0,
      syncAddress: 0,
      isPreview: false,
      isTerminated: false,
      startCode: 0,
      slots,
    }),
  ],
  ['Art-Net', 0x1936, encodeArtDmx({ sequence: 0, physical: 0, portAddress: 8, slots })],
  ['DDP', 4048, ddpFrame(slots, { dataType: 0x0b, sequenceOf: () => 1 })[0]!],
  ['serial', -1, encodeSerialFrame(3, slots)],
  ['raw frames', -2, rawFrames(100, slots)[0]!],
];

/** Changes with every level that a device takes: universes by how often one was written, flat spaces by what is in them (FNV-1a). */
function watched(receiver: Receiver): () => number {
  let writes = 0;
  for (const { sent } of receiver.inboxes) {
    const { universes } = sent;
    const set = universes.set.bind(universes);
    universes.set = (universe, slots) => {
      writes += 1;
      set(universe, slots);
      return universes;
    };
  }
  return () => {
    let hash = writes;
    for (const { sent } of receiver.inboxes)
      for (const bytes of sent.flat.values())
        for (const byte of bytes) hash = Math.imul(hash ^ byte, 0x01000193);
    return hash;
  };
}

const seed = 20_261_126;
console.log(`seed ${seed}`);
const rows = good.map(([name, port, bytes]) => {
  const next = random(seed);
  let [thrown, refused, changedByRefused] = [0, 0, 0];
  const receiver = new Receiver(plan);
  const levelsOf = watched(receiver);
  const began = performance.now();
  for (let i = 0; i < COUNT; i += 1) {
    const mutated = Uint8Array.from(
      bytes.subarray(0, next() % 4 === 0 ? next() % bytes.length : bytes.length),
    );
    for (let k = next() % 5; k >= 0 && mutated.length > 0; k -= 1)
      mutated[next() % Math.min(mutated.length, 140)] = next() & 255;
    try {
      if (port === -1) refused += new SerialReader().push(mutated).length === 0 ? 1 : 0;
      else if (port === -2) refused += decodeRawFrame(mutated) === null ? 1 : 0;
      else {
        const before = receiver.malformed + receiver.others;
        const levels = levelsOf();
        receiver.hear({ to: '127.0.0.1', toPort: port, payload: mutated });
        if (receiver.malformed + receiver.others > before) {
          refused += 1;
          if (levelsOf() !== levels) changedByRefused += 1;
        }
      }
    } catch {
      thrown += 1;
    }
  }
  return {
    decoder: name,
    packets: COUNT,
    thrown,
    refused,
    'changed by a refused one': changedByRefused,
    'ns a packet': Math.round(((performance.now() - began) * 1e6) / COUNT),
  };
});
table('fuzz', rows);
if (rows.some((row) => row.thrown > 0 || row['changed by a refused one'] > 0)) process.exitCode = 1;
