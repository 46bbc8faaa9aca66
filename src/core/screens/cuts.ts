import { framePieces, pictureSize, type FramePiece, type ScreenShape } from './frame';

/** A piece of strip to cut. */
export interface ScreenPiece extends FramePiece {
  /** Of strip, in mm. */
  stripMm: number;
  /** Cut marks to count from its beginning. */
  marks: number;
  /** Room that is left beside it. */
  spareMm: number;
}

export interface ScreenCuts {
  pieces: ScreenPiece[];
  stripMm: number;
  /** Wire bridges between pieces: at corners that are not bent, and over the stand. */
  bridges: number;
  rolls: number;
  /** What is left of the rolls. */
  leftMm: number;
  /** The diagonal, in mm, of the largest screen of this aspect that one roll frames with the same inset, sides and gap. */
  largestDiagonalMm: number;
  /** Things that should agree, and do or not. */
  checks: { words: string; isRight: boolean }[];
}

/** What is cut from rolls of a length. Pieces are cut whole: each comes from one roll where it is no longer than one. */
export function screenCuts(shape: ScreenShape, rollMm: number): ScreenCuts {
  const pitchMm = 1000 / shape.pixelsPerMetre;
  const pieces = framePieces(shape).map((piece): ScreenPiece => {
    const stripMm = piece.pixels * pitchMm;
    return {
      ...piece,
      stripMm,
      marks: piece.pixels / shape.pixelsPerCut,
      spareMm: piece.lengthMm - stripMm,
    };
  });
  const runs = isBent(shape) ? joined(shape, pieces) : pieces.map(({ stripMm }) => stripMm);
  const stripMm = runs.reduce((sum, each) => sum + each, 0);
  const rolls = rollsFor(runs, rollMm);
  const count = (name: string) =>
    pieces.filter(({ side }) => side === name).reduce((sum, { pixels }) => sum + pixels, 0);
  const gapPixels = Math.round(((shape.standGap?.lengthMm ?? 0) * shape.pixelsPerMetre) / 1000);
  const has = (...sides: ScreenShape['sides']) => sides.every((side) => shape.sides.includes(side));
  return {
    pieces,
    stripMm,
    bridges: Math.max(0, runs.length - 1),
    rolls,
    leftMm: rolls * rollMm - stripMm,
    largestDiagonalMm: largestDiagonal(shape, rollMm),
    checks: [
      ...(has('top', 'bottom')
        ? [
            {
              words: `top ${count('top')} = bottom ${count('bottom')}${gapPixels ? ` and ${gapPixels} for the stand` : ''}`,
              // Two pieces lose up to a cut each to rounding.
              isRight:
                Math.abs(count('top') - count('bottom') - gapPixels) <=
                (gapPixels ? 2 * shape.pixelsPerCut : 0),
            },
          ]
        : []),
      ...(has('left', 'right')
        ? [
            {
              words: `left ${count('left')} = right ${count('right')}`,
              isRight: count('left') === count('right'),
            },
          ]
        : []),
    ],
  };
}

const isBent = ({ corner }: ScreenShape) => corner.style === 'bent';

/** Strip that runs on round its corners, in mm: parted by the stand, and where a side has none. */
function joined(shape: ScreenShape, pieces: readonly ScreenPiece[]): number[] {
  const runs: number[] = [];
  pieces.forEach(({ stripMm, name, from }, i) => {
    const before = pieces[i - 1];
    const goesOn =
      before && name !== 'bottomLeft' && Math.hypot(before.to[0] - from[0], before.to[1] - from[1]) < 1;
    if (goesOn) runs[runs.length - 1]! += stripMm;
    else runs.push(stripMm);
  });
  // The last piece meets the first at the top left, where all four sides have strip.
  if (runs.length > 1 && shape.sides.length === 4) runs[0]! += runs.pop()!;
  return runs;
}

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
  const loss = shape.corner.style === 'bent' ? 0 : shape.corner.lossMm;
  const perDiagonal = shape.sides.reduce(
    (sum, side) => sum + (side === 'top' || side === 'bottom' ? widthMm : heightMm) / diagonalMm,
    0,
  );
  const taken = shape.sides.length * 2 * (shape.insetMm + loss) + (shape.standGap?.lengthMm ?? 0);
  return (rollMm + taken) / perDiagonal;
}
