import fc from 'fast-check';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import type { Show } from '@/core/show/schema';
import { ShowReceiver, ShowSender, changesBetween, withChanges } from './sentShows';

const show = onPorts(
  aShow({ props: [aLine('rail', 50), aGrid('net', 4, 5), aLine('mast', 9)], controllers: [aController()] }),
  ['rail', 1, 1],
  ['net', 1, 2],
);
/** As between threads: no object is the same afterwards. */
const sent = <Value>(value: Value): Value => structuredClone(value);

it('sends a show whole where there is none yet', () => {
  expect(withChanges(null, sent(changesBetween(null, show)))).toEqual(show);
});

it('sends one prop of three, and keeps the others', () => {
  const there = sent(show);
  const edited: Show = {
    ...show,
    props: [show.props[0]!, { ...show.props[1]!, name: 'Net' }, show.props[2]!],
  };
  const changes = changesBetween(show, edited);
  expect(changes.parts).toEqual({
    props: { is: 'list', items: [0, { item: edited.props[1] }, 2] },
  });
  const after = withChanges(there, sent(changes));
  expect(after).toEqual(edited);
  expect(after.props[0]).toBe(there.props[0]);
  expect(after.patch).toBe(there.patch);
});

it('leads from any show to any other', () => {
  const [rail, net, mast] = show.props;
  const extra = aLine('extra', 3);
  const some = fc.record({
    props: fc.shuffledSubarray([rail!, net!, mast!, extra, { ...net!, name: 'other' }]),
    patch: fc.shuffledSubarray([...show.patch]),
    site: fc.option(fc.constant({ widthMm: 1, heightMm: 2, detourPercent: 0, endsMm: 0 }), {
      nil: undefined,
    }),
    name: fc.string(),
  });
  fc.assert(
    fc.property(fc.array(some, { minLength: 1, maxLength: 5 }), (steps) => {
      let here: Show = show;
      let there: Show = sent(show);
      for (const { site, ...step } of steps) {
        const { site: _, ...rest } = here;
        const next = { ...rest, ...step, ...(site && { site }) } as Show;
        there = withChanges(there, sent(changesBetween(here, next)));
        here = next;
        expect(there).toEqual(here);
      }
    }),
  );
});

it('names shows that the other side has, in any order, and sends others anew', () => {
  const variants = Array.from({ length: 4 }, (_, i): Show => ({ ...show, name: `Night ${i}` }));
  fc.assert(
    fc.property(fc.array(fc.nat({ max: 3 }), { minLength: 1, maxLength: 20 }), (order) => {
      const [sender, receiver] = [new ShowSender(), new ShowReceiver()];
      let last: [number, Show] | null = null;
      for (const index of order) {
        const arrived = receiver.receive(sent(sender.send(variants[index]!)));
        expect(arrived).toEqual(variants[index]);
        // Twice in a row is the very same object, so that what was worked out for it is found again.
        if (last?.[0] === index) expect(arrived).toBe(last[1]);
        last = [index, arrived];
      }
    }),
  );
});
