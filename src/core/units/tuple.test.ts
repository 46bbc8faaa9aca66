import { mapTuple, pairOf } from './tuple';

it('changes each of a few things, in order', () => {
  expect(mapTuple([1, 2, 3] as const, (each, i) => each * 10 + i)).toEqual([10, 21, 32]);
});

it('takes two for a pair, and neither one nor three', () => {
  expect(pairOf(['a', 'b'])).toEqual(['a', 'b']);
  expect(() => pairOf(['a'])).toThrow('These are 1, where two belong together.');
  expect(() => pairOf(['a', 'b', 'c'])).toThrow('These are 3');
});
