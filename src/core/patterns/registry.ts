import { wallOf } from '../props/registry';
import type { Stretch } from './selection';
import { panelLabels } from './panelLabels';
import {
  BANDS,
  BLUE,
  eachPixel,
  GREEN,
  pixelsIn,
  put,
  RED,
  WHITE,
  WHITE_LIGHT,
  type Colour,
  type Moment,
  type Pattern,
} from './pattern';
import { itemAt } from '../units/there';

const solid = (id: string, name: string, colour: Colour | null, shows: string): Pattern => ({
  id,
  name,
  shows,
  blindTo: 'swapped ports, order, mirroring and turned panels; a count that is too high',
  isMoving: false,
  paint: ({ stretches, level, colour: chosen }, light) =>
    eachPixel(stretches, (pixel) => put(light, pixel, colour ?? chosen, level)),
});

/** Patterns flash and move at most twice a second. */
const STEPS_PER_SECOND = 2;
const beat = (timeS: number, perSecond: number) => Math.floor(timeS * perSecond + 1e-9);

/** A line that wanders along a direction: pixels within a tenth of the extent of it are lit. */
const line = (id: string, name: string, across: readonly [x: number, y: number], shows: string): Pattern => ({
  id,
  name,
  shows,
  blindTo: 'colour order (it is white); swaps of what lies at the same place',
  isMoving: true,
  paint: ({ plan, stretches, timeS, level }, light) => {
    const { xMm, yMm } = plan.pixels;
    const share = (timeS / 4) % 1;
    const extents = extentsAlong(plan, stretches, across);
    stretches.forEach(({ first, count }, i) => {
      const [least, most] = itemAt(extents, i);
      const scale = most === least ? 0 : 1 / (most - least);
      for (let pixel = first; pixel < first + count; pixel += 1) {
        const place = (xMm[pixel]! * across[0] + yMm[pixel]! * across[1] - least) * scale;
        if (Math.abs(place - share) <= 0.05) put(light, pixel, WHITE, level);
      }
    });
  },
});

type Extent = [least: number, most: number];
/** Nothing of them changes from picture to picture. */
const extentsKnown = new WeakMap<readonly Stretch[], Map<readonly number[], Extent[]>>();

/** Extent of the prop of each stretch along a direction, in mm: props have measures of their own. */
function extentsAlong(
  { pixels, runs }: Moment['plan'],
  stretches: readonly Stretch[],
  across: readonly [x: number, y: number],
): Extent[] {
  let known = extentsKnown.get(stretches);
  if (!known) extentsKnown.set(stretches, (known = new Map()));
  let found = known.get(across);
  if (found) return found;
  const ofProps = new Map<number, Extent>();
  found = stretches.map(({ run, first, count }) => {
    const { prop } = itemAt(runs, run);
    let extent = ofProps.get(prop);
    if (!extent) ofProps.set(prop, (extent = [Infinity, -Infinity]));
    for (let pixel = first; pixel < first + count; pixel += 1) {
      const at = pixels.xMm[pixel]! * across[0] + pixels.yMm[pixel]! * across[1];
      if (at < extent[0]) extent[0] = at;
      if (at > extent[1]) extent[1] = at;
    }
    return extent;
  });
  known.set(across, found);
  return found;
}

/** Every pattern, in the order in which a bench goes through them. A new one is a line here. */
export const PATTERNS: readonly Pattern[] = [
  {
    id: 'identify',
    name: 'Identify',
    shows: 'It blinks once a second: which prop, port or panel this is.',
    blindTo: 'everything but whether it is reached at all',
    isMoving: true,
    paint: ({ stretches, timeS, level }, light) => {
      if (beat(timeS, STEPS_PER_SECOND) % 2 === 0)
        eachPixel(stretches, (pixel) => put(light, pixel, WHITE, level));
    },
  },
  {
    id: 'off',
    name: 'All off',
    shows: 'All dark: what glows now is not driven by this.',
    blindTo: 'everything that is wired right',
    isMoving: false,
    paint: () => {},
  },
  solid(
    'red',
    'Red',
    RED,
    'Red everywhere: with green and blue it tells the colour order, and where it stops the count.',
  ),
  solid('green', 'Green', GREEN, 'Green everywhere.'),
  solid('blue', 'Blue', BLUE, 'Blue everywhere; it fades first where volts are low.'),
  solid(
    'whiteLight',
    'White light',
    WHITE_LIGHT,
    'The white light of four channels alone; three-channel lights stay dark.',
  ),
  solid('white', 'White', WHITE, 'White everywhere: where it turns yellow or red, volts are low.'),
  solid('colour', 'A colour', null, 'The colour and level that you choose.'),
  {
    id: 'ramp',
    name: 'White ramp',
    shows: 'White rises in ten seconds and holds: power, its drops and what trips.',
    blindTo: 'colour order, order and place',
    isMoving: true,
    paint: ({ stretches, timeS, level }, light) =>
      eachPixel(stretches, (pixel) => put(light, pixel, WHITE, level * Math.min(1, timeS / 10))),
  },
  {
    id: 'walk',
    name: 'Walk',
    shows: 'One pixel moves in data order: order, direction, jumps, and which pixel is which.',
    blindTo: 'what draws much; it is slow to find colours by',
    isMoving: true,
    isStepped: true,
    paint: ({ stretches, timeS, step, level }, light) => {
      const count = pixelsIn(stretches);
      if (count === 0) return;
      const wanted = (((step ?? beat(timeS, STEPS_PER_SECOND)) % count) + count) % count;
      eachPixel(stretches, (pixel, place) => {
        if (place === wanted) put(light, pixel, WHITE, level);
      });
    },
  },
  {
    id: 'last',
    name: 'Last pixel',
    shows: 'Only the last pixel of each run: whether the count reaches it, and no further.',
    blindTo: 'colours, and what is wrong before the end',
    isMoving: false,
    paint: ({ stretches, level }, light) => {
      for (const { first, count } of stretches) if (count > 0) put(light, first + count - 1, WHITE, level);
    },
  },
  {
    id: 'ends',
    name: 'Ends',
    shows: 'The first pixel of each run is green, the last red: start corner and direction.',
    blindTo: 'what lies between; colours exchanged make it look reversed',
    isMoving: false,
    paint: ({ stretches, level }, light) => {
      for (const { first, count } of stretches) {
        if (count > 1) put(light, first + count - 1, RED, level);
        if (count > 0) put(light, first, GREEN, level);
      }
    },
  },
  {
    id: 'bands',
    name: 'Strand bands',
    shows: 'Each strand in a colour of its own: splits, serpentine and counts of strands.',
    blindTo: 'direction within a strand; strands that are six apart',
    isMoving: false,
    paint: ({ plan: { pixels }, stretches, level }, light) =>
      eachPixel(stretches, (pixel) =>
        put(light, pixel, itemAt(BANDS, pixels.strand[pixel]! % BANDS.length), level),
      ),
  },
  {
    id: 'marks',
    name: 'Parts in colours',
    shows: 'Each run, or each single pixel that was chosen, in a colour of its own: what is where.',
    blindTo: 'what lies within a part; parts that are six apart',
    isMoving: false,
    paint: ({ stretches, level }, light) =>
      stretches.forEach(({ first, count }, i) => {
        for (let pixel = first; pixel < first + count; pixel += 1)
          put(light, pixel, itemAt(BANDS, i % BANDS.length), level);
      }),
  },
  {
    id: 'ports',
    name: 'Port numbers',
    shows: 'Each port lights as many pixels as its number, from its start: which plug is in which port.',
    blindTo: 'colours, and all but the first pixels',
    isMoving: false,
    paint: ({ plan: { runs }, stretches, level }, light) => {
      for (const { run, first, count } of stretches) {
        const { wire } = itemAt(runs, run);
        if (wire?.chainPosition !== 1) continue;
        for (let i = 0; i < Math.min(wire.port, count); i += 1) put(light, first + i, WHITE, level);
      }
    },
  },
  {
    id: 'labels',
    name: 'Panel labels',
    shows:
      'Each panel says its output and place, its row and column, with an arrow: place and turn of every panel.',
    blindTo: 'props without panels, which stay dark',
    isMoving: false,
    paint: paintLabels,
  },
  line(
    'alongX',
    'Line from left to right',
    [1, 0],
    'A line wanders from left to right: mirrored, torn or exchanged parts show.',
  ),
  line(
    'alongY',
    'Line from bottom to top',
    [0, 1],
    'A line wanders upwards: upside down, serpentine and exchanged rows show.',
  ),
  line(
    'diagonal',
    'Diagonal',
    [1, 1],
    'A slanted line wanders: it tears at every panel, strand or piece that is misplaced.',
  ),
  {
    id: 'edges',
    name: 'Edges with an arrow',
    shows:
      'Each strand in its colour, with a white dot that runs along in data order: sides of frames, and the way round.',
    blindTo: 'small counts: a pixel more or less on a side',
    isMoving: true,
    paint: ({ plan, stretches, timeS, level }, light) => {
      const { pixels } = plan;
      const count = pixelsIn(stretches);
      const head = count === 0 ? 0 : Math.floor((timeS * count) / 8) % count;
      eachPixel(stretches, (pixel, place) => {
        const isHead = (head - place + count) % count < 3;
        put(
          light,
          pixel,
          isHead ? WHITE : itemAt(BANDS, pixels.strand[pixel]! % BANDS.length),
          level * (isHead ? 1 : 0.4),
        );
      });
    },
  },
  {
    id: 'checker',
    name: 'Checker',
    shows: 'Every second pixel, and the others half a second later: neighbours that answer together are one.',
    blindTo: 'order and mirroring, where counts are even',
    isMoving: true,
    paint: ({ stretches, timeS, level }, light) =>
      eachPixel(stretches, (pixel, place) => {
        if ((place + beat(timeS, STEPS_PER_SECOND)) % 2 === 0) put(light, pixel, WHITE, level);
      }),
  },
];

/** Labels are a picture of the whole wall; of it, what is selected. */
function paintLabels(
  { plan: { show, props, pixels, runs }, stretches, level }: Moment,
  light: Uint8Array,
): void {
  for (const { run, first, count } of stretches) {
    const prop = itemAt(show.props, itemAt(runs, run).prop);
    const laid = wallOf(prop);
    if (!laid) continue;
    const { width, height, rgb } = panelLabels(laid);
    const { firstPixel, pixelCount } = itemAt(props, itemAt(runs, run).prop);
    const [left, top, pitch] = cornerOf(pixels, firstPixel, pixelCount, width);
    for (let pixel = first; pixel < first + count; pixel += 1) {
      const x = Math.round((pixels.xMm[pixel]! - left) / pitch);
      const y = Math.round((top - pixels.yMm[pixel]!) / pitch);
      if (x < 0 || y < 0 || x >= width || y >= height) continue;
      const at = 3 * (y * width + x);
      put(light, pixel, [rgb[at]!, rgb[at + 1]!, rgb[at + 2]!, 0], level);
    }
  }
}

function cornerOf(
  { xMm, yMm }: Moment['plan']['pixels'],
  first: number,
  count: number,
  width: number,
): [left: number, top: number, pitchMm: number] {
  let [left, right, top] = [Infinity, -Infinity, -Infinity];
  for (let pixel = first; pixel < first + count; pixel += 1) {
    left = Math.min(left, xMm[pixel]!);
    right = Math.max(right, xMm[pixel]!);
    top = Math.max(top, yMm[pixel]!);
  }
  return [left, top, width > 1 ? (right - left) / (width - 1) : 1];
}

export const PATTERN_IDS = PATTERNS.map(({ id }) => id);

export function patternById(id: string): Pattern | undefined {
  return PATTERNS.find((pattern) => pattern.id === id);
}

/** The picture of a pattern on a show at a moment: four bytes for each pixel. */
export function painted(pattern: Pattern, moment: Moment): Uint8Array {
  const light = new Uint8Array(4 * moment.plan.pixelCount);
  pattern.paint(moment, light);
  return light;
}
