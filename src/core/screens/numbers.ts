import { dataOrder, frameBoundaries, framePieces, wirePixels } from './frame';
import { pictureSize, type OwnPiece, type ScreenShape } from './shape';
import { otherSide, SCREEN_CORNERS, SCREEN_SIDES, type ScreenCorner, type ScreenSide } from './sides';
import { itemAt } from '../units/there';
import { recordOf } from '../fields/keys';

/** A program's way to count the pixels of a frame. */
export interface Convention {
  /** The corner from which it counts. */
  corner: ScreenCorner;
  /** As seen from the front. */
  direction: 'clockwise' | 'counterclockwise';
  /** Its first light is 0 or 1. */
  firstIndex: 0 | 1;
  /** Hidden ones have numbers too. */
  countsHidden: boolean;
}

/** Values to type into such a program. */
export interface ConventionNumbers {
  counts: Record<ScreenSide, number>;
  /** Its number of the light that the data reaches first. */
  firstLight: number;
  /** The data goes against its count. */
  isReversed: boolean;
  /** The stand: its number of the pixel after the gap, and the pixels that would fit there. Null without a gap. */
  gap: { at: number; pixels: number } | null;
  /** Its number of the first light behind each corner, in its direction. */
  corners: Record<ScreenCorner, number>;
  /** On the wire, hidden ones included. */
  onWire: number;
  /** Number of each pixel in data order, hidden ones left out. */
  of: number[];
}

export function conventionNumbers(shape: ScreenShape, convention: Convention): ConventionNumbers {
  const pieces = framePieces(shape);
  const total = pieces.reduce((sum, { pixels }) => sum + pixels, 0);
  const boundaries = frameBoundaries(pieces);
  const isClockwise = convention.direction === 'clockwise';
  const hidden = convention.countsHidden ? shape.hiddenFirst : 0;
  const boundary = boundaries[convention.corner];
  const around = (at: number) => (total === 0 ? 0 : ((at % total) + total) % total);
  /** From a place in the count clockwise from the top left to a number of the convention. */
  const numberOf = (place: number) =>
    convention.firstIndex + hidden + around(isClockwise ? place - boundary : boundary - 1 - place);
  const order = dataOrder(shape, pieces);
  const corners = recordOf(SCREEN_CORNERS, (corner) => {
    const at = boundaries[corner];
    return numberOf(around(isClockwise ? at : at - 1));
  });
  const stand = pieces.find(({ name }) => name === 'bottomRight');
  const afterStand = stand ? boundaries.bottomRight + stand.pixels : null;
  return {
    counts: recordOf(SCREEN_SIDES, (side) =>
      pieces.filter((piece) => piece.side === side).reduce((sum, { pixels }) => sum + pixels, 0),
    ),
    firstLight: total === 0 ? 0 : numberOf(itemAt(order, 0)),
    isReversed: shape.direction !== convention.direction,
    gap:
      afterStand === null
        ? null
        : {
            at: numberOf(around(isClockwise ? afterStand : afterStand - 1)),
            pixels: Math.round((shape.standGap!.lengthMm * shape.pixelsPerMetre) / 1000),
          },
    corners,
    onWire: wirePixels(shape),
    of: order.map(numberOf),
  };
}

/** The same frame as it is described by one who stands behind it: left and right, and the direction, change. */
export function mirrored(shape: ScreenShape): ScreenShape {
  const { installed, standGap, corners, ownPieces } = shape;
  const renamed = <Value>(record: Record<string, Value>) =>
    Object.fromEntries(Object.entries(record).map(([name, value]) => [otherSide(name), value]));
  return {
    ...shape,
    start: otherSide(shape.start),
    direction: shape.direction === 'clockwise' ? 'counterclockwise' : 'clockwise',
    sides: shape.sides.map(otherSide),
    ...(standGap && {
      standGap: { ...standGap, offsetMm: standGap.offsetMm === 0 ? 0 : -standGap.offsetMm },
    }),
    ...(corners && { corners: renamed(corners) }),
    ...(installed && { installed: renamed(installed) }),
    ...(ownPieces && { ownPieces: ownPieces.map((piece) => mirroredPiece(shape, piece)).reverse() }),
  };
}

/** Gone along the other way, it begins where it ended. */
function mirroredPiece(shape: ScreenShape, piece: OwnPiece): OwnPiece {
  const { widthMm, heightMm } = pictureSize(shape);
  const edgeMm = piece.side === 'top' || piece.side === 'bottom' ? widthMm : heightMm;
  const side = otherSide(piece.side);
  switch (piece.runs) {
    case 'along':
      return { ...piece, side, atMm: edgeMm - piece.atMm - piece.lengthMm };
    case 'outwards':
      return {
        ...piece,
        side,
        runs: 'inwards',
        atMm: edgeMm - piece.atMm,
        insetMm: piece.insetMm - piece.lengthMm,
      };
    case 'inwards':
      return {
        ...piece,
        side,
        runs: 'outwards',
        atMm: edgeMm - piece.atMm,
        insetMm: piece.insetMm + piece.lengthMm,
      };
  }
}
