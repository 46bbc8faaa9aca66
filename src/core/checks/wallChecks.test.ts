import { usual } from '../figures/figure';
import { SHIPPED_CONTROLLER_TYPES } from '../catalogue/controllerType';
import { evenCards } from '../panels/driver';
import type { Show } from '../show/schema';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import type { ChainedPanel, Chaining } from '../panels/chains';
import type { Driver } from '../panels/driver';
import { planShow } from '../plan/plan';
import type { Prop } from '../props/registry';
import { wall, type WallShape, type WallThreading } from '../props/wall';
import { applyEdit } from '../show/edits/registry';
import { findingsOf } from './registry';

const aWall = (shape: Partial<WallShape> = {}, threading: Partial<WallThreading> = {}): Prop => {
  const starter = wall.starter();
  return aLine('wall', 1, {
    kind: 'wall',
    shape: { ...starter.shape, panel: { ...starter.shape.panel, columns: 8, rows: 4 }, ...shape },
    threading: { ...starter.threading, ...threading },
  } as never);
};
const of = (prop: Prop) =>
  findingsOf(planShow(aShow({ props: [prop] }))).filter((each) => each.check !== 'run-on-no-port');

/** Each mend of the finding of a check leaves nothing of it. */
function expectMended(prop: Prop, check: string, mends: number, words: string) {
  const found = of(prop).find((finding) => finding.check === check)!;
  expect(found.message).toContain(words);
  expect(found.mends).toHaveLength(mends);
  for (const mend of found.mends) {
    const after = findingsOf(planShow(applyEdit(aShow({ props: [prop] }), mend.edit)));
    expect(after.map((finding) => finding.check)).not.toContain(check);
  }
}

const hat = (change: object): Driver => ({ ...wall.starter().threading.driver, ...change }) as Driver;
const cards = (list: number[][], change: object = {}): Driver =>
  ({
    kind: 'cards',
    outputsPerCard: 8,
    mostPanelsPerOutput: usual(10),
    inOrder: true,
    cards: list.map(([column, row, columns, rows]) => ({ column, row, columns, rows })),
    ...change,
  }) as Driver;
const by = (
  ...outputs: [output: number, cells: [row: number, column: number, turn?: number][]][]
): Chaining => ({
  by: 'hand',
  chains: outputs.map(([output, cells]) => ({
    card: 0,
    output,
    panels: cells.map(([row, column, turnDeg = 0]) => ({ row, column, turnDeg }) as ChainedPanel),
  })),
});
const row = (r: number, columns = 3): [number, number][] => Array.from({ length: columns }, (_, c) => [r, c]);

it('finds nothing on a wall as it starts', () => {
  expect(of(aWall())).toEqual([]);
});

it('finds a chain that is too long, and an output that is not there', () => {
  const long = aWall(
    {},
    {
      driver: hat({ mostPanelsPerOutput: usual(4) }),
      chaining: by([1, [...row(0), ...row(1)]], [2, row(2)]),
    },
  );
  expectMended(long, 'chain-too-long', 1, 'output 1 has 6 panels, 2 more than the 4');
  expectMended(
    aWall({}, { driver: hat({ outputs: 2 }) }),
    'chain-too-long',
    2,
    'needs output 3, but the hat has 2 outputs',
  );
});

it('finds panels on no chain, on two, and turned in a way that does not fit', () => {
  expectMended(aWall({}, { chaining: by([1, row(0)], [2, row(1)]) }), 'panels-on-chains', 1, '3.1, 3.2, 3.3');
  expectMended(
    aWall({}, { chaining: by([1, row(0)], [2, row(1)], [3, [...row(2), [0, 0]]]) }),
    'panels-on-chains',
    1,
    'panel 1.1 is at two places',
  );
  expectMended(
    aWall(
      {},
      {
        chaining: by(
          [
            1,
            [
              [0, 0, 90],
              [0, 1],
              [0, 2],
            ],
          ],
          [2, row(1)],
          [3, row(2)],
        ),
      },
    ),
    'panels-on-chains',
    1,
    'turned a quarter',
  );
});

it('finds outputs of a card that are not used in order', () => {
  const driver = cards([[0, 0, 3, 3]]);
  expectMended(
    aWall({}, { driver, chaining: by([1, row(0)], [3, row(1)], [4, row(2)]) }),
    'output-order',
    1,
    'uses output 3 but not output 2',
  );
  expect(of(aWall({}, { driver, chaining: by([1, row(0)], [2, row(1)], [3, row(2)]) }))).toEqual([]);
});

it('finds cards that overlap, leave holes or reach past the wall', () => {
  expectMended(
    aWall(
      {},
      {
        driver: cards([
          [0, 0, 2, 3],
          [1, 0, 3, 3],
        ]),
      },
    ),
    'card-rectangles',
    1,
    'two cards own',
  );
  expectMended(
    aWall({}, { driver: cards([[0, 0, 2, 3]]) }),
    'card-rectangles',
    1,
    'no card owns 1.3, 2.3, 3.3',
  );
});

it('finds an uneven spread and long ribbons', () => {
  expectMended(
    aWall(
      {},
      {
        driver: hat({ outputs: 2 }),
        chaining: by([1, [...row(0), ...row(1), [2, 2], [2, 1]]], [2, [[2, 0]]]),
      },
    ),
    'uneven-chains',
    1,
    'one output has 8 panels and another 1',
  );
  const tall = { ...wall.starter().shape, columns: 5, rows: 2 };
  const long = aWall(tall, {
    driver: hat({ outputs: 1 }),
    chaining: { by: 'design', style: 'arrowsUp', along: 'rows', entry: 'topRight' },
  });
  expectMended(long, 'ribbon-too-long', 1, 'after panel 5 of output 1 is 1.572 m');
});

it('finds panels of two orders that only the sender is to tell apart, and pixels of four channels', () => {
  const others = [{ column: 1, row: 0, colourOrder: 'BGR' as const }];
  const show = aShow({
    props: [aWall({ others })],
    addressing: { packing: { kind: 'wholePixels' }, newUniverse: 'controller', coloursAt: 'sender' },
  });
  const finding = findingsOf(planShow(show)).find((each) => each.check === 'panel-orders')!;
  expect(finding.message).toContain('RGB and BGR');
  expect(finding.mends).toHaveLength(1);
  for (const mend of finding.mends)
    expect(findingsOf(planShow(applyEdit(show, mend.edit))).map((each) => each.check)).not.toContain(
      'panel-orders',
    );
  const white = { ...aWall(), pixelTypeId: 'rgbw' };
  expectMended(white, 'wall-channels', 1, '4 channels a pixel');
});

it('holds a card to its own limit, not to that of the wall, and cuts a wall into cards that fit', () => {
  // 8 x 6 panels of 64 x 32 are 98,304 pixels; two cards of 4 columns own 49,152 each, and one drives 65,536.
  const card = { ...SHIPPED_CONTROLLER_TYPES.find((type) => type.id === 'panel-card')! };
  const show = (across: number) =>
    onPorts(
      aShow({
        props: [
          aWall(
            { panel: wall.starter().shape.panel, columns: 8, rows: 6 },
            {
              driver: {
                kind: 'cards',
                outputsPerCard: 8,
                mostPanelsPerOutput: { value: 12, basis: 'typed' },
                inOrder: true,
                cards: evenCards(8, 6, across, 1),
              },
            },
          ),
        ],
        controllerTypes: [card],
        controllers: [aController({ typeId: card.id, mostPixelsPerPort: 65_536 })],
      }),
      ['wall', 1, 1],
    );
  const about = (next: Show) =>
    findingsOf(planShow(next)).filter((each) => /port-over-limit|device-limits/.test(each.check));
  expect(about(show(2))).toEqual([]);
  const [finding] = about(show(1));
  expect(finding!.message).toContain('98,304 pixels, 32,768 more than the 65,536');
  expect(finding!.mends.map((mend) => mend.label)).toEqual(['Cut wall into 2 cards, 2 across and 1 down']);
  expect(about(applyEdit(show(1), finding!.mends[0]!.edit))).toEqual([]);
});

it('finds a wall that is laid for a hat on a receiver card, and the other way round, and sets the kind that fits', () => {
  const on = (typeId: string, threading: Partial<WallThreading> = {}) =>
    onPorts(
      aShow({
        controllerTypes: SHIPPED_CONTROLLER_TYPES.filter(({ id }) => id === typeId),
        controllers: [aController({ typeId, ports: 1, mostPixelsPerPort: 60_000 })],
        props: [aWall({}, threading)],
      }),
      ['wall', 1, 1],
    );
  const driverOf = (show: Show) => findingsOf(planShow(show)).filter(({ check }) => check === 'wall-driver');
  expect(driverOf(on('panel-player'))).toEqual([]);
  const { columns, rows } = wall.starter().shape;
  const onCards = { driver: cards([[0, 0, columns, rows]]) };
  expect(driverOf(on('panel-card', onCards))).toEqual([]);
  for (const [show, fits] of [
    [on('panel-card'), 'panel-player'],
    [on('panel-player', onCards), 'panel-card'],
    [on('ethernet-4'), 'panel-player'],
  ] as const) {
    const [finding] = driverOf(show);
    expect(finding).toMatchObject({ rank: 'willNotLight', propId: 'wall', controllerId: 'a' });
    const after = applyEdit(show, finding!.mends[0]!.edit);
    expect(after.controllers[0]!.typeId).toBe(fits);
    expect(driverOf(after)).toEqual([]);
  }
});
