import { cornerLoss, cornerWay, pictureSize, type EdgePiece, type OwnPiece, type ScreenShape } from './shape';
import { CORNER_BEFORE, SIDE_BEHIND, type ScreenCorner, type ScreenSide, type ScreenStart } from './sides';
import { itemAt } from '../units/there';
import { mapTuple } from '../units/tuple';

const EDGE_WORDS: Record<EdgePiece, string> = {
  top: 'top',
  right: 'right, seen from the front',
  bottom: 'bottom',
  bottomRight: 'bottom, right of the stand',
  bottomLeft: 'bottom, left of the stand',
  left: 'left, seen from the front',
};

type Point = readonly [xMm: number, yMm: number];

export interface FramePiece {
  /** Tells pieces of one frame apart. */
  name: string;
  /** Its name for a builder. */
  words: string;
  side: ScreenSide;
  /** Room for strip. */
  lengthMm: number;
  /** As its room and the cut marks give. */
  planned: number;
  /** Pixels really there: installed where that was said. */
  pixels: number;
  /** Its beginning and end, clockwise; the middle of the picture is at 0, 0, front view, y upwards, along the glass. */
  from: Point;
  to: Point;
}

/** So much of a pixel's pitch may be missing: nobody measures or cuts closer than that. A millionth is for the arithmetic. */
export const MISSING_PITCH = 0.01 + 1e-6;

/** As many whole cuts of a strip as a length holds. */
function pixelsIn(lengthMm: number, { pixelsPerMetre, pixelsPerCut }: ScreenShape): number {
  const pixels = (lengthMm * pixelsPerMetre) / 1000;
  return Math.max(0, Math.floor((pixels + MISSING_PITCH) / pixelsPerCut) * pixelsPerCut);
}

/** Millimetres by which the planned pixels of a piece are longer than its room; 0 where they are not. */
export function reachesOverMm({ lengthMm, planned }: FramePiece, { pixelsPerMetre }: ScreenShape): number {
  return Math.max(0, (planned * 1000) / pixelsPerMetre - lengthMm);
}

/** The pieces of strip, clockwise as seen from the front: from the top left where none were laid otherwise. */
export function framePieces(shape: ScreenShape): FramePiece[] {
  return shape.ownPieces ? ownPieces(shape, shape.ownPieces) : edgePieces(shape);
}

function edgePieces(shape: ScreenShape): FramePiece[] {
  const { widthMm, heightMm } = pictureSize(shape);
  const { insetMm, standGap, sides, installed } = shape;
  const [right, top] = [widthMm / 2 - insetMm, heightMm / 2 - insetMm];
  const loss = (at: ScreenCorner) => cornerLoss(shape, at);
  const gap = standGap && [
    standGap.offsetMm + standGap.lengthMm / 2,
    standGap.offsetMm - standGap.lengthMm / 2,
  ];
  const bottomFrom: Point = [right - loss('bottomRight'), -top];
  const bottomTo: Point = [-right + loss('bottomLeft'), -top];
  const all: (readonly [EdgePiece, ScreenSide, Point, Point])[] = [
    ['top', 'top', [-right + loss('topLeft'), top], [right - loss('topRight'), top]],
    ['right', 'right', [right, top - loss('topRight')], [right, -top + loss('bottomRight')]],
    ...(gap
      ? ([
          ['bottomRight', 'bottom', bottomFrom, [itemAt(gap, 0), -top]],
          ['bottomLeft', 'bottom', [itemAt(gap, 1), -top], bottomTo],
        ] as const)
      : ([['bottom', 'bottom', bottomFrom, bottomTo]] as const)),
    ['left', 'left', [-right, -top + loss('bottomLeft')], [-right, top - loss('topLeft')]],
  ];
  return all.flatMap(([name, side, from, to]) => {
    if (!sides.includes(side)) return [];
    const lengthMm = Math.hypot(to[0] - from[0], to[1] - from[1]);
    const planned = pixelsIn(lengthMm, shape);
    const pixels = installed?.[name] ?? planned;
    return [{ name, words: EDGE_WORDS[name], side, lengthMm, planned, pixels, from, to }];
  });
}

/** Beginning, direction and inward direction of each side, clockwise, for a picture of half the width and height. */
const SIDE_LINES: Record<
  ScreenSide,
  (x: number, y: number) => { begin: Point; along: Point; inwards: Point }
> = {
  top: (x, y) => ({ begin: [-x, y], along: [1, 0], inwards: [0, -1] }),
  right: (x, y) => ({ begin: [x, y], along: [0, -1], inwards: [-1, 0] }),
  bottom: (x, y) => ({ begin: [x, -y], along: [-1, 0], inwards: [0, 1] }),
  left: (x, y) => ({ begin: [-x, -y], along: [0, 1], inwards: [1, 0] }),
};

function ownPieces(shape: ScreenShape, own: readonly OwnPiece[]): FramePiece[] {
  const { widthMm, heightMm } = pictureSize(shape);
  return own.map(({ side, runs, atMm, lengthMm, insetMm, installed }, i) => {
    const { begin, along, inwards } = SIDE_LINES[side](widthMm / 2, heightMm / 2);
    const from: Point = mapTuple(begin, (each, k) => each + atMm * along[k]! + insetMm * inwards[k]!);
    const way = runs === 'along' ? along : inwards;
    const length = runs === 'outwards' ? -lengthMm : lengthMm;
    const to: Point = [from[0] + length * way[0], from[1] + length * way[1]];
    const planned = pixelsIn(lengthMm, shape);
    const where = EDGE_WORDS[side];
    return {
      name: `piece${i + 1}`,
      words: `piece ${i + 1}, ${runs === 'along' ? where : `${runs} at the ${where}`}`,
      side,
      lengthMm,
      planned,
      pixels: installed ?? planned,
      from,
      to,
    };
  });
}

/** The frame as it stands, as pieces that can be laid otherwise: what was counted stays. */
export function asOwnPieces(shape: ScreenShape): OwnPiece[] {
  const { widthMm, heightMm } = pictureSize(shape);
  return framePieces(shape).map(({ side, from, lengthMm, planned, pixels }) => {
    const { begin, along, inwards } = SIDE_LINES[side](widthMm / 2, heightMm / 2);
    const [x, y] = [from[0] - begin[0], from[1] - begin[1]];
    const tenths = (mm: number) => Math.round(10 * mm) / 10 + 0;
    return {
      side,
      runs: 'along',
      atMm: tenths(x * along[0] + y * along[1]),
      // Rounded up by no more than a tenth, so that no pixel is lost to it.
      lengthMm: Math.ceil(10 * lengthMm - 1e-6) / 10,
      insetMm: tenths(x * inwards[0] + y * inwards[1]),
      ...(pixels !== planned && { installed: pixels }),
    };
  });
}

/** True where the strip goes on from a piece into the next without a cut: their ends meet, and it is bent there. */
export function runsOn(shape: ScreenShape, piece: FramePiece, next: FramePiece): boolean {
  if (Math.hypot(piece.to[0] - next.from[0], piece.to[1] - next.from[1]) >= 1) return false;
  const way = piece.side === next.side ? shape.corner : cornerWay(shape, CORNER_BEFORE[next.side]);
  return way.style === 'bent';
}

export const framePixels = (shape: ScreenShape) =>
  framePieces(shape).reduce((sum, { pixels }) => sum + pixels, 0);

/** On the wire: those that are seen, the hidden first ones and the unused tail. */
export const wirePixels = (shape: ScreenShape) =>
  framePixels(shape) + shape.hiddenFirst + (shape.unusedTail ?? 0);

export interface FrameLight {
  xMm: number;
  yMm: number;
  side: ScreenSide;
  /** Number of its piece, from 0. */
  piece: number;
}

/** Every light of the frame clockwise from the first piece, front view, in mm: in the middle of its share of its piece. */
export function frameLights(pieces: readonly FramePiece[]): FrameLight[] {
  return pieces.flatMap(({ from, to, pixels, side }, piece) =>
    Array.from({ length: pixels }, (_, i) => {
      const share = (i + 0.5) / pixels;
      return {
        xMm: from[0] + share * (to[0] - from[0]),
        yMm: from[1] + share * (to[1] - from[1]),
        side,
        piece,
      };
    }),
  );
}

type Counted = Pick<FramePiece, 'side' | 'pixels'>;

/** Lights that come before each corner and the middle of the bottom, clockwise from the first piece. */
export function frameBoundaries(pieces: readonly Counted[]): Record<ScreenStart, number> {
  const before = (at: number) => pieces.slice(0, at).reduce((sum, { pixels }) => sum + pixels, 0);
  const bottom = firstOfSide(pieces, 'bottom');
  const parts = pieces.filter(({ side }) => side === 'bottom');
  // Two pieces are parted by the stand; else by the middle, the odd one to the right of it.
  const toMiddle = parts.length === 2 ? itemAt(parts, 0).pixels : Math.ceil(sumOf(parts) / 2);
  const corner = (at: ScreenCorner) => before(firstOfSide(pieces, SIDE_BEHIND[at]));
  return {
    topLeft: corner('topLeft'),
    topRight: corner('topRight'),
    bottomRight: corner('bottomRight'),
    bottomLeft: corner('bottomLeft'),
    bottomMiddle: before(bottom) + (parts.length > 0 ? toMiddle : 0),
  };
}

const sumOf = (pieces: readonly Counted[]) => pieces.reduce((sum, { pixels }) => sum + pixels, 0);

/** Number of the piece at which a side begins, or, where it has none, the next side that has one. */
function firstOfSide(pieces: readonly Counted[], side: ScreenSide): number {
  let wanted = side;
  for (let tried = 0; tried < 4; tried += 1) {
    const own = pieces.flatMap((piece, i) => (piece.side === wanted ? [i] : []));
    // The first of a row of them, which may go on over the end of the list.
    const first = own.find((i) => pieces.at(i - 1)!.side !== wanted) ?? own[0];
    if (first !== undefined) return first;
    wanted = SIDE_BEHIND[CORNER_AFTER[wanted]];
  }
  return 0;
}

const CORNER_AFTER: Record<ScreenSide, ScreenCorner> = {
  top: 'topRight',
  right: 'bottomRight',
  bottom: 'bottomLeft',
  left: 'topLeft',
};

/** Place of the first light in the count clockwise from the first piece, where a start and a direction say it. */
export function firstLight(
  pieces: readonly Counted[],
  { start, startOffset, direction }: Pick<ScreenShape, 'start' | 'startOffset' | 'direction'>,
): number {
  const total = sumOf(pieces);
  if (total === 0) return 0;
  const boundary = frameBoundaries(pieces)[start];
  const at = direction === 'clockwise' ? boundary + startOffset : boundary - 1 - startOffset;
  return ((at % total) + total) % total;
}

/** Clockwise place of each pixel in data order, counted from the first piece. */
export function dataOrder(shape: ScreenShape, pieces: readonly FramePiece[] = framePieces(shape)): number[] {
  const total = sumOf(pieces);
  const first = firstLight(pieces, shape);
  const step = shape.direction === 'clockwise' ? 1 : -1;
  return Array.from({ length: total }, (_, i) => (((first + step * i) % total) + total) % total);
}

/** Lights of one piece that follow one another in data order; a piece in which the data begins is two of them. */
interface FrameStretch {
  piece: number;
  /** Place of its first light in the count clockwise from the first piece. */
  firstPlace: number;
  pixels: number;
}

export function frameStretches(
  shape: ScreenShape,
  pieces: readonly FramePiece[] = framePieces(shape),
): FrameStretch[] {
  const order = dataOrder(shape, pieces);
  const lights = frameLights(pieces);
  const step = shape.direction === 'clockwise' ? 1 : -1;
  const made: FrameStretch[] = [];
  order.forEach((place, i) => {
    const { piece } = itemAt(lights, place);
    const last = made.at(-1);
    if (last?.piece === piece && place - itemAt(order, i - 1) === step) last.pixels += 1;
    else made.push({ piece, firstPlace: place, pixels: 1 });
  });
  return made;
}

/** The frame as it is planned: what was counted where it hangs is left out. */
export function withoutCounts({
  installed: _,
  countedOnWire: __,
  ownPieces,
  ...rest
}: ScreenShape): ScreenShape {
  return {
    ...rest,
    ...(ownPieces && { ownPieces: ownPieces.map(({ installed: ___, ...piece }) => piece) }),
  };
}

/** The frame with so many pixels in each piece, in the order of `framePieces`: those that differ from the planned ones are counted ones. */
export function withCounts(shape: ScreenShape, counts: readonly number[]): ScreenShape {
  const bare = withoutCounts(shape);
  const differ = framePieces(bare).map(({ planned }, i) => counts[i] !== planned);
  if (bare.ownPieces)
    return {
      ...bare,
      ownPieces: bare.ownPieces.map((piece, i) =>
        differ[i] ? { ...piece, installed: itemAt(counts, i) } : piece,
      ),
    };
  const installed = Object.fromEntries(
    framePieces(bare).flatMap(({ name }, i) => (differ[i] ? [[name, itemAt(counts, i)]] : [])),
  );
  return { ...bare, ...(Object.keys(installed).length > 0 && { installed }) };
}
