import { z } from 'zod';
import {
  computed,
  difference,
  given,
  most,
  product,
  quotient,
  roundedDown,
  sum,
  type Explained,
  type Place,
} from '../figures/explained';
import { countOf } from '../units/number';
import { valueIn } from '../units/there';

export const STOCK_LIMITS = {
  pixelsPerString: 5000,
  pitchMm: 5000,
  rollMm: 1_000_000,
  perMetre: 1000,
  group: 100,
};

export const PLUG_KINDS = ['male', 'female'] as const;

/** The mark of the end at which data enters. Colours of wire prove nothing. */
const markedFields = {
  /** The plug at that end: male has the pins. The other end has its counterpart. */
  inputPlug: z.enum(PLUG_KINDS).optional(),
  /** The print at that end: DI, DIN, an arrow. */
  inputMark: z.string().max(20).optional(),
};

/** Strings with a fixed number of pixels, or strip by the roll. */
export const stockSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('strings'),
    pixelsPerString: z.int().min(1).max(STOCK_LIMITS.pixelsPerString),
    /** Wire between two pixels of a string, at its longest. */
    pitchMm: z.number().min(1).max(STOCK_LIMITS.pitchMm),
    /** Each strand starts a string of its own, or strings run on from strand to strand over short jumpers. */
    laid: z.enum(['perStrand', 'runOn']),
    ...markedFields,
  }),
  z.strictObject({
    kind: z.literal('strip'),
    pixelsPerMetre: z.number().min(1).max(STOCK_LIMITS.perMetre),
    /** Pixels between two marks at which it may be cut. */
    pixelsPerCut: z.int().min(1).max(STOCK_LIMITS.group),
    rollMm: z.number().min(10).max(STOCK_LIMITS.rollMm),
    ...markedFields,
  }),
]);
export type Stock = z.infer<typeof stockSchema>;

export const USUAL_STRINGS: Stock = { kind: 'strings', pixelsPerString: 50, pitchMm: 100, laid: 'runOn' };
export const USUAL_STRIP: Stock = { kind: 'strip', pixelsPerMetre: 60, pixelsPerCut: 1, rollMm: 5000 };

/** A stretch of the data line that holds together: pixels in data order, counted from 1. */
export interface Piece {
  firstPixel: number;
  pixelCount: number;
  /** The strand that it is on, such as `strand 4`. */
  words: string;
}

/** A part of one string or roll. */
export interface Cut {
  /** From 1. */
  source: number;
  firstPixel: number;
  pixelCount: number;
}

export interface StockPlan {
  /** Strings or rolls to buy. */
  sources: Explained;
  pixelsPerSource: Explained;
  /** Parts in data order. */
  cuts: Cut[];
  /** Pixels after which one part is soldered or plugged to the next inside a piece. */
  splices: number[];
  /** Cut off the roll but not used, because it can be cut only at its marks. */
  unusedPixels: number;
  /** Pixels that are left over, on the last source and in offcuts. */
  sparePixels: Explained;
  /** The largest stretch among them. */
  longestSpare: number;
}

/**
 * Which part of which string or roll goes where.
 *
 * Pieces are filled with whole strings; what is left of each piece is cut from what is left of a string already begun, the
 * longest first into the tightest that holds it. That is at most about 22 % above the best possible (best fit decreasing).
 *
 * @param place where the stock is said, for links
 */
export function planStock(pieces: readonly Piece[], stock: Stock, place?: Place): StockPlan {
  const pixelsPerSource = pixelsOfSource(stock, place);
  const perSource = pixelsPerSource.value;
  const cutAt = stock.kind === 'strings' ? 1 : stock.pixelsPerCut;
  const cuts: Cut[] = [];
  const splices: number[] = [];
  let sources = 0;
  let unusedPixels = 0;
  /** The rest of each source that was begun. */
  const left = new Map<number, number>();
  const rests: Piece[] = [];
  let whole = 0;
  for (const piece of pieces) {
    let first = piece.firstPixel;
    let rest = piece.pixelCount;
    for (; rest >= perSource; rest -= perSource, first += perSource) {
      sources += 1;
      whole += 1;
      cuts.push({ source: sources, firstPixel: first, pixelCount: perSource });
      if (rest > perSource) splices.push(first + perSource - 1);
    }
    if (rest > 0) rests.push({ ...piece, firstPixel: first, pixelCount: rest });
  }
  const upToMark = (pixels: number) => Math.ceil(pixels / cutAt) * cutAt;
  for (const rest of [...rests].sort((a, b) => b.pixelCount - a.pixelCount)) {
    const need = upToMark(rest.pixelCount);
    let best: number | undefined;
    for (const [source, room] of left)
      if (room >= need && (best === undefined || room < valueIn(left, best))) best = source;
    if (best === undefined) {
      sources += 1;
      best = sources;
      left.set(best, perSource);
    }
    left.set(best, valueIn(left, best) - need);
    unusedPixels += need - rest.pixelCount;
    cuts.push({ source: best, firstPixel: rest.firstPixel, pixelCount: rest.pixelCount });
  }
  cuts.sort((a, b) => a.firstPixel - b.firstPixel);
  const word = stock.kind === 'strings' ? 'strings' : 'rolls';
  const toBuy = computed(
    `${word} to buy`,
    'number',
    sum(
      given(`${word} used whole`, whole, 'number'),
      given(`${word} that the ends are cut from`, sources - whole, 'number'),
    ),
    {
      because: `The ends of ${countOf(pieces.length, 'piece')} are cut from what is left of ${word} already begun, the longest first.`,
      rule: 'Best fit, longest first: at most about 22 % more than the best possible.',
      seen: [pixelsPerSource],
    },
  );
  const wanted = pieces.reduce((total, piece) => total + piece.pixelCount, 0);
  return {
    sources: toBuy,
    pixelsPerSource,
    cuts,
    splices,
    unusedPixels,
    sparePixels: computed(
      'left over',
      'pixels',
      difference(
        product(toBuy, pixelsPerSource),
        given('pixels wanted', wanted, 'pixels'),
        given('lost to cut marks', unusedPixels, 'pixels'),
      ),
    ),
    longestSpare: Math.max(0, ...left.values()),
  };
}

/** Pixels of one string, or of one roll up to its last cut mark. */
function pixelsOfSource(stock: Stock, place?: Place): Explained {
  if (stock.kind === 'strings') return given('pixels a string', stock.pixelsPerString, 'pixels', { place });
  const mark = given('pixels between cut marks', stock.pixelsPerCut, 'pixels', { place });
  const onRoll = roundedDown(
    product(
      quotient(given('a roll', stock.rollMm, 'mm', { place }), given('a metre', 1000, 'mm')),
      given('pixels a metre', stock.pixelsPerMetre, 'pixels', { place }),
    ),
    mark,
  );
  return computed('pixels a roll', 'pixels', onRoll.value < mark.value ? most(onRoll, mark) : onRoll);
}

/** Millimetres from pixel to pixel as it comes. */
export function stockPitchMm(stock: Stock): number {
  return stock.kind === 'strings' ? stock.pitchMm : 1000 / stock.pixelsPerMetre;
}

/** Number of pixels on a thing of another size, judged by one that is built. */
interface CoverageEstimate {
  /** For outlines: pixels grow with the length around, 2 * (width + height). */
  byLength: number;
  /** For filled shapes: pixels grow with the surface, width * height. */
  bySurface: number;
}

/** @returns null where the known one has no extent to judge by */
export function estimateCoverage(
  known: { pixels: number; widthMm: number; heightMm: number },
  wanted: { widthMm: number; heightMm: number },
): CoverageEstimate | null {
  const around = known.widthMm + known.heightMm;
  if (around <= 0) return null;
  const byLength = (known.pixels * (wanted.widthMm + wanted.heightMm)) / around;
  const surface = known.widthMm * known.heightMm;
  // A line has no surface: both grow with the length.
  const bySurface = surface > 0 ? (known.pixels * wanted.widthMm * wanted.heightMm) / surface : byLength;
  return { byLength: Math.ceil(byLength - 1e-9), bySurface: Math.ceil(bySurface - 1e-9) };
}
