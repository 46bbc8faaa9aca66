import { usual } from '../figures/figure';
import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { CORNERS } from '../threading/view';
import {
  CHAIN_STYLES,
  TURNS,
  chainsOf,
  turnsWords,
  type Chain,
  type Chaining,
  type WallCells,
} from './chains';
import { compareChains, measureChains } from './compareChains';
import { USUAL_HAT, cardCoverage, evenCards, refreshHz, type Driver } from './driver';
import { panelPixelFinder, screenOfPanelPixel, turnPixel } from './panelMap';
import { SHIPPED_PANELS, type PanelType } from './panelType';
import { pictureIndex, pictureXy } from './pictureMap';
import { powerLeads } from './powerLeads';
import { ribbonsOf } from './ribbons';

const panel = (columns: number, rows: number, dataInAtBack: 'left' | 'right' = 'right'): PanelType => ({
  ...SHIPPED_PANELS[0]!,
  columns,
  rows,
  dataInAtBack,
});

const anyWall: fc.Arbitrary<WallCells> = fc
  .record({ columns: fc.integer({ min: 1, max: 9 }), rows: fc.integer({ min: 1, max: 9 }) })
  .chain(({ columns, rows }) =>
    fc.record({
      columns: fc.constant(columns),
      rows: fc.constant(rows),
      panel: fc.constantFrom(panel(8, 4), panel(4, 4), panel(6, 4, 'left'), panel(4, 4, 'left')),
      missing: fc.array(fc.nat(columns * rows - 1), { maxLength: 4 }).map((cells) => new Set(cells)),
    }),
  );
const hat = (outputs: number, mostPanelsPerOutput: number): Driver =>
  ({ ...USUAL_HAT, outputs, mostPanelsPerOutput: usual(mostPanelsPerOutput) }) as Driver;
const anyDriver = (wall: WallCells): fc.Arbitrary<Driver> =>
  fc.oneof(
    fc
      .record({ outputs: fc.integer({ min: 1, max: 8 }), most: fc.integer({ min: 1, max: 12 }) })
      .map(({ outputs, most }) => hat(outputs, most)),
    fc
      .record({ across: fc.integer({ min: 1, max: 3 }), down: fc.integer({ min: 1, max: 3 }) })
      .map(({ across, down }): Driver => ({
        kind: 'cards',
        outputsPerCard: 16,
        mostPanelsPerOutput: usual(10),
        inOrder: true,
        cards: evenCards(wall.columns, wall.rows, across, down),
      })),
  );
const anyDesign: fc.Arbitrary<Chaining> = fc.record({
  by: fc.constant('design' as const),
  style: fc.constantFrom(...CHAIN_STYLES),
  along: fc.constantFrom('rows' as const, 'columns' as const),
  entry: fc.constantFrom(...CORNERS),
});
/** Chains as somebody may draw them: any order, any turn that the panel allows. */
const handmade = (wall: WallCells): fc.Arbitrary<Chaining> => {
  const cells = Array.from({ length: wall.columns * wall.rows }, (_, cell) => cell).filter(
    (cell) => !wall.missing.has(cell),
  );
  const turns = wall.panel.columns === wall.panel.rows ? [...TURNS] : ([0, 180] as const);
  return fc
    .tuple(
      fc.shuffledSubarray(cells, { minLength: cells.length }),
      fc.array(fc.constantFrom(...turns), { minLength: cells.length, maxLength: cells.length }),
      fc.integer({ min: 1, max: 4 }),
    )
    .map(([order, turned, outputs]) => ({
      by: 'hand' as const,
      chains: Array.from({ length: outputs }, (_, output) => ({
        card: 0,
        output: output + 1,
        panels: order.flatMap((cell, i) =>
          i % outputs === output
            ? [{ column: cell % wall.columns, row: Math.floor(cell / wall.columns), turnDeg: turned[i]! }]
            : [],
        ),
      })),
    }));
};

it('reaches every panel pixel once, and screen and panel map are inverse, for any style, turn and gap', () => {
  fc.assert(
    fc.property(
      anyWall.chain((wall) =>
        fc.tuple(
          fc.constant(wall),
          anyDriver(wall),
          fc.oneof(anyDesign, handmade(wall)),
          fc.constantFrom(...CORNERS),
        ),
      ),
      ([wall, driver, chaining, corner]) => {
        const chains = chainsOf(wall, driver, chaining);
        const find = panelPixelFinder(chains, wall);
        const [width, height] = [wall.columns * wall.panel.columns, wall.rows * wall.panel.rows];
        const picture = { width, height, corner };
        const reached = new Set<number>();
        chains.forEach((chain, c) =>
          chain.panels.forEach((_, place) => {
            for (let y = 0; y < wall.panel.rows; y += 1)
              for (let x = 0; x < wall.panel.columns; x += 1) {
                const [screenX, screenY] = screenOfPanelPixel(chains, wall, { chain: c, place, x, y });
                // From the sender’s channel over the screen to the panel, and back again.
                const index = pictureIndex(picture, screenX, screenY);
                expect(pictureXy(picture, index)).toEqual([screenX, screenY]);
                expect(find(screenX, screenY)).toEqual({ chain: c, place, x, y });
                reached.add(index);
              }
          }),
        );
        const there = wall.columns * wall.rows - wall.missing.size;
        expect(reached.size).toBe(there * wall.panel.columns * wall.panel.rows);
        expect(chains.reduce((sum, chain) => sum + chain.panels.length, 0)).toBe(there);
        for (const cell of wall.missing)
          expect(
            find(
              (cell % wall.columns) * wall.panel.columns,
              Math.floor(cell / wall.columns) * wall.panel.rows,
            ),
          ).toBeNull();
      },
    ),
    { numRuns: tries(60) },
  );
});

it('turns a panel four times back to where it was', () => {
  const size = { columns: 5, rows: 5 };
  for (let x = 0; x < 5; x += 1)
    for (let y = 0; y < 5; y += 1) {
      const round = [1, 2, 3, 4].reduce<[number, number]>((at) => turnPixel(size, 90, ...at), [x, y]);
      expect(round).toEqual([x, y]);
    }
  // Clockwise: the top left goes to the top right.
  expect(turnPixel(size, 90, 0, 0)).toEqual([4, 0]);
});

const orderOf = (chains: Chain[]) =>
  chains.map((chain) =>
    chain.panels
      .map((each) => `${each.row + 1}.${each.column + 1}${each.turnDeg ? `/${each.turnDeg}` : ''}`)
      .join(' '),
  );
const design = (
  style: (typeof CHAIN_STYLES)[number],
  entry: (typeof CORNERS)[number] = 'topLeft',
  along: 'rows' | 'columns' = 'rows',
): Chaining => ({
  by: 'design',
  style,
  along,
  entry,
});

describe('a wall of 5 columns and 2 rows of 64 × 32, worked by hand', () => {
  const wall: WallCells = { panel: panel(64, 32), columns: 5, rows: 2, missing: new Set() };

  it('has an output for each row', () => {
    expect(orderOf(chainsOf(wall, hat(3, 12), design('lineEach')))).toEqual([
      '1.1 1.2 1.3 1.4 1.5',
      '2.1 2.2 2.3 2.4 2.5',
    ]);
  });
  it('zigzags on one output: the second row comes back, turned 180', () => {
    expect(orderOf(chainsOf(wall, hat(1, 12), design('zigzag')))).toEqual([
      '1.1 1.2 1.3 1.4 1.5 2.5/180 2.4/180 2.3/180 2.2/180 2.1/180',
    ]);
  });
  it('keeps all arrows up with a long return', () => {
    const chains = chainsOf(wall, hat(1, 12), design('arrowsUp'));
    expect(orderOf(chains)).toEqual(['1.1 1.2 1.3 1.4 1.5 2.1 2.2 2.3 2.4 2.5']);
    // From the outgoing socket of column 5 to the data socket of column 1: 5 panels of 320 mm less twice 12 % of one, and a
    // row of 160 mm down, and 40 mm of slack.
    const longest = Math.max(...ribbonsOf(chains, wall.panel).map((ribbon) => ribbon.lengthMm));
    expect(longest).toBeCloseTo(Math.hypot(5 * 320 - 2 * 0.12 * 320, 160) + 40);
  });
  it('takes ribbons of the box in a zigzag, and long ones to return', () => {
    const zigzag = measureChains(wall, hat(1, 12), design('zigzag'));
    expect(zigzag).toMatchObject({ longRibbons: 0, stockRibbons: 9, turnedPanels: 5, longestChain: 10 });
    // Side by side: 2 × 12 % of 320 mm and slack.
    expect(ribbonsOf(zigzag.chains, wall.panel)[0]!.lengthMm).toBeCloseTo(76.8 + 40);
    expect(measureChains(wall, hat(1, 12), design('arrowsUp'))).toMatchObject({
      longRibbons: 1,
      turnedPanels: 0,
    });
  });
  it('takes a ribbon of just the reach for one of the box, whatever a turn rounds off', () => {
    // Panels of 160 by 160 mm: from row to row of a zigzag the ribbon is 160 + 40 = 200 mm, the reach of the box.
    for (const dataInAtBack of ['left', 'right'] as const)
      for (const along of ['rows', 'columns'] as const) {
        const square = {
          ...wall,
          columns: 4,
          rows: 4,
          panel: { ...panel(64, 64, dataInAtBack), pitchMm: 2.5 },
        };
        const laid = { ...design('zigzag'), along };
        const ribbons = ribbonsOf(chainsOf(square, hat(1, 16), laid), square.panel);
        const turns = ribbons.filter(({ lengthMm }) => Math.abs(lengthMm - 200) < 1e-6);
        expect(turns).toHaveLength(3);
        expect(ribbons.every(({ isOfTheBox }) => isOfTheBox)).toBe(true);
        expect(measureChains(square, hat(1, 16), laid)).toMatchObject({ stockRibbons: 15, longRibbons: 0 });
      }
  });
  it('is front-right when it is first at the back-left', () => {
    // Entering at the right of the front is entering at the left of the back.
    expect(orderOf(chainsOf(wall, hat(3, 12), design('zigzag', 'topRight')))[0]).toBe(
      '1.5/180 1.4/180 1.3/180 1.2/180 1.1/180',
    );
  });
  it('parts a row that is too long for an output', () => {
    expect(orderOf(chainsOf(wall, hat(8, 3), design('lineEach')))).toEqual([
      '1.1 1.2',
      '1.3 1.4 1.5',
      '2.1 2.2',
      '2.3 2.4 2.5',
    ]);
  });
  it('is spread evenly over two cards, each with outputs of its own', () => {
    const cards: Driver = {
      kind: 'cards',
      outputsPerCard: 8,
      mostPanelsPerOutput: usual(8),
      inOrder: true,
      cards: evenCards(5, 2, 2, 1),
    };
    const chains = chainsOf(wall, cards, design('lineEach'));
    expect(chains.map((chain) => [chain.card, chain.output, chain.panels.length])).toEqual([
      [0, 1, 2],
      [0, 2, 2],
      [1, 1, 3],
      [1, 2, 3],
    ]);
  });
  it('goes over a gap', () => {
    const gap = { ...wall, missing: new Set([1]) };
    const chains = chainsOf(gap, hat(2, 12), design('lineEach'));
    expect(orderOf(chains)).toEqual(['1.1 1.3 1.4 1.5', '2.1 2.2 2.3 2.4 2.5']);
    expect(ribbonsOf(chains, wall.panel)[0]!.lengthMm).toBeCloseTo(320 + 76.8 + 40);
  });
  it('pairs power leads across, and the odd ones down', () => {
    expect(powerLeads(wall).map((lead) => [lead.kind, lead.cells])).toEqual([
      ['pair across', [0, 1]],
      ['pair across', [2, 3]],
      ['pair down', [4, 9]],
      ['pair across', [5, 6]],
      ['pair across', [7, 8]],
    ]);
    expect(powerLeads({ columns: 1, rows: 1, missing: new Set() })).toEqual([{ kind: 'single', cells: [0] }]);
  });
  it('compares styles, and puts first what fits with short ribbons', () => {
    const schemes = compareChains(wall, hat(2, 12), design('arrowsUp'), 'topLeft');
    // Two rows on two outputs: all styles along rows that turn nothing come out the same.
    expect(schemes).toHaveLength(4);
    expect(new Set(schemes.map((scheme) => JSON.stringify(scheme.chains))).size).toBe(4);
    expect(schemes.filter((scheme) => scheme.isCurrent)).toHaveLength(1);
    expect(schemes[0]).toMatchObject({ fits: true, longRibbons: 0 });
  });
});

it('goes to and fro with all arrows up, at the price of long ribbons in the rows that run back', () => {
  const wall: WallCells = { panel: panel(64, 32, 'left'), columns: 4, rows: 4, missing: new Set() };
  const measured = (style: 'toAndFro' | 'zigzag' | 'arrowsUp') =>
    measureChains(wall, hat(2, 12), design(style, 'topRight'));
  const toAndFro = measured('toAndFro');
  expect(orderOf(toAndFro.chains)[0]).toBe('1.4 1.3 1.2 1.1 2.1 2.2 2.3 2.4');
  expect(toAndFro.turnedPanels).toBe(0);
  // Three ribbons inside each of the two rows that run back.
  expect(toAndFro.longRibbons).toBeGreaterThanOrEqual(6);
  expect(measured('zigzag')).toMatchObject({ longRibbons: 0, turnedPanels: 8, leadRibbons: 2 });
  expect(turnsWords(toAndFro.chains)).toBe('no panel is turned');
  expect(turnsWords(measured('zigzag').chains)).toBe('8 of 16 panels hang upside down');
});

it('goes through square panels along columns by turning them a quarter', () => {
  const wall: WallCells = { panel: panel(64, 64), columns: 2, rows: 2, missing: new Set() };
  expect(orderOf(chainsOf(wall, hat(1, 12), design('zigzag', 'topLeft', 'columns')))).toEqual([
    '1.1/90 2.1/90 2.2/270 1.2/270',
  ]);
});

it('estimates the refresh of a chain: 12 panels of 64 × 32 at 20 MHz and 11 planes', () => {
  expect(refreshHz(12, { columns: 64, rows: 32 })).toBeCloseTo((2 * 20e6) / (12 * 64 * 32 * 11));
});

it('covers a wall with cards once', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 64 }),
      fc.integer({ min: 1, max: 64 }),
      fc.integer({ min: 1, max: 8 }),
      fc.integer({ min: 1, max: 8 }),
      (columns, rows, across, down) => {
        expect(cardCoverage(evenCards(columns, rows, across, down), columns, rows)).toEqual({
          holes: [],
          overlaps: [],
          outside: 0,
        });
      },
    ),
  );
  expect(
    cardCoverage(
      [
        { column: 0, row: 0, columns: 2, rows: 1 },
        { column: 1, row: 0, columns: 2, rows: 1 },
      ],
      2,
      2,
    ),
  ).toEqual({ holes: [2, 3], overlaps: [1], outside: 1 });
});

it('leaves out panels that a chain by hand has outside the wall, from the first column and row beyond it', () => {
  const cells: WallCells = { panel: panel(64, 32), columns: 3, rows: 2, missing: new Set([1]) };
  const at = (column: number, row: number) => ({ column, row, turnDeg: 0 as const });
  const kept = chainsOf(cells, USUAL_HAT, {
    by: 'hand',
    chains: [
      { card: 0, output: 1, panels: [at(2, 1), at(3, 1), at(2, 2), at(1, 0), at(0, 0)] },
      { card: 0, output: 2, panels: [at(3, 0)] },
    ],
  });
  expect(kept.map(({ output, panels }) => [output, panels.map(({ column, row }) => [column, row])])).toEqual([
    [
      1,
      [
        [2, 1],
        [0, 0],
      ],
    ],
  ]);
});
