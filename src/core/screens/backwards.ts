import { MISSING_PITCH, framePieces } from './frame';
import { cornerLoss, pictureSize, type ScreenShape } from './shape';
import { CORNER_BEFORE, type ScreenSide } from './sides';

/** Densities in which strip is sold, pixels a metre. */
const SOLD_PER_M = [30, 48, 60, 72, 74, 96, 100, 120, 144] as const;

/** A strip and an inset with which the counted pixels fit the picture. */
export interface CountedFit {
  pixelsPerMetre: number;
  /** The inset lies between these two. */
  leastInsetMm: number;
  mostInsetMm: number;
}

interface Backwards {
  /** The likeliest first: an inset that lies nearest to what is planned. */
  fits: CountedFit[];
  /** Sides that cannot be right together, in a sentence; null where they agree. */
  disagree: string | null;
}

/**
 * From counted pixels to density and inset. A side of length L that holds n pixels of density d, cut in groups of g, has
 * n / d <= L - 2 inset - losses < (n + g) / d, both ends less the bit of a pitch that may be missing; every side gives such
 * a range of the inset, and they have to overlap.
 *
 * @returns null where no side was counted, or pieces are laid otherwise
 */
export function backwards(shape: ScreenShape): Backwards | null {
  if (shape.ownPieces || !shape.installed || Object.keys(shape.installed).length === 0) return null;
  const { widthMm, heightMm } = pictureSize(shape);
  const pieces = framePieces(shape);
  const sides = shape.sides.flatMap((side) => {
    const own = pieces.filter((piece) => piece.side === side);
    const isAcross = side === 'top' || side === 'bottom';
    const at = CORNER_BEFORE[side];
    const losses =
      cornerLoss(shape, at) +
      cornerLoss(shape, CORNER_BEFORE[NEXT[side]]) +
      (side === 'bottom' ? (shape.standGap?.lengthMm ?? 0) : 0);
    return [
      {
        side,
        pixels: own.reduce((sum, { pixels }) => sum + pixels, 0),
        missing: own.length * MISSING_PITCH,
        roomMm: (isAcross ? widthMm : heightMm) - losses,
        // Each piece may have lost nearly a cut to rounding.
        slack: own.length * shape.pixelsPerCut,
      },
    ];
  });
  const rangeOf = (
    d: number,
    { pixels, missing, roomMm, slack }: (typeof sides)[number],
  ): [number, number] => [
    (roomMm - (1000 * (pixels - missing + slack)) / d) / 2,
    (roomMm - (1000 * (pixels - missing)) / d) / 2,
  ];
  const fits = [...new Set([shape.pixelsPerMetre, ...SOLD_PER_M])].flatMap((d): CountedFit[] => {
    const ranges = sides.map((side) => rangeOf(d, side));
    const leastInsetMm = Math.max(...ranges.map(([least]) => least));
    const mostInsetMm = Math.min(...ranges.map(([, most]) => most));
    // The lower end is not itself within the range.
    return mostInsetMm > leastInsetMm + 1e-9 && mostInsetMm >= 0 && leastInsetMm <= 150
      ? [{ pixelsPerMetre: d, leastInsetMm: Math.max(0, leastInsetMm), mostInsetMm }]
      : [];
  });
  const away = ({ leastInsetMm, mostInsetMm, pixelsPerMetre }: CountedFit) =>
    Math.max(0, leastInsetMm - shape.insetMm, shape.insetMm - mostInsetMm) +
    (pixelsPerMetre === shape.pixelsPerMetre ? 0 : 20);
  fits.sort((a, b) => away(a) - away(b));
  return { fits, disagree: disagreement(shape, sides) };
}

const NEXT: Record<ScreenSide, ScreenSide> = { top: 'right', right: 'bottom', bottom: 'left', left: 'top' };

/** Opposite sides are equally long. */
function disagreement(
  { standGap }: ScreenShape,
  sides: readonly { side: ScreenSide; pixels: number; slack: number }[],
): string | null {
  const of = (side: ScreenSide) => sides.find((each) => each.side === side);
  const says: string[] = [];
  const [left, right, top, bottom] = [of('left'), of('right'), of('top'), of('bottom')];
  if (left && right && left.pixels !== right.pixels)
    says.push(`left has ${left.pixels} and right ${right.pixels}, though both are equally long`);
  if (top && bottom && !standGap && top.pixels !== bottom.pixels)
    says.push(`top has ${top.pixels} and bottom ${bottom.pixels}, though both are equally long`);
  return says.length === 0
    ? null
    : `${says.join('; ')}. Count them once more: a cut that was made one mark off is the usual reason.`;
}

/** The shape with a strip and an inset that the counted pixels fit: what was counted is then as planned. */
export function withFit(
  shape: ScreenShape,
  { pixelsPerMetre, leastInsetMm, mostInsetMm }: CountedFit,
): ScreenShape {
  const insetMm = insetWithin(leastInsetMm, mostInsetMm, shape.insetMm);
  return { ...shape, pixelsPerMetre, insetMm };
}

/** The planned inset if it fits, else the roundest figure of the range, in mm. */
function insetWithin(least: number, most: number, planned: number): number {
  if (planned > least && planned <= most) return planned;
  for (const step of [10, 5, 1, 0.5, 0.1]) {
    const at = Math.floor(most / step + 1e-9) * step;
    if (at > least) return Math.round(at * 10) / 10;
  }
  return most;
}
