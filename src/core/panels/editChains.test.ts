import fc from 'fast-check';
import type { Chain } from './chains';
import { movePanel, stringTogether, turnPanel } from './editChains';

const chain = (output: number, ...columns: number[]): Chain => ({
  card: 0,
  output,
  panels: columns.map((column) => ({ column, row: 0, turnDeg: column % 2 === 0 ? 0 : 180 })),
});
const words = (chains: Chain[]) =>
  chains.map((each) => `${each.output}: ${each.panels.map((panel) => panel.column).join(' ')}`);
const cell = (column: number) => ({ column, row: 0 });

it('strings panels onto an output, at the place of the first or at the end', () => {
  const chains = [chain(1, 0, 1, 2), chain(2, 3, 4)];
  expect(words(stringTogether(chains, { card: 0, output: 2 }, [cell(2), cell(1)]))).toEqual([
    '1: 0',
    '2: 3 4 2 1',
  ]);
  expect(words(stringTogether(chains, { card: 0, output: 1 }, [cell(1), cell(4)]))).toEqual([
    '1: 0 1 4 2',
    '2: 3',
  ]);
  expect(words(stringTogether(chains, { card: 0, output: 5 }, [cell(0), cell(1), cell(2)]))).toEqual([
    '2: 3 4',
    '5: 0 1 2',
  ]);
  // Panels keep their turns.
  expect(stringTogether(chains, { card: 0, output: 2 }, [cell(1)])[1]!.panels.at(-1)!.turnDeg).toBe(180);
});

it('moves and turns one panel', () => {
  const chains = [chain(1, 0, 1, 2), chain(2, 3, 4)];
  expect(words(movePanel(chains, cell(0), { card: 0, output: 1, place: 2 }))).toEqual(['1: 1 2 0', '2: 3 4']);
  expect(words(movePanel(chains, cell(3), { card: 0, output: 3, place: 0 }))).toEqual([
    '1: 0 1 2',
    '2: 4',
    '3: 3',
  ]);
  expect(turnPanel(chains, cell(4), 180)[1]!.panels[1]!.turnDeg).toBe(180);
});

it('loses no panel and gains none', () => {
  fc.assert(
    fc.property(
      fc.shuffledSubarray([0, 1, 2, 3, 4, 5, 6], { minLength: 1 }),
      fc.integer({ min: 1, max: 4 }),
      (path, output) => {
        const chains = [chain(1, 0, 1, 2), chain(2, 3, 4, 5, 6)];
        const after = stringTogether(chains, { card: 0, output }, path.map(cell));
        expect(after.flatMap((each) => each.panels.map((panel) => panel.column)).sort()).toEqual([
          0, 1, 2, 3, 4, 5, 6,
        ]);
        const strung = after.find((each) => each.output === output)!.panels.map((panel) => panel.column);
        expect(strung.filter((column) => path.includes(column))).toEqual(path);
      },
    ),
  );
});
