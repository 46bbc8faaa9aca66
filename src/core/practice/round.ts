import { PROTOCOL_IDS } from '../protocols/registry';
import { SHIPPED_PIXEL_TYPES } from '../catalogue/pixelType';
import { areAlike, drawFaults, drawsOf } from '../diagnose/play';
import { Scope } from '../diagnose/scope';
import { planShow } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { layerOf, type Fault } from '../rig/faults/registry';
import type { Layer } from '../rig/fault';
import { readShow } from '../show/read';
import { emptyShow, type Show } from '../show/schema';
import { itemAt } from '../units/there';

export interface Level {
  level: number;
  name: string;
  says: string;
  faults: 1 | 2 | 3;
  /** Only faults of these layers are hidden; all where that is null. */
  layers: readonly Layer[] | null;
}

export const LEVELS: readonly Level[] = [
  {
    level: 1,
    name: 'Dark or short',
    says: 'One thing is the matter: power, reach or the count.',
    faults: 1,
    layers: ['power', 'reach', 'count'],
  },
  {
    level: 2,
    name: 'Wrong colours, wrong places',
    says: 'One thing is the matter: colours, places or packing.',
    faults: 1,
    layers: ['colour', 'place', 'packing'],
  },
  {
    level: 3,
    name: 'Two at once',
    says: 'Two things are the matter; one may hide the other.',
    faults: 2,
    layers: null,
  },
  { level: 4, name: 'Three at once', says: 'Three things are the matter.', faults: 3, layers: null },
];

export const MOST_SEED = 999_999;

/** A small display with something the matter. */
export interface Round {
  level: Level;
  seed: number;
  plan: Plan;
  /** Index of the prop that is looked at. */
  prop: number;
  scope: Scope;
  hidden: readonly Fault[];
}

const rounds = new Map<string, Round>();
const KEPT = 4;

/** The same round for the same level and seed, on every machine. */
export function roundOf(level: Level, seed: number): Round {
  const key = `${level.level} ${seed}`;
  let round = rounds.get(key);
  if (!round) {
    if (rounds.size >= KEPT) rounds.clear();
    rounds.set(key, (round = makeRound(level, seed)));
  }
  return round;
}

function makeRound(level: Level, seed: number): Round {
  const draw = drawsOf(10 * seed + level.level);
  // A display on which too little can be the matter is drawn again.
  for (;;) {
    const plan = planShow(drawShow(draw));
    const scope = new Scope(plan, 0);
    const hidden = drawFaults(
      scope,
      level.faults,
      draw,
      (fault) => level.layers === null || level.layers.includes(layerOf(fault)),
    );
    // Two that undo each other would be nothing to find.
    const isSeen = !areAlike(scope, scope.rigWith(hidden), scope.planned);
    if (hidden.length === level.faults && isSeen) return { level, seed, plan, prop: 0, scope, hidden };
  }
}

const NAMES = ['Quay arch', 'Net loft', 'Bell tower', 'Rope store', 'Ferry sign', 'Gull perch'] as const;

function drawShow(draw: () => number): Show {
  const whole = (least: number, most: number) => least + Math.floor(draw() * (most - least + 1));
  const oneOf = <Item>(items: readonly Item[]) => itemAt(items, Math.floor(draw() * items.length));
  const pixelType = oneOf(SHIPPED_PIXEL_TYPES.filter(({ colourOrder }) => colourOrder.length >= 3));
  const common = { placeId: 'site', pixelTypeId: pixelType.id };
  const legs = (count: number) =>
    Array.from({ length: count }, (_, i) => ({
      lengthMm: 800,
      headingDeg: (90 - 90 * i + 360) % 360,
      pixels: { by: 'count' as const, count: whole(8, 20) },
    }));
  const made = [
    () => ({ kind: 'line', shape: { legs: legs(whole(2, 3)) }, threading: { firstPixel: 'start', runs: 1 } }),
    () => ({
      kind: 'grid',
      shape: { columns: whole(4, 8), rows: whole(5, 9), columnSpacingMm: 100, rowSpacingMm: 100 },
      threading: {
        firstPixel: oneOf(['bottomLeft', 'topLeft', 'topRight']),
        along: 'columns',
        pattern: oneOf(['serpentine', 'straight']),
        runs: 2,
      },
    }),
    () => ({
      kind: 'ring',
      shape: {
        rings: Array.from({ length: whole(1, 3) }, (_, i) => ({
          diameterMm: 900 - 250 * i,
          pixels: 40 - 10 * i,
        })),
        arcDeg: 360,
        firstAngleDeg: 180,
        direction: 'clockwise',
      },
      threading: { startRing: 'first', pattern: 'straight', runs: 1 },
    }),
  ];
  const controller = {
    id: 'box',
    name: 'Quay box',
    label: 'A',
    protocol: oneOf(PROTOCOL_IDS),
    ports: 4,
    mostPixelsPerPort: 800,
    firstUniverse: null,
    packing: null,
    artNetOffset: -1,
    firstLedIndex: 0,
    skippedPixelsTakeChannels: false,
  };
  const first = { ...oneOf(made)(), id: 'first', name: oneOf(NAMES), ...common };
  const second = {
    kind: 'line',
    shape: { legs: legs(1) },
    threading: { firstPixel: 'start', runs: 1 },
    id: 'second',
    name: 'Bollard',
    ...common,
  };
  const { runs } = first.threading;
  return readShow({
    ...emptyShow('Practice'),
    pixelTypes: [pixelType],
    props: [first, second],
    controllers: [controller],
    patch: [
      ...Array.from({ length: runs }, (_, i) => ({
        propId: 'first',
        run: i + 1,
        controllerId: 'box',
        port: i + 1,
        skippedPixels: 0,
      })),
      { propId: 'second', run: 1, controllerId: 'box', port: runs + 1, skippedPixels: 0 },
    ],
  });
}
