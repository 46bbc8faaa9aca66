import { z } from 'zod';
import { computed, given, product } from '../figures/explained';
import { orderStrands, type Strand } from '../threading/strands';
import { CORNERS, cornerSeenFrom, cornerWords } from '../threading/view';
import { formatLength, type Lengths } from '../units/length';
import { groupDigits } from '../units/number';
import { runsSchema, runsWords } from '../threading/runs';
import { definePropKind, type MeasureFact } from './kind';
import { itemAt } from '../units/there';

const spacingSchema = z.number().min(1).max(5000);
const sideSchema = z.int().min(1).max(1000);

const gridShapeSchema = z.strictObject({
  columns: sideSchema,
  rows: sideSchema,
  columnSpacingMm: spacingSchema,
  rowSpacingMm: spacingSchema,
  /** Seams for storage: after these columns from the left, and after these rows from the top. */
  seamsAfterColumns: z.array(sideSchema).max(100).optional(),
  seamsAfterRows: z.array(sideSchema).max(100).optional(),
});
type GridShape = z.infer<typeof gridShapeSchema>;

/** Sizes of the parts into which a side comes apart; one part without seams. */
export function partsOf(side: number, seams: readonly number[] = []): number[] {
  const cuts = [...new Set(seams)].filter((seam) => seam < side).sort((a, b) => a - b);
  return [...cuts, side].map((cut, i) => cut - (i === 0 ? 0 : itemAt(cuts, i - 1)));
}

function gridFacts(shape: GridShape, lengths: Lengths): MeasureFact[] {
  const columns = partsOf(shape.columns, shape.seamsAfterColumns);
  const rows = partsOf(shape.rows, shape.seamsAfterRows);
  const frames = columns.length * rows.length;
  if (frames === 1) return [];
  const side = (parts: number[]) => (new Set(parts).size === 1 ? `${parts[0]}` : parts.join(' + '));
  return [
    {
      name: 'Sub-frames',
      value: String(frames),
      note: `columns ${side(columns)}, rows ${side(rows)}; largest ${formatLength(Math.max(...columns) * shape.columnSpacingMm, lengths)} × ${formatLength(Math.max(...rows) * shape.rowSpacingMm, lengths)}`,
    },
  ];
}

const gridThreadingSchema = z.strictObject({
  /** The corner at which data enters, as seen from the front. */
  firstPixel: z.enum(CORNERS),
  along: z.enum(['rows', 'columns']),
  pattern: z.enum(['straight', 'serpentine']),
  runs: runsSchema,
});

/**
 * A pixel grid: a net, a mesh or a matrix of strings. Point (row r, column c), both from 0 at the top left of the front
 * view, has the index r * columns + c. The lower left pixel is at (0, 0).
 */
export const grid = definePropKind({
  kind: 'grid',
  label: 'Pixel grid',
  hint: 'Nets, mesh, windows, string matrices: columns and rows at even spacing.',
  glyph: {
    path: 'M4 5h0M9.3 5h0M14.6 5h0M20 5h0M4 10h0M9.3 10h0M14.6 10h0M20 10h0M4 15h0M9.3 15h0M14.6 15h0M20 15h0M4 20h0M9.3 20h0M14.6 20h0M20 20h0',
    line: 2.6,
  },
  shapeSchema: gridShapeSchema,
  threadingSchema: gridThreadingSchema,
  starter: (): {
    shape: z.infer<typeof gridShapeSchema>;
    threading: z.infer<typeof gridThreadingSchema>;
  } => ({
    shape: { columns: 10, rows: 10, columnSpacingMm: 100, rowSpacingMm: 100 },
    threading: { firstPixel: 'bottomLeft', along: 'columns', pattern: 'serpentine', runs: 1 },
  }),
  pixels: ({ columns, rows }, place) =>
    computed(
      'pixels',
      'pixels',
      product(given('columns', columns, 'number', { place }), given('rows', rows, 'number', { place })),
    ),
  summary: (shape) => `${groupDigits(shape.columns)} × ${groupDigits(shape.rows)} px`,
  points: ({ columns, rows, columnSpacingMm, rowSpacingMm }) => {
    const count = columns * rows;
    const xMm = new Float32Array(count);
    const yMm = new Float32Array(count);
    for (let row = 0, point = 0; row < rows; row += 1) {
      for (let column = 0; column < columns; column += 1, point += 1) {
        xMm[point] = column * columnSpacingMm;
        yMm[point] = (rows - 1 - row) * rowSpacingMm;
      }
    }
    return { xMm, yMm, zMm: new Float32Array(count) };
  },
  strands: ({ columns, rows }, threading) => {
    const atRight = threading.firstPixel === 'topRight' || threading.firstPixel === 'bottomRight';
    const atBottom = threading.firstPixel === 'bottomLeft' || threading.firstPixel === 'bottomRight';
    const serpentine = threading.pattern === 'serpentine';
    const strand = (i: number): Strand =>
      threading.along === 'rows'
        ? { number: i + 1, firstPoint: i * columns, step: 1, count: columns }
        : { number: i + 1, firstPoint: i, step: columns, count: rows };
    const natural = Array.from({ length: threading.along === 'rows' ? rows : columns }, (_, i) => strand(i));
    return threading.along === 'rows'
      ? orderStrands(natural, { lastStrandFirst: atBottom, fromFarEnd: atRight, serpentine })
      : orderStrands(natural, { lastStrandFirst: atRight, fromFarEnd: atBottom, serpentine });
  },
  strandWord: (threading) => (threading.along === 'rows' ? 'row' : 'column'),
  isJoined: () => false,
  seams: (shape) => [
    ...(shape.seamsAfterColumns ?? [])
      .filter((column) => column < shape.columns)
      .map((column) => ({ xMm: (column - 0.5) * shape.columnSpacingMm })),
    ...(shape.seamsAfterRows ?? [])
      .filter((row) => row < shape.rows)
      .map((row) => ({ yMm: (shape.rows - row - 0.5) * shape.rowSpacingMm })),
  ],
  withLeastSpacing: (shape, leastMm) => ({
    ...shape,
    columnSpacingMm: Math.max(shape.columnSpacingMm, leastMm),
    rowSpacingMm: Math.max(shape.rowSpacingMm, leastMm),
  }),
  facts: gridFacts,
  alternatives: (_shape, threading) =>
    (['serpentine', 'straight'] as const).flatMap((pattern) =>
      (['columns', 'rows'] as const).map((along) => ({ ...threading, pattern, along })),
    ),
  threadingFacts: ({ firstPixel }, side) => [
    {
      name: 'First pixel',
      value: cornerWords(cornerSeenFrom(side, firstPixel)),
      note: `seen from the ${side}`,
    },
  ],
  threadingWords: (threading) =>
    `${threading.pattern} along ${threading.along} from the ${cornerWords(threading.firstPixel)}, ${runsWords(threading.runs)}`,
});
