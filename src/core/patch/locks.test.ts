import { lockWords, locksIn, unlock, withoutAnswered } from './locks';
import type { PatchEntry } from '../show/schema';

const entry = (run: number, pin?: PatchEntry['pin']): PatchEntry => ({
  propId: 'net',
  run,
  controllerId: 'a',
  port: run,
  skippedPixels: 0,
  ...(pin && { pin }),
});
const at = (kept?: string | true) => ({ universe: 3, channel: 1, ...(kept && { kept }) });
const patch = [
  entry(1, at('2026-11-30')),
  entry(2),
  entry(3, at()),
  entry(4, at('2026-12-01')),
  entry(5, at(true)),
  entry(6, at('2026-11-30')),
];

it('says when an answer locked an address, as far as that is known', () => {
  expect(lockWords(at('2026-12-01'))).toBe('locked on 1 Dec 2026 by keeping addresses');
  expect(lockWords(at(true))).toBe('locked by keeping addresses');
  expect(lockWords(at())).toBe('locked by hand');
});

it('lists locks by how they came to be, those of answers first, the latest before the others', () => {
  expect(locksIn(patch).map(({ words, entries }) => [words, ...entries.map(({ run }) => run)])).toEqual([
    ['locked on 1 Dec 2026 by keeping addresses', 4],
    ['locked on 30 Nov 2026 by keeping addresses', 1, 6],
    ['locked by keeping addresses', 5],
    ['locked by hand', 3],
  ]);
  expect(locksIn([entry(2)])).toEqual([]);
});

it('lets the addresses of some runs move again', () => {
  expect(unlock([patch[0]!, patch[2]!])).toMatchObject({
    label: 'Unlock the addresses of 2 runs',
    edits: [
      { type: 'setRunAddress', propId: 'net', run: 1, change: { pin: null } },
      { type: 'setRunAddress', propId: 'net', run: 3, change: { pin: null } },
    ],
  });
});

it('keeps locks by hand where those of answers go', () => {
  const left = withoutAnswered(patch);
  expect(left.flatMap(({ run, pin }) => (pin ? run : []))).toEqual([3]);
  expect(left[0]).not.toHaveProperty('pin');
  expect(left[1]).toBe(patch[1]);
});
