import { fromBack, IndexWalk } from './indexWalk';
import type { ScreenShape } from './frame';

const shape: ScreenShape = {
  size: { by: 'diagonal', diagonalMm: 43 * 25.4, aspectWidth: 16, aspectHeight: 9 },
  insetMm: 20,
  pixelsPerMetre: 60,
  pixelsPerCut: 1,
  sides: ['top', 'right', 'bottom', 'left'],
  corner: { style: 'bent', lossMm: 0 },
  start: 'topLeft',
  startOffset: 0,
  direction: 'clockwise',
  hiddenFirst: 0,
};

/** The most looks that any way of wiring takes, over all of them. */
function mostLooks(walk: IndexWalk, looks = 0): number {
  const indices = walk.next();
  if (indices === null) {
    // What no index tells apart is wired alike.
    expect(walk.count).toBe(1);
    return looks;
  }
  return Math.max(...[...walk.parted(indices).values()].map((lot) => mostLooks(lot.walk, looks + 1)));
}

it('finds every start, direction and count of the sides within three of the planned ones in at most six looks', () => {
  const walk = IndexWalk.of(shape);
  // Five starts, two directions, seven counts of each of four sides.
  expect(walk.count).toBe(5 * 2 * 7 ** 4);
  expect(mostLooks(walk)).toBeLessThanOrEqual(6);
}, 120_000);

it('finds hidden first ones too, from answers one by one, from the back as well', () => {
  const wired = {
    start: 'bottomRight',
    direction: 'counterclockwise',
    hiddenFirst: 1,
    counts: [53, 29, 55, 30],
  } as const;
  const walk = IndexWalk.of(shape, 1, 2);
  for (let looks = 0; looks < 8; looks += 1) {
    const indices = walk.next();
    if (!indices) break;
    const told = IndexWalk.shows(shape, wired, indices).map(fromBack);
    expect(walk.answer(indices, told.map(fromBack))).toBe(true);
  }
  expect(walk.found).toEqual([wired]);
});

it('does not take what no wiring shows', () => {
  const walk = IndexWalk.of(shape, 1);
  const before = walk.count;
  expect(walk.answer([0, 1], ['dark', 'dark'])).toBe(false);
  expect(walk.count).toBe(before);
});
