// How long planning takes, against a plain loop that writes as many channel numbers into a typed array, in one run.
import { PlanCache } from '../src/core/plan/cache';
import { planShow } from '../src/core/plan/plan';
import { applyEdit } from '../src/core/show/edits/registry';
import { readShow } from '../src/core/show/read';
import { emptyShow, type Show } from '../src/core/show/schema';

const SIZES = [2_000, 20_000, 250_000, 1_000_000];
const GOALS: Record<number, string> = {
  20_000: 'replan ≤ 50 ms',
  250_000: 'replan ≤ 250 ms',
  1_000_000: 'full ≤ 1,500 ms',
};

/** Nets of 1,000 pixels in two runs each, every run on a port of its own. */
function showOf(pixels: number): Show {
  const nets = pixels / 1000;
  return readShow({
    ...emptyShow('Bench'),
    pixelTypes: [{ id: 'rgb', name: 'RGB', chip: 'WS2811', colourOrder: 'RGB', volts: 12 }],
    props: Array.from({ length: nets }, (_, i) => ({
      id: `net-${i}`,
      name: `Net ${i}`,
      placeId: 'site',
      pixelTypeId: 'rgb',
      kind: 'grid',
      shape: { columns: 40, rows: 25, columnSpacingMm: 100, rowSpacingMm: 50 + i / 100 },
      threading: { firstPixel: 'bottomLeft', along: 'columns', pattern: 'serpentine', runs: 2 },
    })),
    controllers: Array.from({ length: Math.ceil((nets * 2) / 32) }, (_, i) => ({
      id: `box-${i}`,
      name: `Box ${i}`,
      label: labelOf(i),
      protocol: 'e131',
      ports: 32,
      mostPixelsPerPort: 800,
      firstUniverse: i === 0 ? 1 : null,
      packing: null,
      artNetOffset: -1,
      firstLedIndex: 0,
      skippedPixelsTakeChannels: false,
    })),
    patch: Array.from({ length: nets * 2 }, (_, i) => ({
      propId: `net-${Math.floor(i / 2)}`,
      run: (i % 2) + 1,
      controllerId: `box-${Math.floor(i / 32)}`,
      port: (i % 32) + 1,
      skippedPixels: 0,
    })),
  });
}

function labelOf(index: number): string {
  const letters = [index % 26, Math.floor(index / 26) % 26, Math.floor(index / 676)];
  return letters.map((letter) => String.fromCharCode(65 + letter)).join('');
}

/** The middle of several times, in milliseconds. */
function middleMs(times: number, work: (turn: number) => void): number {
  const taken = Array.from({ length: times }, (_, turn) => {
    const start = performance.now();
    work(turn);
    return performance.now() - start;
  });
  return taken.sort((a, b) => a - b)[times >> 1]!;
}

function plainLoop(pixels: number): number {
  const channels = new Uint32Array(pixels * 3);
  for (let i = 0; i < channels.length; i += 1) channels[i] = i + 1;
  return channels[channels.length - 1]!;
}

function usedMb(): number {
  // Twice, since the buffers of what the first round finds are freed by the second.
  global.gc?.();
  global.gc?.();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return (heapUsed + arrayBuffers) / 1024 / 1024;
}

const rows = SIZES.map((pixels) => {
  const show = showOf(pixels);
  const times = pixels > 100_000 ? 7 : 21;
  const before = usedMb();
  const plan = planShow(show);
  const memoryMb = usedMb() - before;
  if (plan.pixelCount !== pixels) throw new Error(`${plan.pixelCount} pixels were planned, not ${pixels}.`);
  middleMs(5, () => planShow(show));
  const fullMs = middleMs(times, () => planShow(show));

  const cache = new PlanCache();
  planShow(show, cache);
  let edited = show;
  const edits = Array.from({ length: times }, (_, turn) => {
    edited = applyEdit(edited, {
      type: 'setShape',
      propId: 'net-0',
      shape: { columns: 40 + turn, rows: 25, columnSpacingMm: 100, rowSpacingMm: 50 },
    });
    return edited;
  });
  const replanMs = middleMs(times, (turn) => planShow(edits[turn]!, cache));

  middleMs(5, () => plainLoop(pixels));
  const loopMs = middleMs(times, () => plainLoop(pixels));
  return {
    pixels: pixels.toLocaleString('en'),
    'full plan ms': fullMs.toFixed(1),
    'replan after one edit ms': replanMs.toFixed(1),
    'plain loop ms': loopMs.toFixed(2),
    'full ÷ loop': (fullMs / loopMs).toFixed(1),
    'replan ÷ loop': (replanMs / loopMs).toFixed(1),
    'plan MB': memoryMb.toFixed(1),
    goal: GOALS[pixels] ?? '',
  };
});
console.table(rows);
