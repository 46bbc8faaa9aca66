import fc from 'fast-check';
import { tries } from './tries';

afterEach(() => delete process.env.ALL_RUNS);

it('tries a fifth of the runs of a heavy property, or all of them', () => {
  delete process.env.ALL_RUNS;
  expect([5, 6, 80].map(tries)).toEqual([1, 2, 16]);
  process.env.ALL_RUNS = '1';
  expect(tries(80)).toBe(80);
});

it('gives every property the seed of the run', () => {
  expect(fc.readConfigureGlobal().seed).toBe(Number(process.env.PROPERTY_SEED));
});
