import { z } from 'zod';
import { orderStrands, type Strand } from '../threading/strands';
import { formatLength } from '../units/length';
import { countOf, groupDigits } from '../units/number';
import { MOST_RUNS, definePropKind } from './kind';

export const MOST_LEGS = 200;
export const MOST_PIXELS_PER_LEG = 10_000;
export const MOST_LEG_MM = 1_000_000;

const legPixelsSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('count'), count: z.int().min(1).max(MOST_PIXELS_PER_LEG) }),
  z.strictObject({ by: z.literal('spacing'), spacingMm: z.number().min(1).max(5000) }),
]);

const legSchema = z.strictObject({
  lengthMm: z.number().min(1).max(MOST_LEG_MM),
  /** Where the leg points, front view: 0 to the right, 90 up, 180 to the left, 270 down. */
  headingDeg: z.number().min(-360).max(360),
  pixels: legPixelsSchema,
});

export type Leg = z.infer<typeof legSchema>;

const lineShapeSchema = z.strictObject({
  legs: z.array(legSchema).min(1).max(MOST_LEGS),
});

const lineThreadingSchema = z.strictObject({
  /** The end at which data enters. */
  firstPixel: z.enum(['start', 'end']),
  runs: z.int().min(1).max(MOST_RUNS),
});

/**
 * Distance between neighbouring pixels of a leg.
 *
 * A leg of n pixels gives each n-th part of its length to one pixel, which sits in the middle of its part. So the spacing
 * carries on round a corner between two legs of the same pitch.
 */
export function legSpacingMm(leg: Leg): number {
  return leg.pixels.by === 'count' ? leg.lengthMm / leg.pixels.count : leg.pixels.spacingMm;
}

/** Pixels on a leg; by spacing, as many whole spacings as the leg holds, at most the limit per leg. */
export function legPixelCount(leg: Leg): number {
  if (leg.pixels.by === 'count') return leg.pixels.count;
  // A tape measure does not tell a millionth of a spacing from none; rounding must not lose the last pixel.
  return Math.min(MOST_PIXELS_PER_LEG, Math.floor(leg.lengthMm / leg.pixels.spacingMm + 1e-6));
}

function legStrands(legs: readonly Leg[]): Strand[] {
  let firstPoint = 0;
  return legs.map((leg, i) => {
    const strand = { number: i + 1, firstPoint, step: 1, count: legPixelCount(leg) };
    firstPoint += strand.count;
    return strand;
  });
}

function linePixelCount(legs: readonly Leg[]): number {
  return legs.reduce((sum, leg) => sum + legPixelCount(leg), 0);
}

/** A measured line: straight legs one after another, each with its length, direction and pixels. */
export const line = definePropKind({
  kind: 'line',
  label: 'Measured line',
  hint: 'Railings, roof edges, outlines: straight legs measured one after another.',
  shapeSchema: lineShapeSchema,
  threadingSchema: lineThreadingSchema,
  starter: (): {
    shape: z.infer<typeof lineShapeSchema>;
    threading: z.infer<typeof lineThreadingSchema>;
  } => ({
    shape: { legs: [{ lengthMm: 3000, headingDeg: 0, pixels: { by: 'count', count: 50 } }] },
    threading: { firstPixel: 'start', runs: 1 },
  }),
  pixelCount: (shape) => linePixelCount(shape.legs),
  summary: (shape) => {
    const counts = shape.legs.map(legPixelCount);
    const total = counts.reduce((sum, count) => sum + count, 0);
    if (counts.length === 1) return `${groupDigits(total)} px`;
    return counts.every((count) => count === counts[0])
      ? `${counts.length} × ${groupDigits(counts[0]!)} px`
      : `${countOf(counts.length, 'leg')}, ${groupDigits(total)} px`;
  },
  points: (shape) => {
    const count = linePixelCount(shape.legs);
    const xMm = new Float32Array(count);
    const yMm = new Float32Array(count);
    let [x, y, point] = [0, 0, 0];
    for (const leg of shape.legs) {
      const heading = (leg.headingDeg * Math.PI) / 180;
      const [stepX, stepY] = [Math.cos(heading), Math.sin(heading)];
      const spacing = legSpacingMm(leg);
      const pixels = legPixelCount(leg);
      for (let i = 0; i < pixels; i += 1, point += 1) {
        xMm[point] = x + stepX * (i + 0.5) * spacing;
        yMm[point] = y + stepY * (i + 0.5) * spacing;
      }
      x += stepX * leg.lengthMm;
      y += stepY * leg.lengthMm;
    }
    return { xMm, yMm, zMm: new Float32Array(count) };
  },
  strands: (shape, threading) => {
    const fromEnd = threading.firstPixel === 'end';
    return orderStrands(legStrands(shape.legs), {
      lastStrandFirst: fromEnd,
      fromFarEnd: fromEnd,
      serpentine: false,
    });
  },
  strandWord: () => 'leg',
  strandsAreJoined: true,
  facts: ({ legs }) => [
    {
      name: 'Length',
      value: formatLength(legs.reduce((sum, leg) => sum + leg.lengthMm, 0)),
      note: legs.length > 1 ? `${legs.length} legs together` : undefined,
    },
  ],
  threadingWords: (threading) => `from the ${threading.firstPixel}, ${countOf(threading.runs, 'run')}`,
});
