import fc from 'fast-check';
import { subjectOf, type Fact } from './facts';
import { clashesOf, firstMissed } from './lateFacts';

const fact = (id: string, field: string, value: string | null): Fact => ({
  id,
  kind: 'tick',
  list: 'controllers',
  recordId: 'box',
  field,
  value,
  at: '2026-11-27T18:00:00Z',
});

it.each([
  ['otherwise meanwhile', [fact('m', 'a', '1')], [0], [fact('t', 'a', '2')], [], 1],
  ['the same meanwhile', [fact('m', 'a', '1')], [0], [fact('t', 'a', '1')], [], 0],
  ['otherwise, then the same', [fact('m', 'a', '1')], [0], [fact('t', 'a', '2'), fact('u', 'a', '1')], [], 0],
  ['something else', [fact('m', 'a', '1')], [0], [fact('t', 'b', '2')], [], 0],
  ['before it was heard of', [fact('m', 'a', '1')], [1], [fact('t', 'a', '2')].slice(1), [], 0],
  ['its own', [fact('m', 'a', '1')], [0], [fact('t', 'a', '2')], ['t'], 0],
  [
    'a fact that is sent again',
    [fact('m', 'a', '1'), fact('n', 'a', '2')],
    [0, 0],
    [fact('m', 'a', '1')],
    [],
    0,
  ],
  ['one that is not late', [fact('m', 'a', '1')], [null], [fact('t', 'a', '2')], [], 0],
] as const)('%s', (_words, facts, heardOf, missed, own, count) => {
  expect(clashesOf(facts, { heardOf: [...heardOf], own: [...own] }, missed)).toHaveLength(count);
});

it('names of each thing the last word of either side, and nothing that was heard of', () => {
  const word = fc.record({ field: fc.constantFrom('a', 'b', 'c'), value: fc.constantFrom('1', '2', null) });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(word, fc.option(fc.nat(6)))),
      fc.array(word, { maxLength: 6 }),
      (mine, others) => {
        const facts = mine.map(([{ field, value }], i) => fact(`m${i}`, field, value));
        const all = others.map(({ field, value }, i) => fact(`t${i}`, field, value));
        const late = { heardOf: mine.map(([, heardOf]) => heardOf), own: [] };
        const clashes = clashesOf(facts, late, all.slice(firstMissed(late) ?? 0));
        for (const subject of new Set(facts.map(subjectOf))) {
          const i = facts.findLastIndex((each) => subjectOf(each) === subject);
          const heardOf = late.heardOf[i]!;
          const theirs =
            heardOf === null ? undefined : all.slice(heardOf).findLast((each) => subjectOf(each) === subject);
          const wanted = theirs && theirs.value !== facts[i]!.value ? { mine: facts[i], theirs } : undefined;
          expect(clashes.find((each) => subjectOf(each.mine) === subject)).toEqual(wanted);
        }
      },
    ),
  );
});
