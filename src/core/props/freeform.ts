import { z } from 'zod';
import { given } from '../figures/explained';
import { orderStrands } from '../threading/strands';
import { runsSchema, runsWords } from '../threading/runs';
import { formatLength } from '../units/length';
import { countOf, groupDigits } from '../units/number';
import { backdropSchema } from './backdrop';
import { definePropKind } from './kind';
import { itemAt } from '../units/there';

export const FREEFORM_LIMITS = { points: 100_000, pieces: 5000, mostMm: 1_000_000 };

const coordinatesSchema = z
  .array(z.number().min(-FREEFORM_LIMITS.mostMm).max(FREEFORM_LIMITS.mostMm))
  .max(FREEFORM_LIMITS.points);

const freeformShapeSchema = z
  .strictObject({
    /** In the order of the data. */
    xMm: coordinatesSchema,
    yMm: coordinatesSchema,
    /** Absent where all of it is flat. */
    zMm: coordinatesSchema.optional(),
    /** Pixels of each unbroken piece, one piece after another. */
    pieces: z.array(z.int().min(1).max(FREEFORM_LIMITS.points)).max(FREEFORM_LIMITS.pieces),
    /** Source of the points, in the builder's words. */
    source: z.string().max(200),
    backdrop: backdropSchema.optional(),
  })
  .superRefine(({ xMm, yMm, zMm, pieces }, context) => {
    const problem = (path: string[], message: string) => context.addIssue({ code: 'custom', path, message });
    if (yMm.length !== xMm.length) problem(['yMm'], `a list of ${xMm.length} numbers, as xMm has`);
    if (zMm && zMm.length !== xMm.length) problem(['zMm'], `a list of ${xMm.length} numbers, as xMm has`);
    const sum = pieces.reduce((total, count) => total + count, 0);
    if (sum !== xMm.length)
      problem(['pieces'], `a list of counts that sums up to the ${xMm.length} points, not to ${sum},`);
  });
type FreeformShape = z.infer<typeof freeformShapeSchema>;

const freeformThreadingSchema = z.strictObject({
  firstPixel: z.enum(['start', 'end']),
  runs: runsSchema,
});

/** Points wherever they are, in data order: read from a table, laid along a drawing, or traced over a photo. */
export const freeform = definePropKind({
  kind: 'freeform',
  label: 'Free-form',
  hint: 'Signs and sculptures: points from a CSV, along an SVG drawing, or traced over a photo.',
  glyph: { path: 'M3 17c3-9 5-9 7-3s5 5 5-1 3-8 6-8' },
  shapeSchema: freeformShapeSchema,
  threadingSchema: freeformThreadingSchema,
  starter: (): { shape: FreeformShape; threading: z.infer<typeof freeformThreadingSchema> } => ({
    shape: { xMm: [], yMm: [], pieces: [], source: '' },
    threading: { firstPixel: 'start', runs: 1 },
  }),
  pixels: (shape, place) => given('points', shape.xMm.length, 'pixels', { place }),
  summary: (shape) =>
    shape.pieces.length > 1
      ? `${shape.pieces.length} pieces, ${groupDigits(shape.xMm.length)} px`
      : `${groupDigits(shape.xMm.length)} px`,
  points: (shape) => ({
    xMm: Float32Array.from(shape.xMm),
    yMm: Float32Array.from(shape.yMm),
    zMm: shape.zMm ? Float32Array.from(shape.zMm) : new Float32Array(shape.xMm.length),
  }),
  strands: ({ pieces }, threading) => {
    let firstPoint = 0;
    const natural = pieces.map((count, i) => {
      const strand = { number: i + 1, firstPoint, step: 1, count };
      firstPoint += count;
      return strand;
    });
    const fromEnd = threading.firstPixel === 'end';
    return orderStrands(natural, { lastStrandFirst: fromEnd, fromFarEnd: fromEnd, serpentine: false });
  },
  strandWord: () => 'piece',
  isJoined: () => false,
  facts: (shape, lengths) => [
    ...(shape.source === '' ? [] : [{ name: 'Points from', value: shape.source }]),
    { name: 'Pieces', value: countOf(shape.pieces.length, 'piece') },
    ...(shape.xMm.length < 2
      ? []
      : [
          {
            name: 'Length',
            value: formatLength(piecesLengthMm(shape), lengths),
            note: 'pixel to pixel, without jumpers',
          },
        ]),
  ],
  alternatives: (_shape, threading) =>
    (['start', 'end'] as const).map((firstPixel) => ({ ...threading, firstPixel })),
  threadingWords: (threading) => `from the ${threading.firstPixel}, ${runsWords(threading.runs)}`,
});

/** Sum of the straight distances between neighbours of the same piece. */
function piecesLengthMm({ xMm, yMm, zMm, pieces }: FreeformShape): number {
  let length = 0;
  let point = 0;
  for (const count of pieces) {
    for (let i = 1; i < count; i += 1) {
      const [a, b] = [point + i - 1, point + i];
      length += Math.hypot(
        itemAt(xMm, b) - itemAt(xMm, a),
        itemAt(yMm, b) - itemAt(yMm, a),
        zMm ? itemAt(zMm, b) - itemAt(zMm, a) : 0,
      );
    }
    point += count;
  }
  return length;
}
