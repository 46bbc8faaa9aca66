/** Bounds of a count: the last of so many pixels that lights is from `least` on and below `beyond`. */
export interface CountRange {
  /** This many are there: 0 where none was seen yet. */
  least: number;
  /** So many are not. */
  beyond: number;
}

/** The most that a wire is looked through for. */
export const MOST_COUNTED = 100_000;

export const wholeRange = (most: number): CountRange => ({ least: 0, beyond: most + 1 });

/** The one light that is lit next, from 1: half of what is open; null where the count is known. */
export function nextLight({ least, beyond }: CountRange): number | null {
  return beyond - least < 2 ? null : least + Math.floor((beyond - least) / 2);
}

/** Bounds once it was seen whether that pixel lights. */
export function afterLook(range: CountRange, light: number, isLit: boolean): CountRange {
  return isLit
    ? { ...range, least: Math.max(range.least, light) }
    : { ...range, beyond: Math.min(range.beyond, light) };
}

/** Looks that are still to come, at most: ⌈log2⌉ of what is open. */
export function looksLeft({ least, beyond }: CountRange): number {
  return Math.ceil(Math.log2(Math.max(1, beyond - least)));
}
