import { z } from 'zod';
import {
  dataOrder,
  frameLights,
  framePieces,
  pictureSize,
  SCREEN_SIDES,
  type ScreenShape,
  type ScreenSide,
} from './frame';

const share = z.number().min(0.01).max(0.5);

/** What part of the picture each light takes its colour from. */
export const zoneWishSchema = z.strictObject({
  /** How far into the picture, as a share of its height (top, bottom) or width (left, right). */
  depth: z.strictObject({ top: share, right: share, bottom: share, left: share }),
  /** Each zone is longer by so much of itself at both ends. */
  overlap: z.number().min(0).max(1),
  /** The corners belong to both sides that meet there; else to the top and the bottom alone. */
  sharedCorners: z.boolean(),
});
export type ZoneWish = z.infer<typeof zoneWishSchema>;

export const USUAL_ZONES: ZoneWish = {
  depth: { top: 0.08, right: 0.05, bottom: 0.08, left: 0.05 },
  overlap: 0,
  sharedCorners: true,
};

/** A rectangle of the picture as fractions, from the top left; `index` is in the order of the data, from 0, hidden ones counted. */
export interface Zone {
  index: number;
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

const clamp = (value: number) => Math.min(1, Math.max(0, value));

/**
 * The zone of each light that is seen. Along a side zones meet half way between neighbours, and the first and last reach its ends, so that
 * without overlap they tile it.
 */
export function zonesOf(shape: ScreenShape, wish: ZoneWish): Zone[] {
  const { widthMm, heightMm } = pictureSize(shape);
  const pieces = framePieces(shape);
  const lights = frameLights(pieces);
  /** Along its side, from the top or the left, as a share of the side. */
  const along = ({ xMm, yMm, side }: (typeof lights)[number]) =>
    side === 'top' || side === 'bottom' ? xMm / widthMm + 0.5 : 0.5 - yMm / heightMm;
  const rectangles = new Map<number, Omit<Zone, 'index'>>();
  for (const side of SCREEN_SIDES) {
    const [least, most] = endsOf(side, shape, wish);
    // Between its ends a side keeps its proportions: lights beside a corner that is not theirs move along.
    const own = lights
      .flatMap((light, at) =>
        light.side === side ? [{ at, place: least + along(light) * (most - least) }] : [],
      )
      .sort((a, b) => a.place - b.place);
    own.forEach(({ at, place }, i) => {
      const from = i === 0 ? least : (own[i - 1]!.place + place) / 2;
      const to = i === own.length - 1 ? most : (place + own[i + 1]!.place) / 2;
      const more = wish.overlap * (to - from);
      rectangles.set(at, rectangleOf(side, clamp(from - more), clamp(to + more), wish));
    });
  }
  return dataOrder(shape, pieces).map((at, i) => ({ index: i + shape.hiddenFirst, ...rectangles.get(at)! }));
}

/** From where to where the zones of a side go. */
function endsOf(
  side: ScreenSide,
  { sides }: ScreenShape,
  { depth, sharedCorners }: ZoneWish,
): [number, number] {
  if (sharedCorners || side === 'top' || side === 'bottom') return [0, 1];
  return [sides.includes('top') ? depth.top : 0, sides.includes('bottom') ? 1 - depth.bottom : 1];
}

function rectangleOf(side: ScreenSide, from: number, to: number, { depth }: ZoneWish): Omit<Zone, 'index'> {
  switch (side) {
    case 'top':
      return { x0: from, x1: to, y0: 0, y1: depth.top };
    case 'bottom':
      return { x0: from, x1: to, y0: 1 - depth.bottom, y1: 1 };
    case 'left':
      return { x0: 0, x1: depth.left, y0: from, y1: to };
    case 'right':
      return { x0: 1 - depth.right, x1: 1, y0: from, y1: to };
  }
}
