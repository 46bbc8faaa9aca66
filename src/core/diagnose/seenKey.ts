const { imul } = Math;

/** Two numbers of 32 bits for a place and a code; sums of them stand for the picture of many places. */
export function mix(at: number, code: number): number {
  let hash = imul(at + 1, 0x9e3779b1) ^ imul(code + 1, 0x85ebca6b);
  hash = imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
  hash = imul(hash ^ (hash >>> 12), 0x297a2d39);
  return hash ^ (hash >>> 15);
}

export function mixAgain(at: number, code: number): number {
  let hash = imul(at + 0x3ade68b1, 0xc2b2ae35) ^ imul(code + 7, 0x27d4eb2f);
  hash = imul(hash ^ (hash >>> 13), 0x165667b1);
  hash = imul(hash ^ (hash >>> 16), 0x9e3779b1);
  return hash ^ (hash >>> 14);
}

/** One number of two sums: pictures that differ have the same one once in 2^53. */
export const joinedKey = (one: number, other: number) => (one >>> 0) * 0x200000 + (other >>> 11);

/** The two sums of all that is seen of a trial. */
export function seenSums(seen: Uint8Array): readonly [number, number] {
  let [one, other] = [0, 0];
  for (let at = 0; at < seen.length; at += 1) {
    one = (one + mix(at, seen[at]!)) | 0;
    other = (other + mixAgain(at, seen[at]!)) | 0;
  }
  return [one, other];
}

/** Stands for all that is seen of a trial. */
export const seenKey = (seen: Uint8Array) => joinedKey(...seenSums(seen));
