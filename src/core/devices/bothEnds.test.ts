import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { coloursOfBothEnds } from './bothEnds';

const plan = planShow(
  onPorts(
    aShow({ props: [aLine('rail', 10), aLine('arch', 10)], controllers: [aController()] }),
    ['rail', 1, 1],
    ['arch', 1, 2],
  ),
);
/** Colour orders that were found at one end, by port. */
const found = (where: 'controller' | 'sender', orders: Record<number, string | undefined>) => ({
  controllerId: 'a',
  where,
  foundAt: '2026-11-27',
  ports: Object.entries(orders).map(([port, colourOrder]) => ({
    port: Number(port),
    ...(colourOrder && { colourOrder }),
  })),
});
const between = (there: Record<number, string | undefined>, here: Record<number, string | undefined>) =>
  coloursOfBothEnds(plan, found('controller', there), found('sender', here));

// Chips of the test show take RGB: the plan tells RGB to both ends.
it('says nothing of ports that are as planned, or of which one end or the port itself is not known', () => {
  expect(between({ 1: 'RGB', 2: 'RGB' }, { 1: 'RGB', 2: 'RGB' })).toEqual([]);
  expect(between({ 1: 'GRB', 2: undefined }, { 1: undefined, 2: 'GRB' })).toEqual([]);
  expect(between({ 1: 'GRB' }, {})).toEqual([]);
  // Nothing is plugged into the third.
  expect(between({ 3: 'GRB' }, { 3: 'RGB' })).toEqual([]);
});

it('tells two ends that undo one another from two that do not, port by port', () => {
  const [undone, ...others] = between({ 1: 'GRB', 2: 'RGB' }, { 1: 'GRB', 2: 'RGB' });
  expect(others).toEqual([]);
  expect(undone).toMatchObject({
    isRight: true,
    words: expect.stringMatching(/^Port A1: colours come out right with GRB/) as string,
  });
  const wrong = between({ 1: 'GRB', 2: 'RGB' }, { 1: 'RGB', 2: 'BGR' });
  expect(wrong.map(({ isRight, words }) => [isRight, words.slice(0, 7)])).toEqual([
    [false, 'Port A1'],
    [false, 'Port A2'],
  ]);
  expect(wrong[1]!.words).toContain('Correct at one end only: RGB on the controller, RGB in the sender.');
});
