// The time of planning, against a plain loop that writes as many channel numbers into a typed array, in one run.
import { PlanCache } from '../src/core/plan/cache';
import { planShow } from '../src/core/plan/plan';
import { applyEdit } from '../src/core/show/edits/registry';
import { goal, middleMs, sized, table } from './report';
import { netsOf } from './nets';

const SIZES = sized([2_000, 20_000, 250_000, 1_000_000], [2_000, 20_000]);
const goalOf = (pixels: number, fullMs: number, replanMs: number): string => {
  if (pixels === 20_000) return goal('replan ≤ 50 ms', replanMs <= 50);
  if (pixels === 250_000) return goal('replan ≤ 250 ms', replanMs <= 250);
  return pixels === 1_000_000 ? goal('full ≤ 1,500 ms', fullMs <= 1500) : '';
};

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
  const show = netsOf(pixels);
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
    goal: goalOf(pixels, fullMs, replanMs),
  };
});
table('plan', rows);
