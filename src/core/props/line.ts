import { z } from 'zod';
import {
  computed,
  given,
  least,
  quotient,
  roundedDown,
  sum,
  type Explained,
  type Place,
} from '../figures/explained';
import { orderStrands, type Strand } from '../threading/strands';
import { formatLength } from '../units/length';
import { countOf, groupDigits } from '../units/number';
import { runsSchema, runsWords } from '../threading/runs';
import { FRAME_PRESETS } from './framePresets';
import { MOST_LEGS, MOST_PIXELS_PER_LEG, legSchema, legSpacingMm, type Leg } from './leg';
import { definePropKind, type MeasureFact } from './kind';
import { itemAt } from '../units/there';

const lineShapeSchema = z.strictObject({
  legs: z.array(legSchema).min(1).max(MOST_LEGS),
});

const lineThreadingSchema = z.strictObject({
  /** The end at which data enters. */
  firstPixel: z.enum(['start', 'end']),
  runs: runsSchema,
});

/** Pixels on a leg; by spacing, as many whole spacings as the leg holds, at most the limit per leg. */
export function legPixelCount(leg: Leg): number {
  return legPixels(leg, 'pixels of the leg').value;
}

function legPixels({ pixels, lengthMm }: Leg, name: string, place?: Place): Explained {
  if (pixels.by === 'count') return given(name, pixels.count, 'pixels', { place });
  const exact = quotient(
    given('length of the leg', lengthMm, 'mm', { place }),
    given('spacing', pixels.spacingMm, 'mm', { place }),
  );
  const whole = roundedDown(exact);
  // Nobody measures or drills closer than that.
  const nearly = roundedDown(sum(exact, given('a hundredth of a spacing', 0.01, 'number')));
  const spacings = nearly.value > whole.value ? nearly : whole;
  const fits = spacings.value <= MOST_PIXELS_PER_LEG;
  return computed(
    name,
    'pixels',
    fits ? spacings : least(spacings, given('the most pixels of a leg', MOST_PIXELS_PER_LEG, 'pixels')),
  );
}

/** Pixels of a leg with the one that its corner eats. */
function strandPixels(legs: readonly Leg[], index: number): number {
  const leg = itemAt(legs, index);
  return legPixelCount(leg) + (leg.corner === 'eatsPixel' && index < legs.length - 1 ? 1 : 0);
}

function legStrands(legs: readonly Leg[]): Strand[] {
  let firstPoint = 0;
  return legs.map((_, i) => {
    const strand = { number: i + 1, firstPoint, step: 1, count: strandPixels(legs, i) };
    firstPoint += strand.count;
    return strand;
  });
}

function linePixels(legs: readonly Leg[], place?: Place): Explained {
  const ofLegs = legs.map((leg, i) => legPixels(leg, legs.length === 1 ? 'the leg' : `leg ${i + 1}`, place));
  const eaten = legs.filter((_, i) => strandPixels(legs, i) > itemAt(ofLegs, i).value).length;
  return computed(
    'pixels',
    'pixels',
    eaten === 0 ? sum(...ofLegs) : sum(...ofLegs, given('folded into corners', eaten, 'pixels', { place })),
  );
}

function linePixelCount(legs: readonly Leg[]): number {
  return linePixels(legs).value;
}

function hiddenFact(legs: readonly Leg[]): MeasureFact[] {
  const eaten = legs.filter((_, i) => strandPixels(legs, i) > legPixelCount(itemAt(legs, i))).length;
  return eaten === 0
    ? []
    : [{ name: 'In corners', value: countOf(eaten, 'pixel'), note: 'on the wire, not seen' }];
}

/** A measured line: straight legs one after another, each with its length, direction and pixels. */
export const line = definePropKind({
  kind: 'line',
  impossible: ({ legs }, lengths) => {
    const short = legs.findIndex((leg) => leg.pixels.by === 'spacing' && legPixelCount(leg) === 0);
    const leg = legs[short];
    return leg?.pixels.by === 'spacing'
      ? `Section ${short + 1} is ${formatLength(leg.lengthMm, lengths)} long, shorter than its pixel spacing of ${formatLength(leg.pixels.spacingMm, lengths)}. Type a longer section, or a count of 0 for a bare one.`
      : null;
  },
  label: 'Measured line',
  hint: 'Railings, roof edges, outlines: straight legs measured one after another.',
  glyph: { path: 'M3 17 8 8l6 7 7-9' },
  shapeSchema: lineShapeSchema,
  threadingSchema: lineThreadingSchema,
  starter: (): {
    shape: z.infer<typeof lineShapeSchema>;
    threading: z.infer<typeof lineThreadingSchema>;
  } => ({
    shape: { legs: [{ lengthMm: 3000, headingDeg: 0, pixels: { by: 'count', count: 50 } }] },
    threading: { firstPixel: 'start', runs: 1 },
  }),
  pixels: (shape, place) => linePixels(shape.legs, place),
  summary: (shape) => {
    const counts = shape.legs.map(legPixelCount).filter((count) => count > 0);
    const total = linePixelCount(shape.legs);
    if (counts.length <= 1) return `${groupDigits(total)} px`;
    return counts.every((count) => count === counts[0]) && total === itemAt(counts, 0) * counts.length
      ? `${counts.length} × ${groupDigits(itemAt(counts, 0))} px`
      : `${countOf(counts.length, 'leg')}, ${groupDigits(total)} px`;
  },
  points: (shape) => {
    const count = linePixelCount(shape.legs);
    const xMm = new Float32Array(count);
    const yMm = new Float32Array(count);
    let [x, y, point] = [0, 0, 0];
    shape.legs.forEach((leg, index) => {
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
      if (strandPixels(shape.legs, index) > pixels) {
        xMm[point] = x;
        yMm[point] = y;
        point += 1;
      }
    });
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
  isJoined: ({ legs }, from, to) =>
    Math.abs(from - to) === 1 && legs[Math.min(from, to) - 1]?.corner !== 'jumper',
  withLeastSpacing: ({ legs }, leastMm) => ({
    legs: legs.map((leg): Leg => {
      if (legPixelCount(leg) === 0 || legSpacingMm(leg) >= leastMm) return leg;
      return leg.pixels.by === 'spacing'
        ? { ...leg, pixels: { by: 'spacing', spacingMm: leastMm } }
        : { ...leg, pixels: { by: 'count', count: Math.floor(leg.lengthMm / leastMm) } };
    }),
  }),
  hiddenPoints: ({ legs }) =>
    legStrands(legs).flatMap(({ firstPoint, count }, i) =>
      count > legPixelCount(itemAt(legs, i)) ? [firstPoint + count - 1] : [],
    ),
  onOtherPixels: ({ legs }) =>
    legs.some((leg) => leg.corner === 'eatsPixel')
      ? {
          shape: {
            legs: legs.map((leg): Leg => {
              const { corner, ...rest } = leg;
              return corner === 'eatsPixel' ? rest : leg;
            }),
          },
          words: 'bends that ate a pixel run on',
        }
      : null,
  presets: [
    ...FRAME_PRESETS,
    {
      label: 'Strip in pieces',
      hint: 'A strip that is cut and joined by wires, numbered as one line, with named ranges.',
      starter: () => ({
        shape: {
          legs: [0, 1, 2].flatMap((i): Leg[] => [
            ...(i === 0
              ? []
              : [{ lengthMm: 300, headingDeg: -90, pixels: { by: 'count' as const, count: 0 } }]),
            {
              lengthMm: 1000,
              headingDeg: i % 2 === 0 ? 0 : 180,
              pixels: { by: 'count', count: 60 },
              corner: 'jumper',
            },
          ]),
        },
        threading: { firstPixel: 'start' as const, runs: 1 },
      }),
    },
  ],
  alternatives: (_shape, threading) =>
    (['start', 'end'] as const).map((firstPixel) => ({ ...threading, firstPixel })),
  facts: ({ legs }, lengths) => [
    {
      name: 'Length',
      value: formatLength(
        legs.reduce((sum, leg) => sum + leg.lengthMm, 0),
        lengths,
      ),
      note: legs.length > 1 ? `${legs.length} legs together` : undefined,
    },
    ...hiddenFact(legs),
  ],
  threadingWords: (threading) => `from the ${threading.firstPixel}, ${runsWords(threading.runs)}`,
});
