import { signalOf } from '../catalogue/signal';
import type { PixelType } from '../catalogue/pixelType';
import { framePieces, framePixels, frameStretches, runsOn, wirePixels, type FramePiece } from './frame';
import { cornerLoss, cornerWay, pictureSize, type CornerWay, type ScreenShape } from './shape';
import { CORNER_BEFORE, SCREEN_CORNERS, type ScreenCorner } from './sides';
import { itemAt } from '../units/there';

/** A piece of strip to cut. The data may begin within a side: that is cut into two. */
export interface ScreenCut {
  key: string;
  words: string;
  /** Room for it. */
  lengthMm: number;
  planned: number;
  /** Lights that are seen. */
  pixels: number;
  /** Dark ones in front of them, or behind them, on the same piece: the hidden first lights and the unused tail. */
  hiddenBefore: number;
  hiddenBehind: number;
  /** Length of its strip with the dark lights, in mm. */
  stripMm: number;
  /** Cut marks to count from its beginning. */
  marks: number;
  /** Room that is left beside it. */
  spareMm: number;
}

/** Wires from the end of one piece to the beginning of the next, in data order. */
export interface WireBridge {
  from: string;
  to: string;
  /** From end to end, straight. */
  reachMm: number;
  /** Wires of the bridge. */
  wires: readonly string[];
}

/** Ways round a corner, and their costs. */
interface CornerCost extends CornerWay {
  corner: ScreenCorner;
  /** Pixels that a bent corner would hold more. */
  lostPixels: number;
}

export interface ScreenCuts {
  /** In data order. */
  cuts: ScreenCut[];
  bridges: WireBridge[];
  corners: CornerCost[];
  stripMm: number;
  rolls: number;
  /** Rest of the rolls. */
  leftMm: number;
  /** The diagonal, in mm, of the largest screen of this aspect that one roll frames with the same inset, corners, sides and gap; null where pieces are laid otherwise. */
  largestDiagonalMm: number | null;
}

/** Strip is sold by rolls of this length. */
export const ROLL_MM = 5000;

/** A piece of strip for each stretch, with the dark lights at either end of the wire. */
function cutsOf(
  shape: ScreenShape,
  pieces: readonly FramePiece[],
  stretches: ReturnType<typeof frameStretches>,
): ScreenCut[] {
  const pitchMm = 1000 / shape.pixelsPerMetre;
  return stretches.map(({ piece: number, pixels }, i): ScreenCut => {
    const piece = itemAt(pieces, number);
    const share = pixels / piece.pixels;
    const hiddenBefore = i === 0 ? shape.hiddenFirst : 0;
    const hiddenBehind = i === stretches.length - 1 ? (shape.unusedTail ?? 0) : 0;
    const onWire = hiddenBefore + pixels + hiddenBehind;
    const part = share === 1 ? '' : i === 0 ? ', from where the data begins' : ', up to where the data began';
    return {
      key: `${piece.name} ${i}`,
      words: piece.words + part,
      lengthMm: piece.lengthMm * share,
      planned: share === 1 ? piece.planned : pixels,
      pixels,
      hiddenBefore,
      hiddenBehind,
      stripMm: onWire * pitchMm,
      // Lights that are seen end at a mark; dark ones may share a cut, of which the rest hangs on.
      marks: pixels / shape.pixelsPerCut + Math.ceil((onWire - pixels) / shape.pixelsPerCut),
      spareMm: piece.lengthMm * share - pixels * pitchMm,
    };
  });
}

/** Cuts from rolls of a length. Pieces are cut whole: each comes from one roll where it is no longer than one. */
export function screenCuts(
  shape: ScreenShape,
  rollMm: number,
  pixelType?: Pick<PixelType, 'chip' | 'timing'>,
): ScreenCuts {
  const pieces = framePieces(shape);
  const stretches = frameStretches(shape, pieces);
  const cuts = cutsOf(shape, pieces, stretches);
  const wires = [
    'plus',
    'ground',
    'data',
    ...(pixelType && signalOf(pixelType).timing.kind === 'clocked' ? ['clock'] : []),
  ];
  const bridges: WireBridge[] = [];
  const runs: number[] = [];
  stretches.forEach(({ piece }, i) => {
    const before = stretches[i - 1];
    if (before && follows(shape, itemAt(pieces, before.piece), itemAt(pieces, piece)))
      runs[runs.length - 1]! += itemAt(cuts, i).stripMm;
    else {
      if (before)
        bridges.push({
          from: itemAt(cuts, i - 1).words,
          to: itemAt(cuts, i).words,
          reachMm: reach(shape, itemAt(pieces, before.piece), itemAt(pieces, piece)),
          wires,
        });
      runs.push(itemAt(cuts, i).stripMm);
    }
  });
  const stripMm = runs.reduce((sum, each) => sum + each, 0);
  const rolls = rollsFor(runs, rollMm);
  return {
    cuts,
    bridges,
    corners: shape.ownPieces ? [] : cornerCosts(shape),
    stripMm,
    rolls,
    leftMm: rolls * rollMm - stripMm,
    largestDiagonalMm: shape.ownPieces ? null : largestDiagonal(shape, rollMm),
  };
}

/** The same, whichever way round the data goes. */
function follows(shape: ScreenShape, one: FramePiece, next: FramePiece): boolean {
  return shape.direction === 'clockwise' ? runsOn(shape, one, next) : runsOn(shape, next, one);
}

function reach({ direction }: ScreenShape, one: FramePiece, next: FramePiece): number {
  const [end, begin] = direction === 'clockwise' ? [one.to, next.from] : [one.from, next.to];
  return Math.hypot(end[0] - begin[0], end[1] - begin[1]);
}

/** Corners between two sides that both have strip. */
function cornerCosts(shape: ScreenShape): CornerCost[] {
  const planned = (corners: ScreenShape['corners']) =>
    framePixels({ ...shape, corners, installed: undefined });
  return SCREEN_CORNERS.flatMap((corner) => {
    const both = shape.sides.filter(
      (side) => CORNER_BEFORE[side] === corner || CORNER_AT_END[side] === corner,
    );
    if (both.length < 2) return [];
    const bent = planned({ ...shape.corners, [corner]: { style: 'bent', lossMm: 0 } });
    return [{ corner, ...cornerWay(shape, corner), lostPixels: bent - planned(shape.corners) }];
  });
}

const CORNER_AT_END = {
  top: 'topRight',
  right: 'bottomRight',
  bottom: 'bottomLeft',
  left: 'topLeft',
} as const;

/** First fit, the longest first; what is longer than a roll takes whole ones and joins them. */
function rollsFor(runs: readonly number[], rollMm: number): number {
  const left: number[] = [];
  let whole = 0;
  for (const run of [...runs].sort((a, b) => b - a)) {
    whole += Math.floor(run / rollMm);
    const rest = run % rollMm;
    if (rest < 1e-6) continue;
    const at = left.findIndex((room) => room >= rest - 1e-6);
    if (at === -1) left.push(rollMm - rest);
    else left[at]! -= rest;
  }
  return whole + left.length;
}

/** All sides that are used, less insets, losses and the gap, are as long as a roll: linear in the diagonal. */
function largestDiagonal(shape: ScreenShape, rollMm: number): number {
  const { widthMm, heightMm } = pictureSize(shape);
  const diagonalMm = Math.hypot(widthMm, heightMm);
  const perDiagonal = shape.sides.reduce(
    (sum, side) => sum + (side === 'top' || side === 'bottom' ? widthMm : heightMm) / diagonalMm,
    0,
  );
  const losses = shape.sides.reduce(
    (sum, side) => sum + cornerLoss(shape, CORNER_BEFORE[side]) + cornerLoss(shape, CORNER_AT_END[side]),
    0,
  );
  const taken = shape.sides.length * 2 * shape.insetMm + losses + (shape.standGap?.lengthMm ?? 0);
  return (rollMm + taken) / perDiagonal;
}

/** Things of a frame that should agree. */
interface FrameTick {
  words: string;
  isRight: boolean;
}

/** @param runPixels what the runs of the prop have in the plan */
export function frameTicks(shape: ScreenShape, runPixels: number): FrameTick[] {
  const pieces = framePieces(shape);
  const count = (name: string) =>
    pieces.filter(({ side }) => side === name).reduce((sum, { pixels }) => sum + pixels, 0);
  const gapPixels = Math.round(((shape.standGap?.lengthMm ?? 0) * shape.pixelsPerMetre) / 1000);
  const has = (...sides: ScreenShape['sides']) =>
    !shape.ownPieces && sides.every((side) => shape.sides.includes(side));
  const ticks: FrameTick[] = [];
  if (has('top', 'bottom'))
    ticks.push({
      words: `top ${count('top')} = bottom ${count('bottom')}${gapPixels ? ` and ${gapPixels} for the stand` : ''}`,
      // Two pieces lose up to a cut each to rounding.
      isRight:
        Math.abs(count('top') - count('bottom') - gapPixels) <= (gapPixels ? 2 * shape.pixelsPerCut : 0),
    });
  if (has('left', 'right'))
    ticks.push({
      words: `left ${count('left')} = right ${count('right')}`,
      isRight: count('left') === count('right'),
    });
  const { hiddenFirst, unusedTail = 0, countedOnWire } = shape;
  const dark = hiddenFirst + unusedTail;
  ticks.push({
    words: `pieces ${framePixels(shape)}${dark > 0 ? ` and ${dark} dark` : ''} = run ${runPixels}`,
    isRight: wirePixels(shape) === runPixels,
  });
  if (countedOnWire !== undefined)
    ticks.push({
      words: `run ${runPixels} = counted on the wire ${countedOnWire}`,
      isRight: runPixels === countedOnWire,
    });
  return ticks;
}
