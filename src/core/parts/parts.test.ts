import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { usual } from '../figures/figure';
import { planShow } from '../plan/plan';
import { grid } from '../props/grid';
import type { Prop } from '../props/registry';
import { tree } from '../props/tree';
import { wall } from '../props/wall';
import type { Show } from '../show/schema';
import { poleOf } from './partsOfProps';
import { partsList, type PartLine } from './partsList';

const linesOf = (show: Show) => new Map(partsList(planShow(show)).lines.map((line) => [line.id, line]));
const named = (lines: Iterable<PartLine>, words: string) =>
  [...lines].find(({ name }) => name.includes(words));

it('counts strings, splices and pigtails of a prop by hand: 130 pixels on strings of 50 that run on', () => {
  const show = onPorts(
    aShow({
      props: [
        aLine('rail', 130, {
          stock: { kind: 'strings', pixelsPerString: 50, pitchMm: 100, laid: 'runOn', inputPlug: 'male' },
        }),
      ],
      controllers: [aController()],
    }),
    ['rail', 1, 1],
  );
  const lines = linesOf(show);
  // 50 + 50 + 30: two splices, and one lead that ends in the counterpart of the plug.
  expect(named(lines.values(), 'string of 50')).toMatchObject({ need: 3, spare: 1, buy: 4 });
  expect(lines.get('splice')).toMatchObject({ need: 2 });
  expect(lines.get('pigtail female')).toMatchObject({ need: 1 });
  // Three wires at each splice, three at the pigtail.
  expect(partsList(planShow(show)).labour).toMatchObject({ joints: 9, minutes: 54, isOwnPace: false });
});

it('takes off what is there, and never buys less than nothing', () => {
  const base = aShow({
    props: [
      aLine('rail', 130, { stock: { kind: 'strings', pixelsPerString: 50, pitchMm: 100, laid: 'runOn' } }),
    ],
  });
  const id = [...linesOf(base).values()].find(({ name }) => name.includes('string of 50'))!.id;
  const withItem = (item: object, book: object = {}) =>
    linesOf({ ...base, parts: { ...book, items: [{ part: id, ...item }] } } as Show).get(id)!;
  expect(withItem({ have: 1 })).toMatchObject({ have: 1, buy: 3 });
  expect(withItem({ have: 9 })).toMatchObject({ buy: 0 });
  expect(withItem({ have: 1, price: 12.5 })).toMatchObject({ buy: 3, cost: 37.5 });
  expect(withItem({ spare: 0 })).toMatchObject({ spare: 0, buy: 3 });
  expect(withItem({}, { sparePercent: 100 })).toMatchObject({ spare: 3, buy: 6 });
});

it('sizes leads by their wire, fuses, forks and ferrules', () => {
  const show: Show = {
    ...aShow({ props: [aLine('rail', 20)], controllers: [aController()] }),
    supplies: [{ id: 's', name: 'Pier 12 V', volts: 12, ratedAmps: usual(10) }],
    feeds: [
      {
        id: 'f',
        name: 'Lead 1',
        from: { kind: 'supply', supplyId: 's' },
        fuseAmps: 5,
        connector: 'lever',
        pieces: [
          { lengthMm: 1500, wire: 'mm2-1.5', to: { kind: 'pixel', propId: 'rail', run: 1, pixel: 1 } },
          { lengthMm: 1000, wire: 'mm2-1.5', to: { kind: 'controller', controllerId: 'a' } },
        ],
      },
    ],
  };
  const lines = linesOf(show);
  expect(lines.get('wire mm2-1.5')).toMatchObject({ need: 2.5, unit: 'm' });
  expect(lines.get('fuse 5')).toMatchObject({ need: 1, spare: 1 });
  expect(lines.get('fork')).toMatchObject({ need: 2 });
  expect(lines.get('ferrule')).toMatchObject({ need: 2 });
  expect(lines.get('connector lever')).toMatchObject({ need: 1 });
  expect(lines.get('supply 12 10')).toMatchObject({ need: 1, spare: 0, buy: 1 });
});

it('stakes a tree, knots its cord and digs its pole in', () => {
  const { shape, threading } = tree.starter();
  const show = aShow({
    props: [aLine('tree', 1, { kind: 'tree', shape: { ...shape, strands: 13 }, threading } as never)],
  });
  const lines = linesOf(show);
  expect(lines.get('anchor stake')).toMatchObject({ need: 13, spare: 0 });
  expect(named(lines.values(), 'mounting strip')).toMatchObject({ need: 13 });
  // 3.2 m above the ground: (3200 + 600) / 0.9 = 4222 mm, of which 1022 in the ground; two lengths of 3 m, 0.3 m overlapping.
  expect(named(lines.values(), 'pole of')!.name).toBe(
    'pole of 4.222 m: 3.2 m above the ground, 1.022 m dug in',
  );
  expect(poleOf(3200)).toMatchObject({ lengths: 2 });
  expect(poleOf(2100)).toMatchObject({ totalMm: 3000, lengths: 1 });
  // 3 + 2.7 + 2.7 = 8.4 m of pole stand 6.96 m high.
  expect(poleOf(6960)).toMatchObject({ lengths: 3 });
  expect(poleOf(6970)).toMatchObject({ lengths: 4 });
});

it('counts jumpers where strands have strings of their own', () => {
  const { shape, threading } = grid.starter();
  const show = aShow({
    props: [
      aLine('net', 1, {
        kind: 'grid',
        shape: { ...shape, columns: 4, rows: 10 },
        threading: { ...threading, runs: 1 },
        stock: { kind: 'strings', pixelsPerString: 10, pitchMm: 100, laid: 'perStrand' },
      } as never),
    ],
  });
  const plan = planShow(show);
  const lines = linesOf(show);
  expect(lines.get('jumper')!.need).toBe(plan.props[0]!.jumpers.length);
  expect(lines.get('jumper wire')!.need).toBeCloseTo(
    Math.ceil(plan.props[0]!.jumpers.reduce((sum, { lengthMm }) => sum + lengthMm, 0) / 100) / 10,
  );
});

it('makes a list of any show in which need is never below what was counted, and nothing is bought twice', () => {
  fc.assert(
    fc.property(anyBusyShow, (show) => {
      const plan = planShow(show);
      const { lines, labour, cost } = partsList(plan);
      expect(new Set(lines.map(({ id }) => id)).size).toBe(lines.length);
      for (const line of lines) {
        expect(line.need).toBeGreaterThan(0);
        expect(line.buy).toBeCloseTo(Math.max(0, line.need + line.spare - line.have), 5);
        expect(line.for.length).toBeGreaterThan(0);
      }
      expect(labour.joints).toBeGreaterThanOrEqual(0);
      expect(cost === null).toBe(lines.every((line) => line.price === null));
      // Every pixel that is not on a wall is in it, by itself or in strings, rolls or tiles.
      const lights = lines.filter(({ group }) => group === 'lights');
      if (plan.pixelCount > 0) expect(lights.length).toBeGreaterThan(0);
    }),
    { numRuns: tries(60) },
  );
});

it('counts the ribbons of a wall by hand: a plug at each end of those that are made', () => {
  // Three rows of three panels, a chain for each row: all ribbons between panels come with them.
  const { shape, threading } = wall.starter();
  const board = { ...aLine('board', 1), kind: 'wall', shape, threading, stock: undefined } as unknown as Prop;
  const short = linesOf(aShow({ props: [board] }));
  expect(short.get('ribbon lead')).toMatchObject({ need: 3 });
  expect(short.get('ribbon plug')).toMatchObject({ need: 6 });
  expect(short.get('ribbon of the box')).toMatchObject({ need: 6 });
  // One chain from row to row with all arrows up: two ribbons run back over three panels, which no box holds.
  const panels = [0, 1, 2].flatMap((row) =>
    [2, 1, 0].map((column) => ({ column, row, turnDeg: 0 as const })),
  );
  const chaining = { by: 'hand' as const, chains: [{ card: 0, output: 1, panels }] };
  const long = linesOf(aShow({ props: [{ ...board, threading: { ...threading, chaining } } as Prop] }));
  expect(long.get('ribbon lead')).toMatchObject({ need: 1 });
  expect(long.get('ribbon of the box')).toMatchObject({ need: 6 });
  expect(long.get('ribbon plug')).toMatchObject({ need: 2 + 2 * 2 });
});
