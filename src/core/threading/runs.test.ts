import fc from 'fast-check';
import { cellOrder } from './cells';
import { runStarts, runsSchema, runsWords, wantedRuns } from './runs';
import { CORNERS } from './view';

it('splits evenly by a number, and as told by a list', () => {
  const lengths = [10, 10, 10, 10, 10];
  expect(runStarts(lengths, 2)).toEqual([0, 2]);
  expect(runStarts(lengths, [1, 4])).toEqual([0, 1]);
  // Strands that were added belong to the last run; runs without a strand do not exist.
  expect(runStarts(lengths, [1, 1])).toEqual([0, 1]);
  expect(runStarts(lengths, [3, 2, 4])).toEqual([0, 3]);
  expect([wantedRuns(3), wantedRuns([4, 4])]).toEqual([3, 2]);
  expect([runsWords(1), runsWords(3), runsWords([4, 2])]).toEqual([
    '1 run',
    '3 runs',
    '2 runs (4 + 2 strands)',
  ]);
});

it.each([0, 501, 1.5, [], [0], '2', [1, 'x']])('refuses %j', (runs) => {
  expect(runsSchema.safeParse(runs).success).toBe(false);
});

it('visits every cell once, and neighbours only in a serpentine', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 9 }),
      fc.integer({ min: 1, max: 9 }),
      fc.constantFrom(...CORNERS),
      fc.constantFrom('rows' as const, 'columns' as const),
      fc.constantFrom('straight' as const, 'serpentine' as const),
      (columns, rows, firstPixel, along, pattern) => {
        const cells = cellOrder(columns, rows, { firstPixel, along, pattern });
        expect([...cells].sort((a, b) => a - b)).toEqual(Array.from({ length: columns * rows }, (_, i) => i));
        const corner = {
          topLeft: 0,
          topRight: columns - 1,
          bottomLeft: (rows - 1) * columns,
          bottomRight: rows * columns - 1,
        };
        expect(cells[0]).toBe(corner[firstPixel]);
        if (pattern === 'straight') return;
        for (let i = 1; i < cells.length; i += 1) {
          const [a, b] = [cells[i - 1]!, cells[i]!];
          const steps =
            Math.abs((a % columns) - (b % columns)) +
            Math.abs(Math.floor(a / columns) - Math.floor(b / columns));
          expect(steps).toBe(1);
        }
      },
    ),
  );
});
