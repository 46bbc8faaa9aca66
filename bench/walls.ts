// How long a wall takes: its whole plan, and the work behind one drawing of its chains.
import { usual } from '../src/core/figures/figure';
import { compareChains } from '../src/core/panels/compareChains';
import { panelLabels } from '../src/core/patterns/panelLabels';
import { layWall } from '../src/core/panels/wallFacts';
import { planShow } from '../src/core/plan/plan';
import type { PropOf } from '../src/core/props/registry';
import { wall } from '../src/core/props/wall';
import { readShow } from '../src/core/show/read';
import { emptyShow } from '../src/core/show/schema';

function showWith(columns: number, rows: number, panelColumns: number, panelRows: number) {
  const { shape, threading } = wall.starter();
  return readShow({
    ...emptyShow('Bench'),
    pixelTypes: [wall.pixelType],
    props: [
      {
        id: 'wall',
        name: 'Wall',
        placeId: 'site',
        pixelTypeId: 'panel-5v',
        kind: 'wall',
        shape: { ...shape, columns, rows, panel: { ...shape.panel, columns: panelColumns, rows: panelRows } },
        threading: {
          ...threading,
          driver: { ...threading.driver, outputs: 8, mostPanelsPerOutput: usual(256) },
          chaining: { by: 'design', style: 'zigzag', along: 'rows', entry: 'topLeft' },
        },
      },
    ],
    controllers: [
      {
        id: 'player',
        name: 'Player',
        label: 'A',
        protocol: 'e131',
        ports: 1,
        mostPixelsPerPort: 4_000_000,
        firstUniverse: 1,
        packing: null,
        artNetOffset: -1,
        firstLedIndex: 0,
        skippedPixelsTakeChannels: false,
      },
    ],
    patch: [{ propId: 'wall', run: 1, controllerId: 'player', port: 1, skippedPixels: 0 }],
  });
}

function middleMs(work: () => unknown): number {
  const taken = Array.from({ length: 5 }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return taken.sort((a, b) => a - b)[2]!;
}

const SIZES = [
  [5, 3, 64, 32],
  [16, 16, 64, 32],
  [64, 64, 32, 16],
  [62, 63, 32, 32],
] as const;

console.log(
  '| panels | pixels | full plan ms | lay chains ms | compare styles ms | test picture ms | goal |',
);
console.log('| --- | --- | --- | --- | --- | --- | --- |');
for (const [columns, rows, panelColumns, panelRows] of SIZES) {
  const show = showWith(columns, rows, panelColumns, panelRows);
  const prop = show.props[0] as PropOf<'wall'>;
  const plan = planShow(show);
  const laid = layWall(prop);
  const cells = [
    `${columns} × ${rows}`,
    plan.pixelCount.toLocaleString('en'),
    middleMs(() => planShow(show)).toFixed(0),
    middleMs(() => layWall(prop)).toFixed(1),
    middleMs(() =>
      compareChains(laid.wall, prop.threading.driver, prop.threading.chaining, 'topLeft'),
    ).toFixed(1),
    middleMs(() => panelLabels(laid)).toFixed(0),
    plan.pixelCount > 3_000_000 ? 'plan ≤ 2,000 ms' : '',
  ];
  console.log(`| ${cells.join(' | ')} |`);
}
