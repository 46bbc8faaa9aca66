import fc from 'fast-check';
import { splitEvenly } from './split';

function partLengths(lengths: readonly number[], starts: readonly number[]): number[] {
  return starts.map((start, i) =>
    lengths.slice(start, starts[i + 1]).reduce((sum, length) => sum + length, 0),
  );
}

/** Every way to cut a list into a number of parts, by trying all. */
function allSplits(strands: number, parts: number, from = 0): number[][] {
  if (parts === 1) return [[from]];
  const found: number[][] = [];
  for (let next = from + 1; next <= strands - (parts - 1); next += 1)
    for (const rest of allSplits(strands, parts - 1, next)) found.push([from, ...rest]);
  return found;
}

const squares = (lengths: number[]) => lengths.reduce((sum, length) => sum + length * length, 0);

describe('splitEvenly', () => {
  it('cuts 24 strands of 42 into 504 + 504', () => {
    const lengths = Array.from({ length: 24 }, () => 42);
    expect(partLengths(lengths, splitEvenly(lengths, 2))).toEqual([504, 504]);
  });

  it('makes fewer runs where there are fewer strands, and none without strands', () => {
    expect(splitEvenly([10, 20], 5)).toEqual([0, 1]);
    expect(splitEvenly([], 3)).toEqual([]);
  });

  it('spreads equal strands so that no two runs differ by more than one strand', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 20 }), (strands, parts) => {
        const counts = partLengths(
          Array.from({ length: strands }, () => 1),
          splitEvenly(
            Array.from({ length: strands }, () => 1),
            parts,
          ),
        );
        expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
        expect(counts).toHaveLength(Math.min(parts, strands));
      }),
    );
  });

  it('is as even as the best of all possible cuts', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 50 }), { minLength: 2, maxLength: 9 }),
        fc.integer({ min: 2, max: 5 }),
        (lengths, wanted) => {
          const parts = Math.min(wanted, lengths.length);
          const best = Math.min(
            ...allSplits(lengths.length, parts).map((starts) => squares(partLengths(lengths, starts))),
          );
          expect(squares(partLengths(lengths, splitEvenly(lengths, wanted)))).toBe(best);
        },
      ),
    );
  });
});
