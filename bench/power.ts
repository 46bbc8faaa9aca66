// The time to solve a network of pixels, beside a circuit simulator on the same ladder; and how near the proposal of leads comes to
// the best of all choices.
import { goal, middleMs, sized, table } from './report';
import { solveNetwork, NetworkSolver } from '../src/core/power/solve';
import type { Network, Ramp } from '../src/core/power/network';
import { proposeFeeds, reachablePixels } from '../src/core/power/proposeFeeds';
import { powerReport } from '../src/core/power/report';
import { explainReadings } from '../src/core/power/explainReadings';
import { readingNote, readingsOf } from '../src/core/power/readings';
import { Facts } from '../src/core/show/facts';
import { FULL_WHITE } from '../src/core/power/shown';
import { planShow } from '../src/core/plan/plan';
import { NetworkBuilder, WHITE_5V } from '../tests/unit/networks';
import { hasNgspice, voltsByNgspice } from '../tests/unit/ngspice';
import { aFeed, aSupply, drawing, toPixel, typed } from '../tests/unit/power';
import { aLine, aShow } from '../tests/unit/shows';

const RAIL_OHM = 0.0025;
const TIMES = sized(9, 1);

/** Fed at the start and every so many pixels; without it only at the start. */
function ladder(count: number, every: number | null): Network {
  const builder = new NetworkBuilder().chain('p', count, RAIL_OHM, WHITE_5V).supply('s', 5);
  for (let at = 1; at <= count; at += every ?? count) builder.lead('s', `p${at}`, 0.02);
  return builder.build();
}

const dimmed = (level: number): Ramp[][] => [
  WHITE_5V.map((ramp, i) => ({ ...ramp, amps: ramp.amps * (i === 0 ? 1 : level) })),
];

const timed = (work: () => void) => middleMs(TIMES, work);
const shown = (ms: number) => Number(ms.toFixed(ms < 10 ? 2 : 0));

function solving() {
  const rows = [];
  for (const count of sized([500, 5_000, 20_000, 100_000], [500]))
    for (const every of [50, null]) {
      const network = ladder(count, every);
      const solver = new NetworkSolver(network);
      solver.solve();
      let level = 1;
      const againMs = timed(() => solver.solve(dimmed((level = level === 1 ? 0.6 : 1))));
      rows.push({
        pixels: count,
        fed: every === null ? 'once: starved' : `every ${every}`,
        'set up and solved, ms': shown(timed(() => solveNetwork(network))),
        'another brightness, ms': shown(againMs),
        'numbers a pixel in the factor': Number((solver.factorSize / count).toFixed(2)),
        goal: count === 5_000 ? goal('another ≤ 20 ms', againMs <= 20) : '',
      });
    }
  table('power', rows);
}

/** One reading that is other than planned, explained: every cause solved for how much other it has to be. */
function explaining() {
  const rows = sized([150, 560, 2_000], [150]).map((count) => {
    const plan = planShow(
      aShow({
        props: [aLine('rail', count)],
        supplies: [aSupply()],
        feeds: [1, count].map((pixel) =>
          aFeed([toPixel('rail', pixel, { lengthMm: 2000, wire: 'mm2-2.5' })]),
        ),
      }),
    );
    const value = {
      what: 'pixelVolts',
      run: 1,
      pixel: Math.floor(count / 2),
      light: 'white',
      percent: 50,
      volts: 7,
    } as const;
    const fact = { ...readingNote('props', 'rail', value), id: 'fact', at: '2026-11-26T20:00:00Z' };
    const readings = readingsOf(plan, new Facts([fact]));
    let causes = 0;
    const ms = middleMs(3, () => {
      causes = explainReadings(plan, readings)[0]!.causes.length;
    });
    return { pixels: count, 'causes left': causes, 'explained, ms': shown(ms) };
  });
  table('power-readings', rows);
}

function against() {
  if (!hasNgspice) return console.log('ngspice is not here, so nothing is compared with it.');
  const rows = sized([500, 5_000], [500]).map((count) => {
    const network = ladder(count, 50);
    const ours = timed(() => solveNetwork(network));
    const began = performance.now();
    const theirs = voltsByNgspice(network);
    const simulatorMs = performance.now() - began;
    const { nodeVolts } = solveNetwork(network);
    return {
      pixels: count,
      'ours, ms': shown(ours),
      'ngspice, the whole process, ms': shown(simulatorMs),
      'times faster': Math.round(simulatorMs / ours),
      'farthest apart, µV': shown(
        nodeVolts.reduce((most, volts, i) => Math.max(most, Math.abs(volts - theirs[i]!)), 0) * 1e6,
      ),
      goal: count === 5_000 ? goal('≥ 50 times', simulatorMs / ours >= 50) : '',
    };
  });
  table('power-simulator', rows);
}

function manyRuns() {
  const networks = Array.from({ length: sized(200, 2) }, () => ladder(500, 50));
  const solved = timed(() => networks.forEach((network) => solveNetwork(network)));
  global.gc?.();
  const before = process.memoryUsage();
  const solver = new NetworkSolver(ladder(sized(100_000, 1000), 50));
  solver.solve();
  const after = process.memoryUsage();
  const bytes = after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers;
  table('power-runs', [
    {
      '100,000 pixels as': '200 runs of 500',
      ms: shown(solved),
      MB: '',
      goal: goal('≤ 1,000 ms', solved <= 1000),
    },
    { '100,000 pixels as': 'one ladder', ms: '', MB: Math.round(bytes / 1e6), goal: '' },
  ]);
}

/** Small runs of which every choice of places is tried. */
function proposals() {
  const type = aShow().pixelTypes.find((each) => each.id === 'rgb')!;
  let [cases, equal, farthest] = [0, 0, 0];
  for (let count = 5; count <= sized(11, 6); count += 1)
    for (const milliohm of [8, 25, 60, 120]) {
      const show = aShow({
        props: [aLine('rail', count)],
        pixelTypes: aShow().pixelTypes.map((each) =>
          each.id === 'rgb'
            ? drawing(type, 60, { rail: { kind: 'copper', ohmPerM: typed(milliohm / 50) } })
            : each,
        ),
        supplies: [aSupply()],
      });
      const plan = planShow(show);
      const wish = {
        shown: FULL_WHITE,
        leastVolts: 11.5,
        reach: 'any' as const,
        supplyId: 's',
        leadMm: 500,
        wire: 'mm2-2.5',
      };
      // Without the search through all smaller choices: what the quick way alone finds.
      const made = proposeFeeds(plan, 0, wish, 0);
      const places = reachablePixels(plan, 0, 0, 'any');
      let best = Infinity;
      for (let choice = 1; choice < 1 << places.length; choice += 1) {
        const pixels = places.filter((_, i) => choice & (1 << i));
        if (pixels.length >= best) continue;
        const feeds = pixels.map((pixel) =>
          aFeed([toPixel('rail', pixel, { lengthMm: 500, wire: 'mm2-2.5' })]),
        );
        const { runs } = powerReport(planShow({ ...show, feeds }), FULL_WHITE);
        if (runs[0]!.unfed === 0 && runs[0]!.lowestVolts! >= 11.5) best = pixels.length;
      }
      if (!Number.isFinite(best)) continue;
      cases += 1;
      if (made.feeds.length === best) equal += 1;
      farthest = Math.max(farthest, made.feeds.length - best);
    }
  table('power-proposals', [
    { 'small cases': cases, 'the quick way is the best': equal, 'leads too many at most': farthest },
  ]);
}

solving();
explaining();
against();
manyRuns();
proposals();
