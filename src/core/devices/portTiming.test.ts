import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { formulaInFigures, standsOn } from '../figures/explained';
import { planShow } from '../plan/plan';
import { isPanelled } from '../props/registry';
import { evenCards } from '../panels/driver';
import { wall } from '../props/wall';
import { usual } from '../figures/figure';
import { drivenOnPort, drivenPixels } from './drivenPixels';
import { portRates, portTiming } from './portTiming';

const show = onPorts(aShow({ props: [aLine('rail', 678)], controllers: [aController()] }), ['rail', 1, 1, 2]);

it('tells the time of a picture on a port with its figures: 680 places are 20.7 ms and 48 pictures a second', () => {
  const plan = planShow(show);
  const { frameTime, rate } = portTiming(plan, plan.ports[0]!)!;
  expect(formulaInFigures(frameTime, undefined)).toBe('680 px × 3 × 8 × 1.25 µs + 300 µs = 20.7 ms');
  expect(formulaInFigures(rate, undefined)).toBe('1,000 ms ÷ 20.7 ms = 48.3 a second');
  expect(standsOn(rate)).toBe('usual figure');
});

it('takes what a type of pixel says itself, and says what that stands on', () => {
  const measured = { value: 80, basis: 'measured' as const };
  const own = {
    ...show,
    pixelTypes: show.pixelTypes.map((type) => ({
      ...type,
      timing: {
        kind: 'oneWire' as const,
        bitUs: { value: 2.5, basis: 'dataSheet' as const },
        latchUs: measured,
      },
    })),
  };
  const plan = planShow(own);
  const { frameTime } = portTiming(plan, plan.ports[0]!)!;
  expect(frameTime.value).toBe(680 * 3 * 8 * 2.5 + 80);
  expect(standsOn(frameTime)).toBe('mixed: measured and data sheet');
});

it('is as slow as the slower of line and chips: 230 pixels at 115,200 baud are 16.5 pictures a second', () => {
  const serial = {
    ...show,
    props: [aLine('rail', 230)],
    controllers: [aController({ typeId: 'serial' })],
    patch: [{ ...show.patch[0]!, skippedPixels: 0 }],
    controllerTypes: [
      {
        id: 'serial',
        name: 'Serial',
        class: 'serial' as const,
        ports: 1,
        pixelsPerPort: { value: [{ upToPorts: 1, pixels: 300 }], basis: 'default' as const },
        baud: 115_200,
      },
    ],
  };
  const plan = planShow(serial);
  const slow = portTiming(plan, plan.ports[0]!)!;
  expect(slow.rate.value).toBeCloseTo(16.55, 2);
  expect(slow.limitedByLine).toBe(true);
  const fast = planShow({
    ...serial,
    controllerTypes: [{ ...serial.controllerTypes[0]!, baud: 2_000_000 }],
  });
  expect(portTiming(fast, fast.ports[0]!)).toMatchObject({ limitedByLine: false });
});

it('has an answer for every port but those of panels', () => {
  fc.assert(
    fc.property(anyShow, (any) => {
      const plan = planShow(any);
      for (const port of plan.ports) {
        const timing = portTiming(plan, port);
        const panels = port.runs.some((run) => isPanelled(any.props[plan.runs[run]!.prop]!));
        expect(timing === null).toBe(panels || port.places === 0);
        if (timing) expect(timing.rate.value).toBeGreaterThan(0);
      }
    }),
    { numRuns: tries(40) },
  );
});

it('tells every port the same rate one after another as alone, and none of an empty port or one of panels', () => {
  fc.assert(
    fc.property(anyShow, (any) => {
      const plan = planShow(any);
      const rateOf = portRates(plan);
      for (const port of plan.ports) {
        const alone = portTiming(plan, port);
        expect(rateOf(port)).toEqual(
          alone && { rateHz: alone.rate.value, limitedByLine: alone.limitedByLine },
        );
        const hasPanels = port.runs.some((run) => isPanelled(any.props[plan.runs[run]!.prop]!));
        expect(alone === null).toBe(port.places === 0 || hasPanels);
      }
    }),
    { numRuns: tries(60) },
  );
});

it('drives the pixels of a run and the skipped ones before it, and of a wall those of its largest card', () => {
  const plan = planShow(show);
  expect([drivenPixels(plan, 0), drivenOnPort(plan, plan.ports[0]!)]).toEqual([678, 680]);
  const { shape, threading } = wall.starter();
  const { columns, rows, panel } = shape;
  const cut = {
    kind: 'cards' as const,
    outputsPerCard: 8,
    mostPanelsPerOutput: usual(16),
    inOrder: true,
    cards: evenCards(columns, rows, columns, 1),
  };
  const prop = aLine('wall', 1, { kind: 'wall', shape, threading: { ...threading, driver: cut } } as never);
  const walled = planShow(onPorts(aShow({ props: [prop], controllers: [aController()] }), ['wall', 1, 1, 3]));
  const ofCard = rows * panel.columns * panel.rows;
  expect([drivenPixels(walled, 0), drivenOnPort(walled, walled.ports[0]!)]).toEqual([ofCard, ofCard + 3]);
});
