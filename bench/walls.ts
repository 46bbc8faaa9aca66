// The time of a wall: its whole plan, and the work behind one drawing of its chains.
import { goal, middleMs, sized, table } from './report';
import { usual } from '../src/core/figures/figure';
import { compareChains } from '../src/core/panels/compareChains';
import { panelLabels } from '../src/core/patterns/panelLabels';
import { planShow } from '../src/core/plan/plan';
import type { PropOf } from '../src/core/props/registry';
import { wall, layWall } from '../src/core/props/wall';
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

const SIZES = sized(
  [
    [5, 3, 64, 32],
    [16, 16, 64, 32],
    [64, 64, 32, 16],
    [62, 63, 32, 32],
  ],
  [[5, 3, 64, 32]],
) as readonly (readonly [number, number, number, number])[];

const rows = SIZES.map(([columns, rowCount, panelColumns, panelRows]) => {
  const show = showWith(columns, rowCount, panelColumns, panelRows);
  const prop = show.props[0] as PropOf<'wall'>;
  const plan = planShow(show);
  const laid = layWall(prop);
  const planMs = middleMs(5, () => planShow(show));
  const { driver, chaining } = prop.threading;
  return {
    panels: `${columns} × ${rowCount}`,
    pixels: plan.pixelCount.toLocaleString('en'),
    'full plan ms': planMs.toFixed(0),
    'lay chains ms': middleMs(5, () => layWall(prop)).toFixed(1),
    'compare styles ms': middleMs(5, () => compareChains(laid.wall, driver, chaining, 'topLeft')).toFixed(1),
    'test picture ms': middleMs(5, () => panelLabels(laid)).toFixed(0),
    goal: plan.pixelCount > 3_000_000 ? goal('plan ≤ 2,000 ms', planMs <= 2000) : '',
  };
});
table('walls', rows);
