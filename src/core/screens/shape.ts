import { z } from 'zod';
import { sourceWishSchema } from './sourceWish';
import { linkWishSchema } from './linkWish';
import { pipelineSchema } from './pipelineSettings';
import { SCREEN_CORNERS, SCREEN_SIDES, SCREEN_STARTS, type ScreenCorner } from './sides';
import { zoneWishSchema } from './zoneWish';

/** Pieces of strip along the edges of the picture; a stand parts the bottom into two. Clockwise as seen from the front. */
export const EDGE_PIECES = ['top', 'right', 'bottom', 'bottomRight', 'bottomLeft', 'left'] as const;
export type EdgePiece = (typeof EDGE_PIECES)[number];

/** The corner of a strip: bent it runs on; cut and bridged, or by corner pieces, it loses length at both ends. */
export const CORNER_STYLES = ['bent', 'cut', 'pieces'] as const;

export const SCREEN_LIMITS = {
  leastMm: 50,
  mostMm: 20_000,
  mostInsetMm: 500,
  leastPerM: 5,
  mostPerM: 400,
  mostCount: 5000,
  leastRadiusMm: 300,
  mostOwnPieces: 24,
};
const { leastMm, mostMm, mostInsetMm, mostCount } = SCREEN_LIMITS;
const side = z.number().min(leastMm).max(mostMm);
const ratio = z.number().min(0.1).max(100);
const inset = z.number().min(-mostInsetMm).max(mostInsetMm);
const count = z.int().min(0).max(mostCount);
const corner = z.strictObject({ style: z.enum(CORNER_STYLES), lossMm: z.number().min(0).max(200) });
export type CornerWay = z.infer<typeof corner>;

/** A piece of strip that is laid as somebody wants it: a ledge, a bump-out, a side in two parts. */
const ownPieceSchema = z.strictObject({
  /** The edge of the picture that it takes its colours from. */
  side: z.enum(SCREEN_SIDES),
  /** Along the edge, or straight away from the picture or towards its middle, in the direction clockwise round the screen. */
  runs: z.enum(['along', 'outwards', 'inwards']),
  /** Its beginning, from the corner at which its side begins, clockwise as seen from the front. */
  atMm: z.number().min(-mostMm).max(mostMm),
  lengthMm: z.number().min(1).max(mostMm),
  /** From the edge inwards to where it begins; below zero outside the picture. */
  insetMm: inset,
  /** Counted where it is installed. */
  installed: count.optional(),
});
export type OwnPiece = z.infer<typeof ownPieceSchema>;

const fields = z.strictObject({
  /** Size of the picture: by its diagonal and aspect, or as measured; along the glass where it is curved. */
  size: z.discriminatedUnion('by', [
    z.strictObject({
      by: z.literal('diagonal'),
      diagonalMm: side,
      aspectWidth: ratio,
      aspectHeight: ratio,
    }),
    z.strictObject({ by: z.literal('sides'), widthMm: side, heightMm: side }),
  ]),
  /** Bent about an upright line in front of it, with this radius. */
  curveRadiusMm: z.number().min(SCREEN_LIMITS.leastRadiusMm).max(100_000).optional(),
  /** From the edge of the picture inwards to the middle of the strip: it hides the points of light from the side. */
  insetMm: inset,
  pixelsPerMetre: z.number().min(SCREEN_LIMITS.leastPerM).max(SCREEN_LIMITS.mostPerM),
  /** The strip can be cut after so many. */
  pixelsPerCut: z.int().min(1).max(24),
  /** Sides that have a strip. */
  sides: z.array(z.enum(SCREEN_SIDES)).min(1).max(4),
  /** Left free in the bottom for a stand. */
  standGap: z
    .strictObject({
      lengthMm: z.number().min(1).max(mostMm),
      /** Distance of its middle from the middle of the screen, to the right as seen from the front. */
      offsetMm: z.number().min(-mostMm).max(mostMm),
    })
    .optional(),
  corner,
  /** Corners that are made otherwise. */
  corners: z.partialRecord(z.enum(SCREEN_CORNERS), corner).optional(),
  /** Counts that were really installed, which replace those that are planned. */
  installed: z.partialRecord(z.enum(EDGE_PIECES), count).optional(),
  /** Instead of a piece along each side: pieces one after another, clockwise as seen from the front. */
  ownPieces: z.array(ownPieceSchema).min(1).max(SCREEN_LIMITS.mostOwnPieces).optional(),
  start: z.enum(SCREEN_STARTS),
  /** The first pixel is so many further on, in the direction of the data. */
  startOffset: z.int().min(0).max(20_000),
  /** As seen from the front. */
  direction: z.enum(['clockwise', 'counterclockwise']),
  /** Number of first pixels that stay dark behind the screen. */
  hiddenFirst: z.int().min(0).max(100),
  /** So many hang on behind the last one and stay dark. */
  unusedTail: z.int().min(0).max(1000).optional(),
  /** Pixels that were counted on the whole wire, dark ones included. */
  countedOnWire: z.int().min(1).max(20_000).optional(),
  zones: zoneWishSchema.optional(),
  colours: pipelineSchema.optional(),
  link: linkWishSchema.optional(),
  source: sourceWishSchema.optional(),
});
export type ScreenShape = z.infer<typeof fields>;

export const screenShapeSchema = fields
  .refine(({ sides }) => new Set(sides).size === sides.length, {
    path: ['sides'],
    message: 'each side once',
  })
  .refine(
    (shape) => {
      const { widthMm, heightMm } = pictureSize(shape);
      return 2 * (shape.insetMm + mostLoss(shape)) < Math.min(widthMm, heightMm);
    },
    { path: ['insetMm'], message: 'an inset that leaves something of the sides' },
  )
  .refine(
    (shape) => {
      const { standGap, sides } = shape;
      if (!standGap) return true;
      const { widthMm } = pictureSize(shape);
      const room = (at: ScreenCorner) => widthMm / 2 - shape.insetMm - cornerLoss(shape, at);
      return (
        sides.includes('bottom') &&
        standGap.offsetMm + standGap.lengthMm / 2 <= room('bottomRight') &&
        standGap.lengthMm / 2 - standGap.offsetMm <= room('bottomLeft')
      );
    },
    { path: ['standGap'], message: 'a gap that lies within the strip at the bottom' },
  )
  .refine((shape) => !shape.curveRadiusMm || pictureSize(shape).widthMm <= Math.PI * shape.curveRadiusMm, {
    path: ['curveRadiusMm'],
    message: 'a radius with which the screen is at most half a circle',
  });

/** Width and height of the picture, in mm: of a diagonal d and an aspect w : h they are d*w/sqrt(w^2 + h^2) and d*h/sqrt(w^2 + h^2). */
export function pictureSize({ size }: Pick<ScreenShape, 'size'>): { widthMm: number; heightMm: number } {
  if (size.by === 'sides') return { widthMm: size.widthMm, heightMm: size.heightMm };
  const scale = size.diagonalMm / Math.hypot(size.aspectWidth, size.aspectHeight);
  return { widthMm: scale * size.aspectWidth, heightMm: scale * size.aspectHeight };
}

type Corners = Pick<ScreenShape, 'corner' | 'corners'>;

export const cornerWay = ({ corner: usual, corners }: Corners, at: ScreenCorner): CornerWay =>
  corners?.[at] ?? usual;

/** Strip that a corner costs at each of the two ends that meet there, in mm. */
export function cornerLoss(shape: Corners, at: ScreenCorner): number {
  const { style, lossMm } = cornerWay(shape, at);
  return style === 'bent' ? 0 : lossMm;
}

const mostLoss = (shape: Corners): number => Math.max(...SCREEN_CORNERS.map((at) => cornerLoss(shape, at)));
