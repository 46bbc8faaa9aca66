import { z } from 'zod';
import { SHIPPED_PIXEL_TYPES } from '../catalogue/pixelType';
import { byId } from '../units/there';
import { given } from '../figures/explained';
import { runsSchema, runsWords } from '../threading/runs';
import { formatLength } from '../units/length';
import { countOf } from '../units/number';
import { definePropKind } from './kind';

export const CRAFT_LIMITS = { cells: 60, pixels: 1000, roles: 24 };

/** Facing of a pixel in the craft's own words: its nose is at the top of the board. */
export const FACINGS = ['up', 'down', 'nose', 'right', 'tail', 'left'] as const;
export type Facing = (typeof FACINGS)[number];

const roleSchema = z
  .string()
  .min(1)
  .max(30)
  .refine((word) => word.trim() === word, 'a word without a space at either end');

const craftPixelSchema = z.strictObject({
  /** From 0 at the left. */
  column: z
    .int()
    .min(0)
    .max(CRAFT_LIMITS.cells - 1),
  /** From 0 at the nose. */
  row: z
    .int()
    .min(0)
    .max(CRAFT_LIMITS.cells - 1),
  facing: z.enum(FACINGS),
  /** Purpose of its light, in words of the list of the craft. */
  roles: z.array(roleSchema).max(CRAFT_LIMITS.roles),
});
export type CraftPixel = z.infer<typeof craftPixelSchema>;

const craftShapeSchema = z
  .strictObject({
    columns: z.int().min(1).max(CRAFT_LIMITS.cells),
    rows: z.int().min(1).max(CRAFT_LIMITS.cells),
    cellMm: z.number().min(1).max(1000),
    /** Limit of the board. */
    mostPixels: z.int().min(1).max(CRAFT_LIMITS.pixels),
    roles: z.array(roleSchema).max(CRAFT_LIMITS.roles),
    /** Number of the first pixel on its board; 1 where nobody said it. */
    countsFrom: z.literal([0, 1]).optional(),
    /** A data lead is left hanging behind the last pixel, for what may come later. */
    spareLead: z.literal(true).optional(),
    /** In the order of the wire. */
    pixels: z.array(craftPixelSchema).max(CRAFT_LIMITS.pixels),
  })
  .superRefine(({ columns, rows, roles, pixels }, context) => {
    const problem = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message });
    const taken = new Map<number, number>();
    if (new Set(roles).size < roles.length) problem(['roles'], 'a list in which each role stands once');
    pixels.forEach((pixel, i) => {
      if (pixel.column >= columns || pixel.row >= rows)
        problem(['pixels', i], `a cell on the board of ${columns} by ${rows}`);
      const cell = pixel.row * CRAFT_LIMITS.cells + pixel.column;
      const first = taken.get(cell);
      if (first !== undefined) problem(['pixels', i], `a cell that pixel ${first + 1} does not have`);
      taken.set(cell, i);
      const unknown = pixel.roles.find((role) => !roles.includes(role));
      if (unknown !== undefined) problem(['pixels', i, 'roles'], `a role of the list, not “${unknown}”`);
    });
  });
export type CraftShape = z.infer<typeof craftShapeSchema>;

const craftThreadingSchema = z.strictObject({ runs: runsSchema });

/**
 * A small craft: single pixels on the cells of a board, seen from above, numbered in the order of the wire. The cell at the
 * left of the tail is at (0, 0); the nose is up.
 */
export const craft = definePropKind({
  kind: 'craft',
  isMotorised: true,
  label: 'Craft',
  hint: 'Model boats, vehicles, costumes: single pixels on a board, numbered by clicking, each facing its own way.',
  glyph: { path: 'M3 14h18l-3 6H6zM12 14V4l6 7h-6' },
  shapeSchema: craftShapeSchema,
  threadingSchema: craftThreadingSchema,
  usualPixelType: byId(SHIPPED_PIXEL_TYPES, 'bullet-5v-ws2811'),
  usualControllers: () => ['flight-board'],
  starter: (): { shape: CraftShape; threading: z.infer<typeof craftThreadingSchema> } => ({
    shape: { columns: 9, rows: 5, cellMm: 40, mostPixels: 32, roles: [], pixels: [] },
    threading: { runs: 1 },
  }),
  pixels: (shape, place) => given('LEDs on the board', shape.pixels.length, 'pixels', { place }),
  summary: (shape) => `${shape.pixels.length} of ${shape.mostPixels} px`,
  points: ({ rows, cellMm, pixels }) => ({
    xMm: Float32Array.from(pixels, (pixel) => pixel.column * cellMm),
    yMm: Float32Array.from(pixels, (pixel) => (rows - 1 - pixel.row) * cellMm),
    zMm: new Float32Array(pixels.length),
  }),
  strands: ({ pixels }) => [{ number: 1, firstPoint: 0, step: 1, count: pixels.length }],
  strandWord: () => 'chain',
  isJoined: () => true,
  withLeastSpacing: (shape, leastMm) => ({ ...shape, cellMm: Math.max(shape.cellMm, leastMm) }),
  sides: { front: 'seen from above', back: 'seen from below' },
  facts: ({ columns, rows, cellMm, mostPixels, pixels, countsFrom, spareLead }, lengths) => [
    {
      name: 'Board',
      value: `${formatLength(columns * cellMm, lengths)} × ${formatLength(rows * cellMm, lengths)}`,
      note: `${columns} by ${rows} cells`,
    },
    {
      name: 'Room on the board',
      value:
        pixels.length <= mostPixels
          ? `for ${countOf(mostPixels - pixels.length, 'more pixel')}`
          : `${pixels.length - mostPixels} too many`,
    },
    ...(spareLead
      ? [
          {
            name: 'Spare data lead',
            value: `for number ${boardNumber({ countsFrom }, pixels.length)}`,
            note: 'left hanging behind the last pixel: insulate its end, and mark it so',
          },
        ]
      : []),
    ...FACINGS.flatMap((facing) => {
      const count = pixels.filter((pixel) => pixel.facing === facing).length;
      return count === 0 ? [] : [{ name: `Facing ${facing}`, value: String(count) }];
    }),
  ],
  threadingWords: (threading) => `in the order of its numbers, ${runsWords(threading.runs)}`,
});

/** Number of a pixel on the board of a craft. @param at its place in the order of the wire, from 0; the one after the last is the next to come */
export function boardNumber({ countsFrom = 1 }: Pick<CraftShape, 'countsFrom'>, at: number): number {
  return at + countsFrom;
}

/** Puts a pixel on a cell, as number `at` (from 0) in the order of the wire; those after it move up by one. */
export function withPixel(shape: CraftShape, at: number, column: number, row: number): CraftShape {
  if (shape.pixels.some((pixel) => pixel.column === column && pixel.row === row)) return shape;
  const before = shape.pixels[at - 1];
  const pixel: CraftPixel = { column, row, facing: before?.facing ?? 'up', roles: [] };
  return { ...shape, pixels: [...shape.pixels.slice(0, at), pixel, ...shape.pixels.slice(at)] };
}

/** The craft with a role called otherwise, on its list and on every pixel that has it. */
export function renamedRole(shape: CraftShape, role: string, name: string): CraftShape {
  const renamed = (roles: readonly string[]) => roles.map((each) => (each === role ? name : each));
  return {
    ...shape,
    roles: renamed(shape.roles),
    pixels: shape.pixels.map((pixel) => ({ ...pixel, roles: renamed(pixel.roles) })),
  };
}

/** The craft without a role; its pixels stay. */
export function withoutRole(shape: CraftShape, role: string): CraftShape {
  const without = (roles: readonly string[]) => roles.filter((each) => each !== role);
  return {
    ...shape,
    roles: without(shape.roles),
    pixels: shape.pixels.map((pixel) => ({ ...pixel, roles: without(pixel.roles) })),
  };
}

/** Cells on the straight line from one to another that is nearest to a row, a column or a diagonal. */
export function cellsBetween(
  from: { column: number; row: number },
  to: { column: number; row: number },
): { column: number; row: number }[] {
  const [dx, dy] = [to.column - from.column, to.row - from.row];
  const length = Math.max(Math.abs(dx), Math.abs(dy));
  // A line that is hardly aslant is meant to be straight.
  const straight = (along: number, across: number) =>
    Math.abs(across) * 2 < Math.abs(along) ? 0 : Math.sign(across);
  const stepX = Math.abs(dx) >= Math.abs(dy) ? Math.sign(dx) : straight(dy, dx);
  const stepY = Math.abs(dy) >= Math.abs(dx) ? Math.sign(dy) : straight(dx, dy);
  return Array.from({ length: length + 1 }, (_, i) => ({
    column: from.column + stepX * i,
    row: from.row + stepY * i,
  }));
}
