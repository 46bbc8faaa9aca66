import { dataOrder, frameLights, framePieces } from './frame';
import { pictureSize, type ScreenShape } from './shape';
import { SCREEN_SIDES, type ScreenSide } from './sides';
import { USUAL_ZONES, type ZoneWish } from './zoneWish';
import { itemAt, valueIn } from '../units/there';

/** A rectangle of the picture as fractions, from the top left; `index` is in the order of the data, from 0, hidden ones counted. */
export interface Zone {
  index: number;
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

/** Places along a side that are nearer than this share of it are one. */
const SAME = 1e-6;

const clamp = (value: number) => Math.min(1, Math.max(0, value));

/**
 * The zone of each light that is seen. Along a side zones meet half way between neighbours, and the first and last reach its ends, so that
 * without overlap they tile it. Lights at one place of a side, as on the flank of a bump-out, share a zone.
 */
export function zonesOf(shape: ScreenShape, wish: ZoneWish = shape.zones ?? USUAL_ZONES): Zone[] {
  const { widthMm, heightMm } = pictureSize(shape);
  const pieces = framePieces(shape);
  const lights = frameLights(pieces);
  /** Along its side, from the top or the left, as a share of the side. */
  const along = ({ xMm, yMm, side }: (typeof lights)[number]) =>
    clamp(side === 'top' || side === 'bottom' ? xMm / widthMm + 0.5 : 0.5 - yMm / heightMm);
  const rectangles = new Map<number, Omit<Zone, 'index'>>();
  for (const side of SCREEN_SIDES) {
    const [least, most] = endsOf(side, shape, wish);
    // Between its ends a side keeps its proportions: lights beside a corner that is not theirs move along.
    const own = lights
      .flatMap((light, at) =>
        light.side === side ? [{ at, place: least + along(light) * (most - least) }] : [],
      )
      .sort((a, b) => a.place - b.place);
    const places = own
      .map(({ place }) => place)
      .filter((place, i, all) => i === 0 || place - itemAt(all, i - 1) > SAME);
    let i = 0;
    for (const { at, place } of own) {
      while (i + 1 < places.length && itemAt(places, i + 1) <= place) i += 1;
      const from = i === 0 ? least : (itemAt(places, i - 1) + itemAt(places, i)) / 2;
      const to = i === places.length - 1 ? most : (itemAt(places, i) + itemAt(places, i + 1)) / 2;
      const more = wish.overlap * (to - from);
      rectangles.set(at, rectangleOf(side, clamp(from - more), clamp(to + more), wish));
    }
  }
  return dataOrder(shape, pieces).map((at, i) => ({
    index: i + shape.hiddenFirst,
    ...valueIn(rectangles, at),
  }));
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

/** The side of each light that has a zone, in the order of the zones. */
export function zoneSides(shape: ScreenShape): ScreenSide[] {
  const pieces = framePieces(shape);
  const lights = frameLights(pieces);
  return dataOrder(shape, pieces).map((at) => itemAt(lights, at).side);
}
