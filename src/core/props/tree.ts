import { z } from 'zod';
import { computed, difference, given, product, sum, type Explained } from '../figures/explained';
import { orderStrands } from '../threading/strands';
import { runsSchema, runsWords } from '../threading/runs';
import type { Points } from '../threading/thread';
import { formatLength, type Lengths } from '../units/length';
import { countOf, groupDigits } from '../units/number';
import { definePropKind, type MeasureFact } from './kind';

export const TREE_LIMITS = {
  strands: 500,
  pixelsPerStrand: 2000,
  holes: 500,
  everyHole: 100,
  mostMm: 100_000,
};

const lengthSchema = z.number().min(1).max(TREE_LIMITS.mostMm);

const treeShapeSchema = z.strictObject({
  form: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('full'),
      firstStrandAt: z.enum(['front', 'right', 'back', 'left']),
      /** The way in which strands are numbered, seen from above. */
      direction: z.enum(['clockwise', 'counterclockwise']),
    }),
    /** Half a circle, open to the back. */
    z.strictObject({ kind: z.literal('half'), firstStrandAt: z.enum(['left', 'right']) }),
    /** A fan in one plane, as against a wall. */
    z.strictObject({ kind: z.literal('flat'), firstStrandAt: z.enum(['left', 'right']) }),
  ]),
  strands: z.int().min(1).max(TREE_LIMITS.strands),
  pixelsPerStrand: z.int().min(1).max(TREE_LIMITS.pixelsPerStrand),
  /** From hole to hole of the strip that a strand is mounted in; from pixel to pixel where there are no other holes. */
  holePitchMm: z.number().min(1).max(5000),
  /** Pixels are in every so many-th hole: 2 is every second one. */
  everyHole: z.int().min(1).max(TREE_LIMITS.everyHole),
  /** Holes that stay bare beyond the last pixel, at either end of every strand. */
  emptyHolesTop: z.int().min(0).max(TREE_LIMITS.holes),
  emptyHolesBottom: z.int().min(0).max(TREE_LIMITS.holes),
  /** From the ground to the top ring, upright or along a strand; or as the strip has it from its first hole to its last. */
  height: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('height'), heightMm: lengthSchema }),
    z.strictObject({ by: z.literal('slant'), slantMm: lengthSchema }),
    z.strictObject({ by: z.literal('strip') }),
  ]),
  baseDiameterMm: lengthSchema,
  /** 0 where all strands meet in a point. */
  topDiameterMm: z.number().min(0).max(TREE_LIMITS.mostMm),
});
export type TreeShape = z.infer<typeof treeShapeSchema>;

const treeThreadingSchema = z.strictObject({
  firstStrand: z.enum(['first', 'last']),
  /** The end at which data enters the first strand. */
  dataEnters: z.enum(['bottom', 'top']),
  pattern: z.enum(['straight', 'serpentine']),
  runs: runsSchema,
});
type TreeThreading = z.infer<typeof treeThreadingSchema>;

const SIDE_DEG = { front: 0, right: 90, back: 180, left: -90 };

/** Angle of a strand from the front towards the right as seen by the audience, in degrees. Flat trees have none. */
function azimuthDeg({ form, strands }: TreeShape, strand: number): number {
  if (form.kind === 'full')
    return (
      SIDE_DEG[form.firstStrandAt] +
      ((form.direction === 'counterclockwise' ? 1 : -1) * strand * 360) / strands
    );
  const fromLeft = strands === 1 ? 0 : -90 + (180 * strand) / (strands - 1);
  return form.kind === 'half' && form.firstStrandAt === 'right' ? -fromLeft : fromLeft;
}

/** Place of a strand on a circle (or, flat, on a line) of a diameter: x to the right, z towards the audience. */
function footMm(shape: TreeShape, strand: number, diameterMm: number): { xMm: number; zMm: number } {
  if (shape.form.kind === 'flat') {
    const fromLeft = shape.strands === 1 ? 0 : strand / (shape.strands - 1) - 0.5;
    return { xMm: (shape.form.firstStrandAt === 'left' ? 1 : -1) * fromLeft * diameterMm, zMm: 0 };
  }
  const angle = (azimuthDeg(shape, strand) * Math.PI) / 180;
  return { xMm: (diameterMm / 2) * Math.sin(angle), zMm: (diameterMm / 2) * Math.cos(angle) };
}

/** Distance of a strand's foot from straight below its top; on a flat tree it differs from strand to strand. */
function leanMm(shape: TreeShape, strand: number): number {
  const foot = footMm(shape, strand, shape.baseDiameterMm);
  const top = footMm(shape, strand, shape.topDiameterMm);
  return Math.hypot(foot.xMm - top.xMm, foot.zMm - top.zMm);
}

/** The lean of the strand that leans most: (D - d) / 2. */
function mostLeanMm(shape: TreeShape): number {
  return Math.abs(shape.baseDiameterMm - shape.topDiameterMm) / 2;
}

/** Upright height of the top ring: sqrt(slant^2 - lean^2); null where the slant is no longer than the lean. */
export function treeHeightMm(shape: TreeShape): number | null {
  const { height } = shape;
  if (height.by === 'height') return height.heightMm;
  const slantMm = height.by === 'slant' ? height.slantMm : stripLengthMm(shape);
  const rest = slantMm ** 2 - mostLeanMm(shape) ** 2;
  return rest > 0 ? Math.sqrt(rest) : null;
}

/** From the ground to the top ring along a strand: sqrt(height^2 + lean^2); null where the measures cannot meet. */
export function treeSlantMm(shape: TreeShape, strand?: number): number | null {
  const heightMm = treeHeightMm(shape);
  if (heightMm === null) return null;
  return Math.hypot(heightMm, strand === undefined ? mostLeanMm(shape) : leanMm(shape, strand));
}

/** From pixel to pixel along a strand. */
export function pixelSpacingMm({ holePitchMm, everyHole }: TreeShape): number {
  return holePitchMm * everyHole;
}

/** Gaps between the holes of a strip: (pixels - 1) * k and the bare ones. It has one hole more. */
export function stripGaps({
  pixelsPerStrand,
  everyHole,
  emptyHolesTop,
  emptyHolesBottom,
}: TreeShape): number {
  return (pixelsPerStrand - 1) * everyHole + emptyHolesTop + emptyHolesBottom;
}

/** From the first hole of a strip to its last: ((pixels - 1) * k + bare holes) * hole pitch. */
export function stripLengthMm(shape: TreeShape): number {
  return stripGaps(shape) * shape.holePitchMm;
}

/** Between neighbouring anchors along the ground: pi*D/N, half pi*D/2/(N-1), flat D/(N-1); null for a single strand. */
export function anchorSpacingMm({ form, strands, baseDiameterMm }: TreeShape): number | null {
  if (strands === 1) return null;
  if (form.kind === 'full') return (Math.PI * baseDiameterMm) / strands;
  return form.kind === 'half'
    ? (Math.PI * baseDiameterMm) / 2 / (strands - 1)
    : baseDiameterMm / (strands - 1);
}

/** Distance of a strand's k-th pixel, from 0 at the bottom, from the top ring. */
function fromTopMm(shape: TreeShape, k: number): number {
  return (shape.emptyHolesTop + (shape.pixelsPerStrand - 1 - k) * shape.everyHole) * shape.holePitchMm;
}

/** Points of all strands, each from its lowest pixel up, where `at` tells the ends of a strand. */
function alongStrands(
  shape: TreeShape,
  at: (strand: number) => { top: readonly [number, number, number]; foot: readonly [number, number, number] },
): Points {
  const { strands, pixelsPerStrand } = shape;
  const count = strands * pixelsPerStrand;
  const xMm = new Float32Array(count);
  const yMm = new Float32Array(count);
  const zMm = new Float32Array(count);
  for (let strand = 0, point = 0; strand < strands; strand += 1) {
    const { top, foot } = at(strand);
    const [dx, dy, dz] = [foot[0] - top[0], foot[1] - top[1], foot[2] - top[2]];
    const length = Math.hypot(dx, dy, dz) || 1;
    for (let k = 0; k < pixelsPerStrand; k += 1, point += 1) {
      // A strand that is too long runs on past its anchor in the same direction, as it would lie on the ground.
      const part = fromTopMm(shape, k) / length;
      xMm[point] = top[0] + dx * part;
      yMm[point] = top[1] + dy * part;
      zMm[point] = top[2] + dz * part;
    }
  }
  return { xMm, yMm, zMm };
}

function stripExplained(shape: TreeShape): Explained {
  const { pixelsPerStrand, everyHole, emptyHolesTop, emptyHolesBottom, holePitchMm } = shape;
  return computed(
    'length of the strip',
    'mm',
    product(
      sum(
        product(
          difference(given('pixels a strand', pixelsPerStrand, 'pixels'), given('one', 1, 'number')),
          given('holes from pixel to pixel', everyHole, 'number'),
        ),
        given('bare holes at the top', emptyHolesTop, 'number'),
        given('bare holes at the foot', emptyHolesBottom, 'number'),
      ),
      given('hole to hole', holePitchMm, 'mm'),
    ),
    { rule: 'From the first hole to the last: gaps between holes, not holes.' },
  );
}

/** `second`, `4th`: which of the holes holds a pixel; one in each is `hole`. */
function ordinal(k: number): string {
  return k === 1 ? 'hole' : `${['', '', 'second', 'third'][k] ?? `${k}th`} hole`;
}

function treeFacts(shape: TreeShape, lengths: Lengths): MeasureFact[] {
  const heightMm = treeHeightMm(shape);
  const slantMm = treeSlantMm(shape);
  const spacing = anchorSpacingMm(shape);
  const facts: MeasureFact[] = [];
  if (heightMm !== null && slantMm !== null) {
    facts.push(
      {
        name: 'Height',
        value: formatLength(heightMm, lengths),
        note: 'upright, from the ground to the top ring',
      },
      {
        name: 'Slant',
        value: formatLength(slantMm, lengths),
        note: shape.form.kind === 'flat' ? 'along an outermost strand' : 'along every strand',
      },
    );
  }
  const gaps = stripGaps(shape);
  const bare = shape.emptyHolesTop + shape.emptyHolesBottom;
  const isPerforated = bare > 0 || shape.everyHole > 1;
  const stripMm = stripLengthMm(shape);
  facts.push({
    name: isPerforated ? 'Strip' : 'Strand',
    value: formatLength(stripMm, lengths),
    why: stripExplained(shape),
    note: isPerforated
      ? `${countOf(gaps + 1, 'hole')}, ${countOf(gaps, 'gap')}: a pixel in every ${ordinal(shape.everyHole)}${bare > 0 ? `, ${shape.emptyHolesTop} bare at the top and ${shape.emptyHolesBottom} at the bottom` : ''}`
      : 'first pixel to last',
  });
  if (slantMm !== null && shape.height.by !== 'strip')
    facts.push({
      name: 'Strand against slant',
      value:
        stripMm <= slantMm
          ? `${formatLength(slantMm - stripMm, lengths)} to spare`
          : `${formatLength(stripMm - slantMm, lengths)} too long`,
      note: 'left for knots, rings and tension',
    });
  if (spacing !== null)
    facts.push({
      name: 'Between anchors',
      value: formatLength(spacing, lengths),
      note: shape.form.kind === 'flat' ? 'along the ground' : 'along the curve on the ground',
    });
  return facts;
}

/**
 * A tree of strands from a top ring down to anchors. The foot of the pole is at (0, 0, 0).
 */
export const tree = definePropKind({
  kind: 'tree',
  label: 'Tree',
  hint: 'Strands from a pole to anchors on the ground: full circle, half or flat. Towers and cones too.',
  glyph: { path: 'M12 3 4 20M12 3 9.3 20M12 3l2.7 17M12 3l8 17M4 20h16' },
  shapeSchema: treeShapeSchema,
  threadingSchema: treeThreadingSchema,
  starter: (): { shape: TreeShape; threading: TreeThreading } => ({
    shape: {
      form: { kind: 'half', firstStrandAt: 'left' },
      strands: 16,
      pixelsPerStrand: 50,
      holePitchMm: 60,
      everyHole: 1,
      emptyHolesTop: 0,
      emptyHolesBottom: 0,
      height: { by: 'height', heightMm: 3200 },
      baseDiameterMm: 2000,
      topDiameterMm: 150,
    },
    threading: { firstStrand: 'first', dataEnters: 'bottom', pattern: 'serpentine', runs: 2 },
  }),
  pixels: ({ strands, pixelsPerStrand }, place) =>
    computed(
      'pixels',
      'pixels',
      product(
        given('strands', strands, 'number', { place }),
        given('pixels a strand', pixelsPerStrand, 'pixels', { place }),
      ),
    ),
  summary: (shape) => `${groupDigits(shape.strands)} × ${groupDigits(shape.pixelsPerStrand)} px`,
  points: (shape) => {
    const heightMm = treeHeightMm(shape) ?? 0;
    return alongStrands(shape, (strand) => {
      const foot = footMm(shape, strand, shape.baseDiameterMm);
      const top = footMm(shape, strand, shape.topDiameterMm);
      return { foot: [foot.xMm, 0, foot.zMm], top: [top.xMm, heightMm, top.zMm] };
    });
  },
  unrolled: (shape) => {
    const slantMm = treeSlantMm(shape) ?? stripLengthMm(shape);
    const spacing = anchorSpacingMm(shape) ?? 0;
    const { form } = shape;
    // Numbers run from left to right unless the strands are numbered towards the left.
    const towardsRight =
      form.kind === 'full' ? form.direction === 'counterclockwise' : form.firstStrandAt === 'left';
    return alongStrands(shape, (strand) => {
      const x = (towardsRight ? 1 : -1) * (strand - (shape.strands - 1) / 2) * spacing;
      return {
        foot: [x, 0, 0],
        top: [(x * shape.topDiameterMm) / shape.baseDiameterMm, slantMm, 0],
      };
    });
  },
  strands: (shape, threading) =>
    orderStrands(
      Array.from({ length: shape.strands }, (_, i) => ({
        number: i + 1,
        firstPoint: i * shape.pixelsPerStrand,
        step: 1,
        count: shape.pixelsPerStrand,
      })),
      {
        lastStrandFirst: threading.firstStrand === 'last',
        fromFarEnd: threading.dataEnters === 'top',
        serpentine: threading.pattern === 'serpentine',
      },
    ),
  strandWord: () => 'strand',
  isJoined: () => false,
  withLeastSpacing: (shape, leastMm) => {
    // A strip keeps its holes: more of them are left out between pixels.
    const every = Math.max(shape.everyHole, Math.ceil(leastMm / shape.holePitchMm));
    return every <= TREE_LIMITS.everyHole
      ? { ...shape, everyHole: every }
      : { ...shape, holePitchMm: leastMm, everyHole: 1 };
  },
  // A fan against a wall hangs from the wall.
  poleMm: (shape) => (shape.form.kind === 'flat' ? null : treeHeightMm(shape)),
  impossible: (shape, lengths) => {
    if (treeHeightMm(shape) !== null) return null;
    const reach = shape.height.by === 'slant' ? shape.height.slantMm : stripLengthMm(shape);
    return `The base is ${formatLength(Math.round(mostLeanMm(shape)), lengths)} further out than the top ring, and ${formatLength(reach, lengths)} along a strand does not reach it. Type longer strands or a smaller base first.`;
  },
  mountingStrip: (shape) => ({ pieces: shape.strands, lengthMm: stripLengthMm(shape) }),
  emptyHoles: (shape) => ({ top: shape.emptyHolesTop, bottom: shape.emptyHolesBottom }),
  placeRows: ({ form }) => ({ closed: form.kind === 'full' }),
  anchors: (shape) => {
    const feet = Array.from({ length: shape.strands }, (_, i) => footMm(shape, i, shape.baseDiameterMm));
    return {
      word: 'stake',
      view: 'seen from above, the audience below',
      xMm: feet.map((foot) => foot.xMm),
      yMm: feet.map((foot) => -foot.zMm),
    };
  },
  alternatives: (_shape, threading) =>
    (['serpentine', 'straight'] as const).flatMap((pattern) =>
      (['bottom', 'top'] as const).map((dataEnters) => ({ ...threading, pattern, dataEnters })),
    ),
  facts: treeFacts,
  threadingWords: (threading) =>
    `${threading.pattern} from the ${threading.dataEnters} of the ${threading.firstStrand} strand, ${runsWords(threading.runs)}`,
});
