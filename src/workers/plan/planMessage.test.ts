import { readFileSync } from 'node:fs';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { PlanCache } from '@/core/plan/cache';
import { planShow } from '@/core/plan/plan';
import { readShowText } from '@/core/show/read';
import { buffersOfMessage, packPlan, unpackPlan } from './planMessage';

/** As between threads: what is handed over is gone here. */
function send(message: ReturnType<typeof packPlan>) {
  return structuredClone(message, { transfer: buffersOfMessage(message) });
}

it.each([
  ['the demo show', readShowText(readFileSync('demo/marrow-quay.show.json', 'utf8'))],
  ['an empty show', aShow()],
  [
    'flat spaces, runs on no port, and an entry without its run',
    onPorts(
      aShow({
        props: [aLine('rail', 50), aGrid('net', 4, 5), aLine('loose', 3)],
        controllers: [aController({ protocol: 'ddp' })],
      }),
      ['rail', 1, 1, 2],
      ['net', 1, 1],
      ['net', 2, 2],
    ),
  ],
])('brings over %s as it was planned', (_what, show) => {
  const expected = planShow(show);
  const arrived = unpackPlan(send(packPlan(planShow(show), [])), show, []);
  expect(arrived).toEqual(expected);
});

it('sends geometry once, wherever its prop goes in the list', () => {
  const cache = new PlanCache();
  const [rail, net, mast] = [aLine('rail', 50), aGrid('net', 4, 5), aLine('mast', 9)];
  const before = aShow({ props: [rail, net] });
  const first = planShow(before, cache);
  const here = first.props;
  const there = unpackPlan(send(packPlan(first, [])), before, []);
  const after = aShow({ props: [mast, net, rail] });
  const message = packPlan(planShow(after, cache), here);
  expect(message.geometry.map((each) => typeof each)).toEqual(['object', 'number', 'number']);
  const arrived = unpackPlan(send(message), after, there.props);
  expect(arrived).toEqual(planShow(after));
  expect(arrived.props[2]!.strands).toBe(there.props[0]!.strands);
});
