import { z } from 'zod';
import { computed, given, product } from '../figures/explained';
import { cellOrder } from '../threading/cells';
import { runsSchema, runsWords } from '../threading/runs';
import { CORNERS, cornerWords } from '../threading/view';
import { formatLength } from '../units/length';
import { groupDigits } from '../units/number';
import { definePropKind } from './kind';

export const TILE_LIMITS = { tiles: 100, pixels: 64, mostPitchMm: 2000 };

const orderFields = {
  /** As seen from the front. */
  firstPixel: z.enum(CORNERS),
  along: z.enum(['rows', 'columns']),
  pattern: z.enum(['straight', 'serpentine']),
};

const tileShapeSchema = z.strictObject({
  /** Tiles beside each other and one above the other. */
  columns: z.int().min(1).max(TILE_LIMITS.tiles),
  rows: z.int().min(1).max(TILE_LIMITS.tiles),
  /** One tile: its pixels and the order in which they take its channels. */
  tile: z.strictObject({
    columns: z.int().min(1).max(TILE_LIMITS.pixels),
    rows: z.int().min(1).max(TILE_LIMITS.pixels),
    ...orderFields,
  }),
  /** Between neighbouring pixels of one tile. */
  pitchMm: z.number().min(1).max(TILE_LIMITS.mostPitchMm),
  /** Added between the last pixel of a tile and the first of the next one. */
  gapMm: z.number().min(0).max(TILE_LIMITS.mostPitchMm),
});
export type TileShape = z.infer<typeof tileShapeSchema>;

const tileThreadingSchema = z.strictObject({ ...orderFields, runs: runsSchema });
type TileThreading = z.infer<typeof tileThreadingSchema>;

const pixelsOfTile = ({ tile }: TileShape) => tile.columns * tile.rows;

/**
 * Tiles that carry an address each and are daisy-chained. Points are numbered tile by tile, row by row from the top left, and
 * inside a tile in the order of its channels. The lower left pixel of all is at (0, 0).
 */
export const tile = definePropKind({
  kind: 'tile',
  label: 'Addressed tiles',
  hint: 'Deck or wall tiles of w × h pixels, each with a start address of its own, chained from one to the next.',
  glyph: { path: 'M4 4h7v7H4zM13 4h7v7h-7zM4 13h7v7H4zM13 13h7v7h-7z' },
  shapeSchema: tileShapeSchema,
  threadingSchema: tileThreadingSchema,
  starter: (): { shape: TileShape; threading: TileThreading } => ({
    shape: {
      columns: 3,
      rows: 2,
      tile: { columns: 6, rows: 6, firstPixel: 'topLeft', along: 'rows', pattern: 'straight' },
      pitchMm: 50,
      gapMm: 0,
    },
    threading: { firstPixel: 'topLeft', along: 'rows', pattern: 'serpentine', runs: 1 },
  }),
  pixels: ({ columns, rows, tile: { columns: across, rows: down } }, place) =>
    computed(
      'pixels',
      'pixels',
      product(
        given('tiles across', columns, 'number', { place }),
        given('tiles down', rows, 'number', { place }),
        given('pixels across a tile', across, 'pixels', { place }),
        given('pixels down a tile', down, 'number', { place }),
      ),
    ),
  summary: (shape) =>
    `${groupDigits(shape.columns * shape.rows)} × ${shape.tile.columns}×${shape.tile.rows} px`,
  points: (shape) => {
    const inside = cellOrder(shape.tile.columns, shape.tile.rows, shape.tile);
    const count = shape.columns * shape.rows * inside.length;
    const xMm = new Float32Array(count);
    const yMm = new Float32Array(count);
    const stepX = shape.tile.columns * shape.pitchMm + shape.gapMm;
    const stepY = shape.tile.rows * shape.pitchMm + shape.gapMm;
    let point = 0;
    for (let row = 0; row < shape.rows; row += 1)
      for (let column = 0; column < shape.columns; column += 1)
        for (const cell of inside) {
          const tileColumn = cell % shape.tile.columns;
          const tileRow = (cell - tileColumn) / shape.tile.columns;
          xMm[point] = column * stepX + tileColumn * shape.pitchMm;
          yMm[point] = (shape.rows - 1 - row) * stepY + (shape.tile.rows - 1 - tileRow) * shape.pitchMm;
          point += 1;
        }
    return { xMm, yMm, zMm: new Float32Array(count) };
  },
  strands: (shape, threading) => {
    const count = pixelsOfTile(shape);
    return cellOrder(shape.columns, shape.rows, threading).map((cell) => ({
      number: cell + 1,
      firstPoint: cell * count,
      step: 1,
      count,
    }));
  },
  strandWord: () => 'tile',
  isJoined: () => false,
  fixturePixels: pixelsOfTile,
  withLeastSpacing: (shape, leastMm) => ({ ...shape, pitchMm: Math.max(shape.pitchMm, leastMm) }),
  alternatives: (_shape, threading) =>
    (['serpentine', 'straight'] as const).flatMap((pattern) =>
      (['rows', 'columns'] as const).map((along) => ({ ...threading, pattern, along })),
    ),
  facts: (shape) => [
    {
      name: 'One tile',
      value: `${pixelsOfTile(shape)} px`,
      note: `${formatLength(shape.tile.columns * shape.pitchMm)} × ${formatLength(shape.tile.rows * shape.pitchMm)} with half a pitch around`,
    },
  ],
  threadingWords: (threading) =>
    `tiles ${threading.pattern} along ${threading.along} from the ${cornerWords(threading.firstPixel)}, ${runsWords(threading.runs)}`,
});
