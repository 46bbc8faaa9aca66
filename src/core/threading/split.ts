import { itemAt } from '../units/there';
/**
 * Splits a chain of strands into runs as evenly as possible, cutting only between strands.
 *
 * Of all ways to cut, the one with the least sum of squared run lengths is taken: that keeps the longest run
 * short and the others alike, so 1008 pixels on two ports become 504 + 504 and not 800 + 208.
 *
 * @param lengths pixels per strand, in data order
 * @param runs how many runs are wanted; fewer are made when there are fewer strands
 * @returns index of the first strand of each run; empty without strands
 */
export function splitEvenly(lengths: readonly number[], runs: number): number[] {
  const strands = lengths.length;
  const parts = Math.min(runs, strands);
  if (parts <= 1) return strands === 0 ? [] : [0];
  // Equal strands, as in every grid: the cuts fall at the rounded fractions.
  if (lengths.every((length) => length === lengths[0]))
    return Array.from({ length: parts }, (_, part) => Math.floor((part * strands) / parts));

  const before = new Float64Array(strands + 1);
  for (let i = 0; i < strands; i += 1) before[i + 1] = before[i]! + itemAt(lengths, i);

  // cost[i]: least sum of squares for the first i strands in the number of parts reached so far.
  let cost = before.map((pixels) => pixels * pixels);
  const cutBefore: Int32Array[] = [];
  for (let part = 2; part <= parts; part += 1) {
    const next = new Float64Array(strands + 1).fill(Infinity);
    const cut = new Int32Array(strands + 1);
    for (let end = part; end <= strands; end += 1) {
      for (let start = part - 1; start < end; start += 1) {
        const length = before[end]! - before[start]!;
        const total = cost[start]! + length * length;
        if (total < next[end]!) {
          next[end] = total;
          cut[end] = start;
        }
      }
    }
    cost = next;
    cutBefore.push(cut);
  }

  const starts = [0];
  let end = strands;
  const inner: number[] = [];
  for (let part = cutBefore.length - 1; part >= 0; part -= 1) {
    end = itemAt(cutBefore, part)[end]!;
    inner.push(end);
  }
  return starts.concat(inner.reverse());
}

/**
 * The fewest runs into which strands can be split so that the longest holds at most so many pixels.
 *
 * @returns null where even one strand a run is too long, or more than 500 runs would be needed
 */
export function fewestRuns(lengths: readonly number[], most: number): number | null {
  const total = lengths.reduce((sum, length) => sum + length, 0);
  for (
    let runs = Math.max(1, Math.ceil(total / Math.max(1, most)));
    runs <= Math.min(500, lengths.length);
    runs += 1
  ) {
    const starts = splitEvenly(lengths, runs);
    const longest = Math.max(
      ...starts.map((start, i) =>
        lengths.slice(start, starts[i + 1]).reduce((sum, length) => sum + length, 0),
      ),
    );
    if (longest <= most) return runs;
  }
  return null;
}
