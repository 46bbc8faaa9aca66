import { z } from 'zod';
import { computed, fromFigure, given, product } from '../figures/explained';
import { SHIPPED_PIXEL_TYPES } from '../catalogue/pixelType';
import {
  chainPlaces,
  chainingSchema,
  chainsOf,
  placeName,
  type Chain,
  type WallCells,
} from '../panels/chains';
import type { LaidWall } from '../panels/laidWall';
import { panelPixelFinder } from '../panels/panelMap';
import { pictureIndex, pictureXy } from '../panels/pictureMap';
import { cardsOf, driverSchema, evenCards, fewestCards, USUAL_HAT } from '../panels/driver';
import { PANEL_COLOUR_ORDERS, panelTypeSchema, SHIPPED_PANELS } from '../panels/panelType';
import { standingWords } from '../figures/figure';
import { orderStrands } from '../threading/strands';
import { CORNERS, cornerWords } from '../threading/view';
import { formatLength } from '../units/length';
import { countOf, groupDigits } from '../units/number';
import { definePropKind, type MeasureFact } from './kind';
import { itemAt, byId } from '../units/there';

export const WALL_LIMITS = { side: 64, pixels: 4_000_000 };

/** A panel that differs from the others. Columns and rows count from 0 at the top left, seen from the front. */
const otherPanelSchema = z.strictObject({
  column: z
    .int()
    .min(0)
    .max(WALL_LIMITS.side - 1),
  row: z
    .int()
    .min(0)
    .max(WALL_LIMITS.side - 1),
  /** No panel there: walls in the shape of an L or a T. */
  missing: z.literal(true).optional(),
  /** A panel of another batch may want another order. */
  colourOrder: z.enum(PANEL_COLOUR_ORDERS).optional(),
});

const wallShapeSchema = z
  .strictObject({
    panel: panelTypeSchema,
    columns: z.int().min(1).max(WALL_LIMITS.side),
    rows: z.int().min(1).max(WALL_LIMITS.side),
    others: z
      .array(otherPanelSchema)
      .max(WALL_LIMITS.side ** 2)
      .optional(),
  })
  .superRefine(({ panel, columns, rows }, context) => {
    const pixels = columns * rows * panel.columns * panel.rows;
    if (pixels > WALL_LIMITS.pixels)
      context.addIssue({
        code: 'custom',
        path: ['columns'],
        message: `a wall of at most ${groupDigits(WALL_LIMITS.pixels)} pixels, not ${groupDigits(pixels)},`,
      });
  });
export type WallShape = z.infer<typeof wallShapeSchema>;

const wallThreadingSchema = z.strictObject({
  /** The corner at which the sender’s first pixel is, seen from the front: the picture map. */
  pictureCorner: z.enum(CORNERS),
  driver: driverSchema,
  /** Which panel is where on which output: the panel map. */
  chaining: chainingSchema,
  /** The sender sees a wall as one picture. */
  runs: z.literal(1),
});
export type WallThreading = z.infer<typeof wallThreadingSchema>;

/** Cells without a panel: row * columns + column. */
export function missingCells({ columns, rows, others }: WallShape): Set<number> {
  return new Set(
    (others ?? []).flatMap((other) =>
      other.missing && other.column < columns && other.row < rows ? [other.row * columns + other.column] : [],
    ),
  );
}

export function cellsOfWall(shape: WallShape): WallCells {
  return { panel: shape.panel, columns: shape.columns, rows: shape.rows, missing: missingCells(shape) };
}

export function wallPixels({ panel, columns, rows }: WallShape): { width: number; height: number } {
  return { width: columns * panel.columns, height: rows * panel.rows };
}

/** Panels that are there. */
function panelCount(shape: WallShape): number {
  return shape.columns * shape.rows - missingCells(shape).size;
}

/** A wall with its chains laid. */
export function layWall({ shape, threading }: { shape: WallShape; threading: WallThreading }): LaidWall {
  const wall = cellsOfWall(shape);
  const chains = chainsOfWall(shape, threading);
  const places = new Uint16Array(shape.columns * shape.rows);
  for (const chain of chains)
    for (const panel of chain.panels) places[panel.row * shape.columns + panel.column]! += 1;
  const unchained: number[] = [];
  const twice: number[] = [];
  places.forEach((count, cell) => {
    if (count === 0 && !wall.missing.has(cell)) unchained.push(cell);
    if (count > 1) twice.push(cell);
  });
  const { pictureCorner, driver } = threading;
  return {
    wall,
    chains,
    cards: cardsOf(driver, shape.columns, shape.rows),
    pictureCorner,
    depthBits: driver.depthBits,
    unchained,
    twice,
  };
}

/** Chains are laid once for each threading; a pixel of a wall is asked for again and again. */
const laidChains = new WeakMap<WallThreading, { shape: WallShape; chains: Chain[] }>();

function chainsOfWall(shape: WallShape, threading: WallThreading): Chain[] {
  const known = laidChains.get(threading);
  if (known?.shape === shape) return known.chains;
  const chains = chainsOf(cellsOfWall(shape), threading.driver, threading.chaining);
  laidChains.set(threading, { shape, chains });
  return chains;
}

function cardPixels({ panel }: Pick<WallShape, 'panel'>, card: { columns: number; rows: number }): number {
  return card.columns * panel.columns * card.rows * panel.rows;
}

/**
 * A wall of LED panels. Its points are the pixels of the whole rectangle, row by row from the top left; the lower left pixel
 * is at (0, 0). The sender’s order is the picture map; chains and turns of panels are behind the driver and change no address.
 */
export const wall = definePropKind({
  kind: 'wall',
  label: 'Panel wall',
  hint: 'LED panels side by side behind a small computer or receiver cards: score boards, video walls.',
  glyph: { path: 'M3 5h18v14H3zM9 5v14M15 5v14M3 12h18' },
  shapeSchema: wallShapeSchema,
  threadingSchema: wallThreadingSchema,
  starter: (): { shape: WallShape; threading: WallThreading } => ({
    shape: { panel: itemAt(SHIPPED_PANELS, 0), columns: 3, rows: 3 },
    threading: {
      pictureCorner: 'topLeft',
      driver: USUAL_HAT,
      // The usual socket is at the right seen from the front: data comes in there, and no panel of the first row is turned.
      chaining: { by: 'design', style: 'lineEach', along: 'rows', entry: 'topRight' },
      runs: 1,
    },
  }),
  pixelType: byId(SHIPPED_PIXEL_TYPES, 'panel-5v'),
  chipOrders: (shape) => {
    const { panel, columns, rows } = shape;
    const others = (shape.others ?? []).filter(
      (other) => !other.missing && other.column < columns && other.row < rows && other.colourOrder,
    );
    return [...new Set([panel.colourOrder, ...others.map((other) => other.colourOrder!)])];
  },
  usualControllers: ({ driver }) => [driver.kind === 'cards' ? 'panel-card' : 'panel-player'],
  panels: (shape, threading) => layWall({ shape, threading }),
  panelPower: (shape) => {
    const missing = missingCells(shape);
    return {
      columns: shape.columns,
      rows: shape.rows,
      volts: 5,
      ampsFullWhite: shape.panel.ampsFullWhite,
      isMissing: (column, row) => missing.has((row - 1) * shape.columns + column - 1),
    };
  },
  drivenPixels: (shape, { driver }) =>
    Math.max(...cardsOf(driver, shape.columns, shape.rows).map((card) => cardPixels(shape, card))),
  withDrivenPixels: (shape, threading, most) => {
    const { driver } = threading;
    if (driver.kind !== 'cards') return null;
    const cut = fewestCards(
      shape.columns,
      shape.rows,
      Math.floor(most / cardPixels(shape, { columns: 1, rows: 1 })),
    );
    if (!cut) return null;
    const [across, down] = cut;
    return {
      threading: {
        ...threading,
        driver: { ...driver, cards: evenCards(shape.columns, shape.rows, across, down) },
      },
      words: `${countOf(across * down, 'card')}, ${across} across and ${down} down`,
    };
  },
  orderOf: ({ pictureCorner }) => pictureCorner,
  pixels: (shape, place) =>
    computed(
      'pixels',
      'pixels',
      product(
        given('panels across', shape.columns, 'number', { place }),
        given('pixels across a panel', shape.panel.columns, 'pixels', { place }),
        given('panels down', shape.rows, 'number', { place }),
        given('pixels down a panel', shape.panel.rows, 'number', { place }),
      ),
      missingCells(shape).size > 0
        ? {
            because:
              'A sender counts the picture as a rectangle: panels that are left out keep their pixels.',
          }
        : {},
    ),
  summary: (shape) => `${shape.columns} × ${shape.rows} panels`,
  points: (shape) => {
    const { width, height } = wallPixels(shape);
    const { pitchMm } = shape.panel;
    const xMm = new Float32Array(width * height);
    const yMm = new Float32Array(width * height);
    for (let y = 0, point = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1, point += 1) {
        xMm[point] = x * pitchMm;
        yMm[point] = (height - 1 - y) * pitchMm;
      }
    return { xMm, yMm, zMm: new Float32Array(width * height) };
  },
  strands: (shape, { pictureCorner }) => {
    const { width, height } = wallPixels(shape);
    return orderStrands(
      Array.from({ length: height }, (_, i) => ({
        number: i + 1,
        firstPoint: i * width,
        step: 1,
        count: width,
      })),
      {
        lastStrandFirst: pictureCorner === 'bottomLeft' || pictureCorner === 'bottomRight',
        fromFarEnd: pictureCorner === 'topRight' || pictureCorner === 'bottomRight',
        serpentine: false,
      },
    );
  },
  strandWord: () => 'pixel row',
  isJoined: () => true,
  hiddenPoints: (shape) => {
    const { panel, columns } = shape;
    const { width } = wallPixels(shape);
    const missing = [...missingCells(shape)];
    const hidden = new Uint32Array(missing.length * panel.columns * panel.rows);
    let at = 0;
    for (const cell of missing) {
      const [left, top] = [(cell % columns) * panel.columns, Math.floor(cell / columns) * panel.rows];
      for (let y = top; y < top + panel.rows; y += 1)
        for (let x = left; x < left + panel.columns; x += 1, at += 1) hidden[at] = y * width + x;
    }
    return hidden;
  },
  pixelFacts: (shape, threading, pixel) => {
    const { width, height } = wallPixels(shape);
    const { panel, columns } = shape;
    const [x, y] = pictureXy({ width, height, corner: threading.pictureCorner }, pixel);
    const [column, row] = [Math.floor(x / panel.columns), Math.floor(y / panel.rows)];
    const chains = chainsOfWall(shape, threading);
    const found = chainPlaces(chains, columns).get(row * columns + column);
    const facts: MeasureFact[] = [
      {
        name: 'On the wall',
        value: `${x}, ${y}`,
        note: 'across and down from the top left, from 0, from the front',
      },
      { name: 'Panel', value: `${row + 1}.${column + 1}`, note: 'row.column as seen from the front' },
    ];
    if (!found) return [...facts, { name: 'Output', value: 'none', note: 'this panel is on no chain' }];
    const chain = itemAt(chains, found.chain);
    const { turnDeg } = itemAt(chain.panels, found.place);
    const own = panelPixelFinder(chains, { panel, columns })(x, y)!;
    const cards = cardsOf(threading.driver, columns, shape.rows).length;
    return [
      ...facts,
      {
        name: 'Output and place',
        value: placeName(chain, found.place, cards),
        note: `${cards > 1 ? 'card.output.place' : 'output.place'}: the place is that in its chain${turnDeg === 0 ? '' : `; turned ${turnDeg}°`}`,
      },
      {
        name: 'On the panel',
        value: `${own.x}, ${own.y}`,
        note: 'from its top left with the arrow up, from 0',
      },
    ];
  },
  pixelOfPanel: (shape, threading, row, column) => {
    if (row < 1 || column < 1 || row > shape.rows || column > shape.columns) return null;
    const { width, height } = wallPixels(shape);
    const [x, y] = [(column - 1) * shape.panel.columns, (row - 1) * shape.panel.rows];
    return pictureIndex({ width, height, corner: threading.pictureCorner }, x, y);
  },
  facts: (shape, lengths) => {
    const { width, height } = wallPixels(shape);
    const { pitchMm, ampsFullWhite } = shape.panel;
    const [wide, high] = [width * pitchMm, height * pitchMm];
    const panels = given('panels', panelCount(shape), 'number');
    const amps = computed(
      'amps at full white',
      'amps',
      product(panels, fromFigure('amps of a panel', ampsFullWhite, 'amps')),
    );
    return [
      {
        name: 'Panels',
        value: groupDigits(panels.value),
        note: `${shape.panel.columns} × ${shape.panel.rows} pixels each`,
      },
      { name: 'Picture', value: `${groupDigits(width)} × ${groupDigits(height)} px`, note: 'the whole wall' },
      {
        name: 'Outer size',
        value: `${formatLength(wide, lengths)} × ${formatLength(high, lengths)}`,
        note: 'edge to edge, from the pitch',
      },
      {
        name: 'Diagonal',
        value: formatLength(Math.round(Math.hypot(wide, high)), lengths),
        note: `${(Math.hypot(wide, high) / 25.4).toFixed(1)} in`,
      },
      {
        name: 'At full white',
        value: `${Number(amps.value.toFixed(1))} A`,
        why: amps,
        note: `${groupDigits(Math.round(amps.value * 5))} W at 5 V; ${ampsFullWhite.value} A a panel (${standingWords(ampsFullWhite)})`,
      },
    ];
  },
  threadingWords: ({ pictureCorner }) => `picture from the ${cornerWords(pictureCorner)}`,
});
