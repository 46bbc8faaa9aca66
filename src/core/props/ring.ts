import { z } from 'zod';
import { computed, given, sum } from '../figures/explained';
import { orderStrands } from '../threading/strands';
import type { Points } from '../threading/thread';
import { formatLength } from '../units/length';
import { groupDigits } from '../units/number';
import { runsSchema, runsWords } from '../threading/runs';
import { definePropKind } from './kind';

export const MOST_RINGS = 50;
export const MOST_PIXELS_PER_RING = 5000;
export const RING_MM = { least: 10, most: 100_000 };

const oneRingSchema = z.strictObject({
  /** Through the middles of the pixels. */
  diameterMm: z.number().min(RING_MM.least).max(RING_MM.most),
  pixels: z.int().min(1).max(MOST_PIXELS_PER_RING),
});

export type OneRing = z.infer<typeof oneRingSchema>;

const ringShapeSchema = z.strictObject({
  /** About one middle, in the order in which they are numbered. */
  rings: z.array(oneRingSchema).min(1).max(MOST_RINGS),
  /** 360 is closed; less leaves a gap between the last pixel and the first. */
  arcDeg: z.number().min(1).max(360),
  /** The place of each ring's first pixel, front view: 0 at the top, 90 at the right. */
  firstAngleDeg: z.number().min(-360).max(360),
  /** The way in which pixels are numbered, front view. */
  direction: z.enum(['clockwise', 'counterclockwise']),
});

type RingShape = z.infer<typeof ringShapeSchema>;

const ringThreadingSchema = z.strictObject({
  startRing: z.enum(['first', 'last']),
  /** Serpentine: every other ring runs back. */
  pattern: z.enum(['straight', 'serpentine']),
  runs: runsSchema,
});

/**
 * Angle between neighbours. A closed ring of n pixels has n equal steps; an arc has one less, with a pixel at either end.
 */
function stepDeg({ arcDeg }: RingShape, pixels: number): number {
  if (arcDeg === 360) return 360 / pixels;
  return pixels === 1 ? 0 : arcDeg / (pixels - 1);
}

/** Spacing of a ring's pixels along the curve and straight across: pi * D * step / 360 and D * sin(step / 2). */
export function ringSpacingMm(
  shape: RingShape,
  { diameterMm, pixels }: OneRing,
): { arcMm: number; chordMm: number } {
  const step = stepDeg(shape, pixels);
  return {
    arcMm: (Math.PI * diameterMm * step) / 360,
    chordMm: diameterMm * Math.sin((step * Math.PI) / 360),
  };
}

function ringPoints(shape: RingShape): Points {
  const count = shape.rings.reduce((sum, each) => sum + each.pixels, 0);
  const xMm = new Float32Array(count);
  const yMm = new Float32Array(count);
  const turn = shape.direction === 'clockwise' ? 1 : -1;
  let point = 0;
  for (const { diameterMm, pixels } of shape.rings) {
    const step = stepDeg(shape, pixels);
    for (let i = 0; i < pixels; i += 1, point += 1) {
      const angle = ((shape.firstAngleDeg + turn * i * step) * Math.PI) / 180;
      xMm[point] = (diameterMm / 2) * Math.sin(angle);
      yMm[point] = (diameterMm / 2) * Math.cos(angle);
    }
  }
  return { xMm, yMm, zMm: new Float32Array(count) };
}

/**
 * A ring, an arc, or several of them about one middle, as in a wreath. The middle is at (0, 0).
 */
export const ring = definePropKind({
  kind: 'ring',
  label: 'Ring or arc',
  hint: 'Rings, wreaths, arches: pixels on a circle or a part of it, one inside the other.',
  glyph: { path: 'M12 3.5a8.5 8.5 0 1 1-.01 0M12 8.2a3.8 3.8 0 1 1-.01 0' },
  shapeSchema: ringShapeSchema,
  threadingSchema: ringThreadingSchema,
  starter: (): { shape: RingShape; threading: z.infer<typeof ringThreadingSchema> } => ({
    shape: {
      rings: [{ diameterMm: 600, pixels: 36 }],
      arcDeg: 360,
      firstAngleDeg: 180,
      direction: 'clockwise',
    },
    threading: { startRing: 'first', pattern: 'straight', runs: 1 },
  }),
  pixels: ({ rings }, place) => {
    const each = rings.map(({ pixels }, i) =>
      given(rings.length === 1 ? 'pixels of the ring' : `ring ${i + 1}`, pixels, 'pixels', { place }),
    );
    return computed('pixels', 'pixels', sum(...each));
  },
  summary: ({ rings }) => {
    const total = rings.reduce((sum, each) => sum + each.pixels, 0);
    return rings.length === 1
      ? `1 × ${groupDigits(total)} px`
      : `${rings.length} rings, ${groupDigits(total)} px`;
  },
  placeRows: ({ rings, arcDeg }) => ({ rows: rings.map(({ pixels }) => pixels), closed: arcDeg === 360 }),
  points: ringPoints,
  strands: ({ rings }, threading) => {
    let firstPoint = 0;
    const natural = rings.map(({ pixels }, i) => {
      const strand = { number: i + 1, firstPoint, step: 1, count: pixels };
      firstPoint += pixels;
      return strand;
    });
    return orderStrands(natural, {
      lastStrandFirst: threading.startRing === 'last',
      fromFarEnd: false,
      serpentine: threading.pattern === 'serpentine',
    });
  },
  strandWord: () => 'ring',
  isJoined: () => false,
  // The pixels stay, so the ring grows: straight across, D = s / sin(step / 2).
  withLeastSpacing: (shape, leastMm) => ({
    ...shape,
    rings: shape.rings.map((each) => {
      if (each.pixels < 2 || ringSpacingMm(shape, each).chordMm >= leastMm) return each;
      const diameterMm = leastMm / Math.sin((stepDeg(shape, each.pixels) * Math.PI) / 360);
      return { ...each, diameterMm: Math.min(RING_MM.most, Math.ceil(diameterMm)) };
    }),
  }),
  anchors: (shape) => {
    const { xMm, yMm } = ringPoints(shape);
    return { word: 'pixel', view: 'seen from the front', xMm: [...xMm], yMm: [...yMm] };
  },
  alternatives: ({ rings }, threading) =>
    rings.length === 1
      ? [threading]
      : (['straight', 'serpentine'] as const).flatMap((pattern) =>
          (['first', 'last'] as const).map((startRing) => ({ ...threading, pattern, startRing })),
        ),
  threadingWords: (threading) =>
    `${threading.pattern} from the ${threading.startRing} ring, ${runsWords(threading.runs)}`,
  facts: (shape, lengths) =>
    shape.rings.map((each, i) => {
      const { arcMm, chordMm } = ringSpacingMm(shape, each);
      return {
        name: shape.rings.length === 1 ? 'Pixel spacing' : `Spacing of ring ${i + 1}`,
        value: `${formatLength(arcMm, lengths)} along it`,
        note: `${formatLength(chordMm, lengths)} straight across`,
      };
    }),
});
