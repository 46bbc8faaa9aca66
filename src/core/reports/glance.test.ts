import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { Facts } from '../show/facts';
import { glanceOf } from './glance';

const none = new Facts([]);
const glance = (show: ReturnType<typeof aShow>, facts = none) => glanceOf(planShow(show), facts);

it('says what there is and what comes next, step by step', () => {
  const empty = aShow({ props: [], controllers: [] });
  expect(glance(empty)).toEqual({
    words: 'nothing measured yet',
    next: 'Next: measure the first prop.',
    pictures: [],
    standing: ['Build', 'Route', 'Patch', 'Power', 'Test', 'Print'].map((label) => ({
      stage: label.toLowerCase(),
      label,
      state: 'open',
      words: 'nothing yet',
    })),
  });
  const props = [aLine('rail', 50), aGrid('net', 4, 5)];
  expect(glance(aShow({ props, controllers: [] })).next).toBe('Next: add the controller that feeds it.');
  const half = onPorts(aShow({ props, controllers: [aController()] }), ['rail', 1, 1]);
  expect(glance(half)).toMatchObject({
    words: '2 props · 70 pixels · 1 of 2 runs on ports',
    next: 'Next: put 1 run on a port.',
  });
  const all = onPorts(half, ['rail', 1, 1], ['net', 1, 2]);
  expect(glance(all).next).toBe('Next: type the values into 1 controller.');
  const done = new Facts([
    {
      id: 'f1',
      kind: 'deviceStep',
      list: 'controllers',
      recordId: all.controllers[0]!.id,
      field: 'set',
      value: 'x',
      at: '2026-11-26T10:00:00Z',
    },
  ]);
  expect(glance(all, done).next).toMatch(/^Every run is on a port/);
});

it('draws each prop within its square, at scale', () => {
  const { pictures } = glance(aShow({ props: [aGrid('net', 3, 2)] }));
  const [places] = pictures;
  // Six pixels, twice as wide as high, in the middle: x 4, 50, 96 and y 27, 73.
  expect(places).toHaveLength(12);
  for (const place of places!) {
    expect(place).toBeGreaterThanOrEqual(4);
    expect(place).toBeLessThanOrEqual(96);
  }
  expect(Math.max(...places!)).toBeCloseTo(96, 0);
});
