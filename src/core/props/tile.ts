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

const tileShapeSchema = z
  .strictObject({
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
    /** Tiles that hang turned, clockwise as seen from the front. A quarter turn needs as many pixels down as across. */
    turned: z
      .array(
        z.strictObject({
          /** From 0 at the top left, seen from the front. */
          column: z
            .int()
            .min(0)
            .max(TILE_LIMITS.tiles - 1),
          row: z
            .int()
            .min(0)
            .max(TILE_LIMITS.tiles - 1),
          turnDeg: z.literal([90, 180, 270]),
        }),
      )
      .max(TILE_LIMITS.tiles ** 2)
      .optional(),
    /** Added between the last pixel of a tile and the first of the next one. */
    gapMm: z.number().min(0).max(TILE_LIMITS.mostPitchMm),
  })
  .superRefine(({ tile, turned = [] }, context) => {
    const seen = new Set<string>();
    turned.forEach(({ column, row, turnDeg }, i) => {
      const problem = (field: string, message: string) =>
        context.addIssue({ code: 'custom', path: ['turned', i, field], message });
      if (seen.has(`${column} ${row}`)) problem('column', 'a tile that is not in the list already');
      if (turnDeg !== 180 && tile.columns !== tile.rows)
        problem(
          'turnDeg',
          `a half turn of 180, since a tile of ${tile.columns} by ${tile.rows} does not fit its place on its side`,
        );
      seen.add(`${column} ${row}`);
    });
  });
export type TileShape = z.infer<typeof tileShapeSchema>;

const tileThreadingSchema = z.strictObject({ ...orderFields, runs: runsSchema });
type TileThreading = z.infer<typeof tileThreadingSchema>;

/** Column and row, from the top left as it hangs, of a cell of a tile that is turned clockwise. */
function turnedCell(
  { columns, rows }: { columns: number; rows: number },
  cell: number,
  turnDeg: number,
): [column: number, row: number] {
  const column = cell % columns;
  const row = (cell - column) / columns;
  switch (turnDeg) {
    case 90:
      return [rows - 1 - row, column];
    case 180:
      return [columns - 1 - column, rows - 1 - row];
    case 270:
      return [row, columns - 1 - column];
    default:
      return [column, row];
  }
}

/** The turn of a tile, clockwise as seen from the front. @param number from 1, row by row from the top left */
export function tileTurn({ columns, turned }: Pick<TileShape, 'columns' | 'turned'>, number: number): number {
  const at = number - 1;
  const own = turned?.find((each) => each.row === Math.floor(at / columns) && each.column === at % columns);
  return own?.turnDeg ?? 0;
}

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
    const turns = new Map(
      shape.turned?.map((each) => [each.row * TILE_LIMITS.tiles + each.column, each.turnDeg]),
    );
    let point = 0;
    for (let row = 0; row < shape.rows; row += 1)
      for (let column = 0; column < shape.columns; column += 1)
        for (const cell of inside) {
          const [tileColumn, tileRow] = turnedCell(
            shape.tile,
            cell,
            turns.get(row * TILE_LIMITS.tiles + column) ?? 0,
          );
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
  facts: (shape, lengths) => [
    {
      name: 'One tile',
      value: `${pixelsOfTile(shape)} px`,
      note: `${formatLength(shape.tile.columns * shape.pitchMm, lengths)} × ${formatLength(shape.tile.rows * shape.pitchMm, lengths)} with half a pitch around`,
    },
  ],
  threadingWords: (threading) =>
    `tiles ${threading.pattern} along ${threading.along} from the ${cornerWords(threading.firstPixel)}, ${runsWords(threading.runs)}`,
});
