import { z } from 'zod';

/** The sides of a picture, clockwise as seen from the front. */
export const SCREEN_SIDES = ['top', 'right', 'bottom', 'left'] as const;
export type ScreenSide = (typeof SCREEN_SIDES)[number];

/** The pieces of strip that frame it, clockwise as seen from the front; a stand parts the bottom into two. */
export const FRAME_PIECES = ['top', 'right', 'bottom', 'bottomRight', 'bottomLeft', 'left'] as const;
export type FramePieceName = (typeof FRAME_PIECES)[number];

export const PIECE_WORDS: Record<FramePieceName, string> = {
  top: 'top',
  right: 'right, seen from the front',
  bottom: 'bottom',
  bottomRight: 'bottom, right of the stand',
  bottomLeft: 'bottom, left of the stand',
  left: 'left, seen from the front',
};

export const SCREEN_STARTS = ['topLeft', 'topRight', 'bottomRight', 'bottomLeft', 'bottomMiddle'] as const;
export type ScreenStart = (typeof SCREEN_STARTS)[number];

/** How a strip goes round a corner: bent it runs on; cut and bridged, or by corner pieces, it loses length at both ends. */
export const CORNER_STYLES = ['bent', 'cut', 'pieces'] as const;

export const SCREEN_LIMITS = { leastMm: 50, mostMm: 20_000, mostInsetMm: 500, leastPerM: 5, mostPerM: 400 };
const side = z.number().min(SCREEN_LIMITS.leastMm).max(SCREEN_LIMITS.mostMm);
const ratio = z.number().min(0.1).max(100);

export const screenShapeSchema = z
  .strictObject({
    /** Of the picture: by its diagonal and aspect, or as it was measured. */
    size: z.discriminatedUnion('by', [
      z.strictObject({
        by: z.literal('diagonal'),
        diagonalMm: side,
        aspectWidth: ratio,
        aspectHeight: ratio,
      }),
      z.strictObject({ by: z.literal('sides'), widthMm: side, heightMm: side }),
    ]),
    /** From the edge of the picture inwards to the middle of the strip: it hides the points of light from the side. */
    insetMm: z.number().min(0).max(SCREEN_LIMITS.mostInsetMm),
    pixelsPerMetre: z.number().min(SCREEN_LIMITS.leastPerM).max(SCREEN_LIMITS.mostPerM),
    /** The strip can be cut after so many. */
    pixelsPerCut: z.int().min(1).max(24),
    /** Sides that have a strip. */
    sides: z.array(z.enum(SCREEN_SIDES)).min(1).max(4),
    /** Left free in the bottom for a stand. */
    standGap: z
      .strictObject({
        lengthMm: z.number().min(1).max(SCREEN_LIMITS.mostMm),
        /** Of its middle from the middle of the screen, to the right as seen from the front. */
        offsetMm: z.number().min(-SCREEN_LIMITS.mostMm).max(SCREEN_LIMITS.mostMm),
      })
      .optional(),
    corner: z.strictObject({ style: z.enum(CORNER_STYLES), lossMm: z.number().min(0).max(200) }),
    /** Counts that were really installed, which replace those that are planned. */
    installed: z.partialRecord(z.enum(FRAME_PIECES), z.int().min(0).max(5000)).optional(),
    start: z.enum(SCREEN_STARTS),
    /** The first pixel is so many further on, in the direction of the data. */
    startOffset: z.int().min(0).max(20_000),
    /** As seen from the front. */
    direction: z.enum(['clockwise', 'counterclockwise']),
    /** Of its first pixels so many stay dark behind the screen. */
    hiddenFirst: z.int().min(0).max(100),
  })
  .refine(({ sides }) => new Set(sides).size === sides.length, {
    path: ['sides'],
    message: 'each side once',
  })
  .refine(
    (shape) => {
      const { widthMm, heightMm } = pictureSize(shape);
      return 2 * (shape.insetMm + shape.corner.lossMm) < Math.min(widthMm, heightMm);
    },
    { path: ['insetMm'], message: 'an inset that leaves something of the sides' },
  )
  .refine(
    ({ standGap, sides, ...shape }) => {
      if (!standGap) return true;
      const { widthMm } = pictureSize(shape);
      const reach = Math.abs(standGap.offsetMm) + standGap.lengthMm / 2;
      return sides.includes('bottom') && reach <= widthMm / 2 - shape.insetMm - shape.corner.lossMm;
    },
    { path: ['standGap'], message: 'a gap that lies within the strip at the bottom' },
  );
export type ScreenShape = z.infer<typeof screenShapeSchema>;

/** Width and height of the picture, in mm: of a diagonal d and an aspect w : h they are d*w/sqrt(w^2 + h^2) and d*h/sqrt(w^2 + h^2). */
export function pictureSize({ size }: Pick<ScreenShape, 'size'>): { widthMm: number; heightMm: number } {
  if (size.by === 'sides') return { widthMm: size.widthMm, heightMm: size.heightMm };
  const scale = size.diagonalMm / Math.hypot(size.aspectWidth, size.aspectHeight);
  return { widthMm: scale * size.aspectWidth, heightMm: scale * size.aspectHeight };
}

export interface FramePiece {
  name: FramePieceName;
  side: ScreenSide;
  /** Room for strip. */
  lengthMm: number;
  /** As its room and the cut marks give. */
  planned: number;
  /** What is really there: installed where that was said. */
  pixels: number;
  /** Where it begins and ends, clockwise; the middle of the picture is at 0, 0, front view, y upwards. */
  from: readonly [xMm: number, yMm: number];
  to: readonly [xMm: number, yMm: number];
}

/** As many whole cuts of a strip as a length holds. A hair of a millimetre of rounding costs no pixel. */
function pixelsIn(lengthMm: number, { pixelsPerMetre, pixelsPerCut }: ScreenShape): number {
  return Math.max(0, Math.floor((lengthMm * pixelsPerMetre) / 1000 / pixelsPerCut + 1e-6) * pixelsPerCut);
}

/** The pieces of strip, clockwise from the top left as seen from the front. */
export function framePieces(shape: ScreenShape): FramePiece[] {
  const { widthMm, heightMm } = pictureSize(shape);
  const { insetMm, standGap, corner, sides, installed } = shape;
  const [right, top] = [widthMm / 2 - insetMm, heightMm / 2 - insetMm];
  const loss = corner.style === 'bent' ? 0 : corner.lossMm;
  const gap = standGap && [
    standGap.offsetMm + standGap.lengthMm / 2,
    standGap.offsetMm - standGap.lengthMm / 2,
  ];
  const all: (readonly [FramePieceName, ScreenSide, FramePiece['from'], FramePiece['to']])[] = [
    ['top', 'top', [-right + loss, top], [right - loss, top]],
    ['right', 'right', [right, top - loss], [right, -top + loss]],
    ...(gap
      ? ([
          ['bottomRight', 'bottom', [right - loss, -top], [gap[0]!, -top]],
          ['bottomLeft', 'bottom', [gap[1]!, -top], [-right + loss, -top]],
        ] as const)
      : ([['bottom', 'bottom', [right - loss, -top], [-right + loss, -top]]] as const)),
    ['left', 'left', [-right, -top + loss], [-right, top - loss]],
  ];
  return all.flatMap(([name, of, from, to]) => {
    if (!sides.includes(of)) return [];
    const lengthMm = Math.hypot(to[0] - from[0], to[1] - from[1]);
    const planned = pixelsIn(lengthMm, shape);
    return [{ name, side: of, lengthMm, planned, pixels: installed?.[name] ?? planned, from, to }];
  });
}

export const framePixels = (shape: ScreenShape) =>
  framePieces(shape).reduce((sum, { pixels }) => sum + pixels, 0);

/** Every light of the frame clockwise from the top left, front view, in mm: in the middle of its share of its piece. */
export function frameLights(pieces: readonly FramePiece[]): { xMm: number; yMm: number; side: ScreenSide }[] {
  return pieces.flatMap(({ from, to, pixels, side: of }) =>
    Array.from({ length: pixels }, (_, i) => {
      const share = (i + 0.5) / pixels;
      return {
        xMm: from[0] + share * (to[0] - from[0]),
        yMm: from[1] + share * (to[1] - from[1]),
        side: of,
      };
    }),
  );
}

/** Place of the first light in the count clockwise from the top left, where a start and a direction say it. */
export function firstLight(
  pieces: readonly Pick<FramePiece, 'name' | 'side' | 'pixels'>[],
  { start, startOffset, direction }: Pick<ScreenShape, 'start' | 'startOffset' | 'direction'>,
): number {
  const count = pieces.reduce((sum, { pixels }) => sum + pixels, 0);
  if (count === 0) return 0;
  /** Lights before a side, clockwise. */
  const before = (of: ScreenSide) =>
    pieces.slice(0, Math.max(0, firstOfSide(pieces, of))).reduce((sum, { pixels }) => sum + pixels, 0);
  const middle = () => {
    const bottom = pieces.filter(({ side: of }) => of === 'bottom');
    return bottom.length === 2
      ? before('bottom') + bottom[0]!.pixels
      : before('bottom') + Math.ceil((bottom[0]?.pixels ?? 0) / 2);
  };
  const boundary = {
    topLeft: () => 0,
    topRight: () => before('right'),
    bottomRight: () => before('bottom'),
    bottomLeft: () => before('left'),
    bottomMiddle: middle,
  }[start]();
  const at = direction === 'clockwise' ? boundary + startOffset : boundary - 1 - startOffset;
  return ((at % count) + count) % count;
}

/** Where a side would begin: at its first piece, or at the first of the next side that is there. */
function firstOfSide(pieces: readonly Pick<FramePiece, 'side'>[], of: ScreenSide): number {
  const from = SCREEN_SIDES.indexOf(of);
  const at = pieces.findIndex(({ side: own }) => SCREEN_SIDES.indexOf(own) >= from);
  return at === -1 ? pieces.length : at;
}

/** Of each light in data order its place in the count clockwise from the top left. */
export function dataOrder(shape: ScreenShape, pieces: readonly FramePiece[] = framePieces(shape)): number[] {
  const count = pieces.reduce((sum, { pixels }) => sum + pixels, 0);
  const first = firstLight(pieces, shape);
  const step = shape.direction === 'clockwise' ? 1 : -1;
  return Array.from({ length: count }, (_, i) => (((first + step * i) % count) + count) % count);
}
