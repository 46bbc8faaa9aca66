import { firstLight, framePieces, withCounts, type FramePiece } from './frame';
import type { ScreenShape } from './shape';
import { SCREEN_STARTS, type ScreenSide } from './sides';

/** The side on which an index is seen to light, or nothing. */
export type Seen = ScreenSide | 'dark';
const SEEN: readonly Seen[] = ['top', 'right', 'bottom', 'left', 'dark'];

/** A way in which the frame may be wired. */
export interface WalkCandidate {
  start: ScreenShape['start'];
  startOffset: number;
  direction: ScreenShape['direction'];
  hiddenFirst: number;
  /** Lights of each piece, as `framePieces` lists them. */
  counts: readonly number[];
}

/** As a row of the sides that follow one another in data order, with the index at which each begins. */
interface Laid {
  candidate: WalkCandidate;
  /** First index of each stretch; ascending. */
  begins: number[];
  sees: number[];
  /** The first index behind the last light. */
  end: number;
}

/** Indices that are lit at once, in a colour each. */
export const MOST_LIT = 6;
/** More ways are not walked: with many pieces each count may be out by less. */
const MOST_WAYS = 250_000;
/** More of them say nothing new about which index splits best. */
const MOST_WEIGHED = 1500;

/** The side that shows an index under a candidate, by its number in `SEEN`. */
function seenAt({ begins, sees, end }: Laid, index: number): number {
  if (index < begins[0]! || index >= end) return 4;
  let at = begins.length - 1;
  while (begins[at]! > index) at -= 1;
  return sees[at]!;
}

function laid(pieces: readonly FramePiece[], candidate: WalkCandidate): Laid {
  const own = pieces.map((piece, i) => ({ ...piece, pixels: candidate.counts[i]! }));
  const total = own.reduce((sum, { pixels }) => sum + pixels, 0);
  const first = firstLight(own, candidate);
  /** Beginnings and ends of the pieces, clockwise. */
  let at = 0;
  const stretches = own.map(({ side, pixels }) => {
    const begin = at;
    at += pixels;
    return { side: SEEN.indexOf(side), begin, end: at };
  });
  const isClockwise = candidate.direction === 'clockwise';
  const begins: number[] = [];
  const sees: number[] = [];
  let [place, index] = [first, candidate.hiddenFirst];
  for (let left = total; left > 0;) {
    const stretch = stretches.find(({ begin, end }) => place >= begin && place < end)!;
    const room = isClockwise ? stretch.end - place : place - stretch.begin + 1;
    const count = Math.min(room, left);
    if (sees.at(-1) !== stretch.side) {
      begins.push(index);
      sees.push(stretch.side);
    }
    index += count;
    left -= count;
    place = isClockwise ? (place + count) % total : (place - count + total) % total;
  }
  return { candidate, begins: begins.length > 0 ? begins : [0], sees, end: index };
}

/** Finds how a frame is wired from what a few lit indices show. */
export class IndexWalk {
  private constructor(
    private left: Laid[],
    /** No index from here on is lit. */
    private readonly litBelow: number,
  ) {}

  /**
   * @param wish `spread`: each piece may have so many lights more or fewer than planned, or fewer so where there are many pieces;
   *   `mostHidden`: first ones that may be dark; `litBelow`: indices from here on cannot be lit
   */
  static of(
    shape: ScreenShape,
    wish: { spread?: number; mostHidden?: number; litBelow?: number } = {},
  ): IndexWalk {
    const { mostHidden = 0, litBelow = Infinity } = wish;
    const pieces = framePieces(shape);
    const offsets = [...new Set([0, shape.startOffset])];
    const others = 2 * SCREEN_STARTS.length * offsets.length * (mostHidden + 1);
    let spread = wish.spread ?? 3;
    while (spread > 0 && others * (2 * spread + 1) ** pieces.length > MOST_WAYS) spread -= 1;
    const ranges = pieces.map(({ pixels }) =>
      Array.from({ length: 2 * spread + 1 }, (_, i) => pixels - spread + i).filter((count) => count > 0),
    );
    const counts = ranges.reduce<number[][]>(
      (all, range) => all.flatMap((each) => range.map((count) => [...each, count])),
      [[]],
    );
    const hasBottom = pieces.some(({ side }) => side === 'bottom');
    const starts = SCREEN_STARTS.filter((start) => start !== 'bottomMiddle' || hasBottom);
    const left: Laid[] = [];
    for (const start of starts)
      for (const direction of ['clockwise', 'counterclockwise'] as const)
        for (const startOffset of offsets)
          for (let hiddenFirst = 0; hiddenFirst <= mostHidden; hiddenFirst += 1)
            for (const each of counts)
              left.push(laid(pieces, { start, startOffset, direction, hiddenFirst, counts: each }));
    return new IndexWalk(left, litBelow);
  }

  /** Number of ways left, and the first of them. */
  get count(): number {
    return this.left.length;
  }

  /** The result: the one way that is left, or several that no index tells apart; null while indices still do. */
  get found(): WalkCandidate[] | null {
    return this.next() === null ? this.left.map(({ candidate }) => candidate) : null;
  }

  /** Indices to light, each in a colour of its own, that part what is left into the most and the evenest lots; null where none part it. */
  next(): number[] | null {
    const step = Math.max(1, Math.floor(this.left.length / MOST_WEIGHED));
    const weighed = this.left.filter((_, i) => i % step === 0);
    // Indices that tell ways apart lie about the beginnings of sides and the end.
    const edges = new Set(
      weighed.flatMap(({ begins, end }) => [...begins, end]).flatMap((at) => [at - 1, at]),
    );
    const offered = [...edges].filter((index) => index >= 0 && index < this.litBelow).sort((a, b) => a - b);
    let lots: Int32Array = new Int32Array(weighed.length);
    let lotCount = 1;
    const chosen: number[] = [];
    while (chosen.length < MOST_LIT) {
      let best: { index: number; lots: Int32Array; count: number; score: number } | null = null;
      for (const index of offered) {
        if (chosen.includes(index)) continue;
        const sizes = new Int32Array(5 * lotCount);
        weighed.forEach((each, i) => {
          sizes[5 * lots[i]! + seenAt(each, index)]! += 1;
        });
        // Sum of n log n over lots: less is more told.
        let score = 0;
        for (const size of sizes) if (size > 1) score += size * Math.log(size);
        if (best && score >= best.score - 1e-9) continue;
        const names = new Map<number, number>();
        const made = weighed.map((each, i) => {
          const key = 5 * lots[i]! + seenAt(each, index);
          let name = names.get(key);
          if (name === undefined) names.set(key, (name = names.size));
          return name;
        });
        best = { index, lots: Int32Array.from(made), count: names.size, score };
      }
      if (!best || best.count === lotCount) break;
      chosen.push(best.index);
      lots = best.lots;
      lotCount = best.count;
    }
    return chosen.length === 0 ? null : chosen;
  }

  /** Takes in what was seen of lit indices. @returns false where no way of wiring shows that: then nothing is left out */
  answer(indices: readonly number[], seen: readonly Seen[]): boolean {
    const left = this.left.filter((each) =>
      indices.every((index, i) => SEEN[seenAt(each, index)] === seen[i]),
    );
    if (left.length === 0) return false;
    this.left = left;
    return true;
  }

  /** The walk for what would be seen otherwise. */
  copy(): IndexWalk {
    return new IndexWalk(this.left, this.litBelow);
  }

  /** The sides that show some indices under a way of wiring, in the order of the indices. */
  static shows(shape: ScreenShape, candidate: WalkCandidate, indices: readonly number[]): Seen[] {
    const own = laid(framePieces(shape), candidate);
    return indices.map((index) => SEEN[seenAt(own, index)]!);
  }

  /** Parts what is left by what each way shows. */
  parted(indices: readonly number[]): Map<string, { seen: Seen[]; walk: IndexWalk }> {
    const lots = new Map<string, Laid[]>();
    for (const each of this.left) {
      const key = indices.map((index) => seenAt(each, index)).join('');
      const lot = lots.get(key);
      if (lot) lot.push(each);
      else lots.set(key, [each]);
    }
    return new Map(
      [...lots].map(([key, lot]) => [
        key,
        { seen: [...key].map((digit) => SEEN[Number(digit)]!), walk: new IndexWalk(lot, this.litBelow) },
      ]),
    );
  }
}

/** The left of somebody behind the screen is the right from the front. */
export const fromBack = (seen: Seen): Seen => (seen === 'left' ? 'right' : seen === 'right' ? 'left' : seen);

/** The shape as it was found to be wired. */
export function asWalked(
  shape: ScreenShape,
  { start, startOffset, direction, hiddenFirst, counts }: WalkCandidate,
): ScreenShape {
  return { ...withCounts(shape, counts), start, startOffset, direction, hiddenFirst };
}
