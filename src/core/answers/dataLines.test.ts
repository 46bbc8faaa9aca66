import { aFeed, aSupply, toPixel, typed } from '../../../tests/unit/power';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { SHIPPED_CONTROLLER_TYPES } from '../catalogue/controllerType';
import type { DataDrive, DataLead } from '../catalogue/dataLine';
import { planShow } from '../plan/plan';
import type { Show } from '../show/schema';
import { dataLinesOf, doubtfulDataLines, driverWords, levelWords, reachWords } from './dataLines';

const wifi = SHIPPED_CONTROLLER_TYPES.find((type) => type.class === 'wifi')!;
const five = aShow().pixelTypes.map((type) => (type.id === 'rgb' ? { ...type, volts: 5 } : type));

/** Two lines behind one port; the first is fed at its start from 5 V. */
const built = (dataLead: DataLead, change: Partial<Show> = {}, data?: DataDrive, skippedPixels = 0): Show =>
  aShow({
    props: [aLine('wreath', 24), aLine('next', 10)],
    pixelTypes: five,
    controllers: [aController({ ...(data && { data }) })],
    patch: [
      { propId: 'wreath', run: 1, controllerId: 'a', port: 1, skippedPixels, dataLead },
      { propId: 'next', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 },
    ],
    ...change,
  });
const first = (show: Show) => dataLinesOf(planShow(show))[0]!;
const pin = { driver: 'pin' as const };

it('wants 0.7 of the supply: 3.5 V at 5 V, and 3.3 V passes only up to 4.71 V', () => {
  const line = first(built({}, {}, pin));
  expect(line.wantsVolts).toBeCloseTo(3.5, 9);
  expect(line.logicVolts).toBe(3.3);
  expect(line.passesUpToVolts).toBe(4.71);
  expect(line.level).toBe('marginal');
  expect(levelWords(line)).toMatch(/3\.30 V of data where 3\.50 V are wanted.*up to a supply of 4\.71 V/);
  // The pixel before drives the next one at its own supply.
  const [, second] = dataLinesOf(planShow(built({}, {}, pin)));
  expect(second).toMatchObject({ driver: 'pixel', level: 'good' });
  expect(driverWords(second!)).toMatch(/pixel before it, 5\.00 V/);
});

it.each([
  ['a fast buffer of the board', built({}, {}, { driver: 'buffer' })],
  ['a buffer in the wire', built({ helper: 'buffer' }, {}, pin)],
  ['a pair', built({ helper: 'pair' }, {}, pin)],
  ['a hidden pixel before it', built({}, {}, pin, 1)],
  [
    'a supply of 4.7 V',
    built({}, { supplies: [aSupply({ volts: 4.7 })], feeds: [aFeed([toPixel('wreath', 1)])] }, pin),
  ],
])('is high enough with %s', (_, show) => {
  expect(first(show).level).toBe('good');
  expect(levelWords(first(show))).toBe('');
});

it('knows what drives the pins of a kind, and that chips of 12 V lights run on 5 V', () => {
  const show = built({}, { controllerTypes: [wifi], pixelTypes: aShow().pixelTypes });
  const typed12 = { ...show, controllers: [{ ...show.controllers[0]!, typeId: wifi.id }] };
  expect(first(typed12)).toMatchObject({ driver: 'pin', logicVolts: 3.3, wantsVolts: 3.5 });
  expect(first(show)).toMatchObject({ driver: 'buffer', level: 'good' });
});

it('counts the lift of ground at full white against the level, which chips of 12 V lights do not make up for', () => {
  const fed = (lengthMm: number): Show =>
    built(
      {},
      {
        pixelTypes: aShow().pixelTypes,
        supplies: [aSupply()],
        feeds: [
          {
            ...aFeed([{ lengthMm: 100, wire: 'awg10', to: { kind: 'controller', controllerId: 'a' } }]),
            id: 'board',
          },
          { ...aFeed([toPixel('wreath', 1, { lengthMm, wire: 'awg24' })]), id: 'far' },
        ],
      },
      { logicVolts: typed(3.6) },
    );
  // 8 m of 84 mOhm a metre lift ground by some 0.67 Ohm times what flows.
  const [near, far] = [first(fed(100)), first(fed(8000))];
  expect(near.liftVolts).toBeCloseTo(0, 1);
  expect(far.liftVolts).toBeGreaterThan(0.4);
  expect(far.marginVolts).toBeCloseTo(3.6 - 3.5 - far.liftVolts!, 6);
  expect(levelWords(far)).toMatch(/its ground is lifted by 0\.\d\d V at full white/);
  expect(near.ground).toBe('supply');
});

it.each([
  ['nobody said', {}, 'unsaid'],
  ['it goes along', { ground: 'along' }, 'dataLead'],
  ['it does not', { ground: 'none' }, 'none'],
] as const)('ground: %s', (_, dataLead, ground) => {
  expect(first(built(dataLead)).ground).toBe(ground);
});

it('drives so far: a pin 1.8 m, a buffer 5 m, a pair as far as its makers say', () => {
  const reach = (lengthMm: number, data?: DataDrive, helper?: 'pair') =>
    first(built({ lengthMm, ...(helper && { helper }) }, {}, data));
  expect([reach(1000, pin), reach(1500, pin), reach(1801, pin)].map((line) => line.reach)).toEqual([
    'good',
    'marginal',
    'wrong',
  ]);
  expect([reach(3000), reach(5000), reach(5001)].map((line) => line.reach)).toEqual([
    'good',
    'marginal',
    'wrong',
  ]);
  expect(reach(40_000, pin, 'pair').reach).toBe('good');
  expect(reachWords(reach(6000), undefined)).toMatch(/6 m is more than a fast buffer/);
  expect(reachWords(reach(4000), undefined)).toMatch(/at the limit/);
  expect(first(built({})).lengthMm).toBeNull();
});

it('solves the network only where it may matter, and says the same there', () => {
  const fed = built({}, { supplies: [aSupply({ volts: 4.7 })], feeds: [aFeed([toPixel('wreath', 1)])] }, pin);
  const plan = planShow(fed);
  expect(doubtfulDataLines(plan)).toEqual(dataLinesOf(plan));
  const sure = planShow({ ...fed, controllers: [aController()] });
  const [line] = doubtfulDataLines(sure);
  expect(line).toMatchObject({ level: 'good', liftVolts: null, logicVolts: 5 });
});
