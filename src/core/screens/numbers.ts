import { dataOrder, framePieces, SCREEN_SIDES, type ScreenShape, type ScreenSide } from './frame';

/** How a program counts the lights of a frame. */
export interface Convention {
  /** The corner from which it counts. */
  corner: 'topLeft' | 'topRight' | 'bottomRight' | 'bottomLeft';
  /** As seen from the front. */
  direction: 'clockwise' | 'counterclockwise';
  /** Its first light is 0 or 1. */
  firstIndex: 0 | 1;
  /** Hidden ones have numbers too. */
  countsHidden: boolean;
}

/** What is typed into a program that counts so. */
export interface ConventionNumbers {
  counts: Record<ScreenSide, number>;
  /** Its number of the light that the data reaches first. */
  firstLight: number;
  /** The data goes against its count. */
  isReversed: boolean;
  /** Where the stand is: its number of the light after the gap, and how many lights would fit there. Null without a gap. */
  gap: { at: number; pixels: number } | null;
  /** Its number of the first light behind each corner, in its direction. */
  corners: Record<Convention['corner'], number>;
  /** On the wire, hidden ones included. */
  onWire: number;
  /** Of each light in data order, hidden ones left out: its number there. */
  of: number[];
}

/** The side behind each corner, clockwise. */
const SIDE_BEHIND: Record<Convention['corner'], ScreenSide> = {
  topLeft: 'top',
  topRight: 'right',
  bottomRight: 'bottom',
  bottomLeft: 'left',
};

export function conventionNumbers(shape: ScreenShape, convention: Convention): ConventionNumbers {
  const pieces = framePieces(shape);
  const total = pieces.reduce((sum, { pixels }) => sum + pixels, 0);
  const before = (side: ScreenSide) =>
    pieces
      .filter(({ side: of }) => SCREEN_SIDES.indexOf(of) < SCREEN_SIDES.indexOf(side))
      .reduce((sum, { pixels }) => sum + pixels, 0);
  const isClockwise = convention.direction === 'clockwise';
  const hidden = convention.countsHidden ? shape.hiddenFirst : 0;
  const boundary = before(SIDE_BEHIND[convention.corner]);
  const around = (at: number) => (total === 0 ? 0 : ((at % total) + total) % total);
  /** From a place in the count clockwise from the top left to a number of the convention. */
  const numberOf = (place: number) =>
    convention.firstIndex + hidden + around(isClockwise ? place - boundary : boundary - 1 - place);
  const order = dataOrder(shape, pieces);
  const corners = Object.fromEntries(
    (Object.keys(SIDE_BEHIND) as Convention['corner'][]).map((corner) => {
      const at = before(SIDE_BEHIND[corner]);
      return [corner, numberOf(around(isClockwise ? at : at - 1))];
    }),
  ) as ConventionNumbers['corners'];
  const stand = pieces.find(({ name }) => name === 'bottomRight');
  const afterStand = stand ? before('bottom') + stand.pixels : null;
  return {
    counts: Object.fromEntries(
      SCREEN_SIDES.map((side) => [
        side,
        pieces.filter((piece) => piece.side === side).reduce((sum, { pixels }) => sum + pixels, 0),
      ]),
    ) as ConventionNumbers['counts'],
    firstLight: total === 0 ? 0 : numberOf(order[0]!),
    isReversed: shape.direction !== convention.direction,
    gap:
      afterStand === null
        ? null
        : {
            at: numberOf(around(isClockwise ? afterStand : afterStand - 1)),
            pixels: Math.round((shape.standGap!.lengthMm * shape.pixelsPerMetre) / 1000),
          },
    corners,
    onWire: total + shape.hiddenFirst,
    of: order.map(numberOf),
  };
}

/** The same frame as it is described by one who stands behind it: left and right, and the direction, change. */
export function mirrored(shape: ScreenShape): ScreenShape {
  const start: Record<ScreenShape['start'], ScreenShape['start']> = {
    topLeft: 'topRight',
    topRight: 'topLeft',
    bottomLeft: 'bottomRight',
    bottomRight: 'bottomLeft',
    bottomMiddle: 'bottomMiddle',
  };
  const { installed, standGap } = shape;
  return {
    ...shape,
    start: start[shape.start],
    direction: shape.direction === 'clockwise' ? 'counterclockwise' : 'clockwise',
    sides: shape.sides.map((side) => (side === 'left' ? 'right' : side === 'right' ? 'left' : side)),
    ...(standGap && {
      standGap: { ...standGap, offsetMm: standGap.offsetMm === 0 ? 0 : -standGap.offsetMm },
    }),
    ...(installed && {
      installed: Object.fromEntries(
        Object.entries(installed).map(([piece, count]) => [
          { left: 'right', right: 'left', bottomLeft: 'bottomRight', bottomRight: 'bottomLeft' }[piece] ??
            piece,
          count,
        ]),
      ),
    }),
  };
}
