import { nextPlace } from './leads';

const runs = [
  { number: 1, pixelCount: 150 },
  { number: 2, pixelCount: 0 },
  { number: 3, pixelCount: 40 },
];

it('brings leads to starts, then to ends, then to the middle of the longest stretch without one', () => {
  const taken: { run: number; pixel: number }[] = [];
  for (let i = 0; i < 6; i += 1) taken.push(nextPlace(runs, taken)!);
  expect(taken.map(({ run, pixel }) => `${run}:${pixel}`)).toEqual([
    '1:1',
    '3:1',
    '1:150',
    '3:40',
    '1:75',
    '1:112',
  ]);
});

it('brings none where every pixel has one', () => {
  const both = [
    { run: 1, pixel: 1 },
    { run: 1, pixel: 2 },
  ];
  expect(nextPlace([{ number: 1, pixelCount: 2 }], both)).toBeNull();
});
