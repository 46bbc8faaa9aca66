import { framePieces, framePixels, withoutCounts } from './frame';
import { asWalked, fromBack, IndexWalk } from './indexWalk';
import type { ScreenShape } from './shape';

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
    // Ways that no index tells apart are wired alike.
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
    startOffset: 0,
    direction: 'counterclockwise',
    hiddenFirst: 1,
    counts: [53, 29, 55, 30],
  } as const;
  const walk = IndexWalk.of(shape, { spread: 1, mostHidden: 2 });
  for (let looks = 0; looks < 8; looks += 1) {
    const indices = walk.next();
    if (!indices) break;
    const told = IndexWalk.shows(shape, wired, indices).map(fromBack);
    expect(walk.answer(indices, told.map(fromBack))).toBe(true);
  }
  expect(walk.found).toEqual([wired]);
});

it('does not take what no wiring shows', () => {
  const walk = IndexWalk.of(shape, { spread: 1 });
  const before = walk.count;
  expect(walk.answer([0, 1], ['dark', 'dark'])).toBe(false);
  expect(walk.count).toBe(before);
});

it('asks of no index that cannot be lit, and says what those do not tell apart', () => {
  const wired = {
    start: 'topLeft',
    startOffset: 0,
    direction: 'clockwise',
    hiddenFirst: 0,
    counts: [54, 29, 54, 30],
  } as const;
  const walk = IndexWalk.of(shape, { spread: 1, litBelow: framePixels(shape) });
  for (let indices = walk.next(); indices; indices = walk.next()) {
    for (const index of indices) expect(index).toBeLessThan(166);
    walk.answer(indices, IndexWalk.shows(shape, wired, indices));
  }
  // The last side may have as many as planned or one more: no light of the run shows it.
  expect(walk.found!.map(({ counts }) => counts[3])).toEqual([29, 30]);
  expect(walk.found).toContainEqual(wired);
});

it('begins an offset further on where that is planned, and walks many pieces of one’s own with smaller differences', () => {
  const moved = { ...shape, startOffset: 5 };
  const wired = {
    start: 'topLeft',
    startOffset: 5,
    direction: 'clockwise',
    hiddenFirst: 0,
    counts: [54, 29, 54, 29],
  } as const;
  const walk = IndexWalk.of(moved, { spread: 1 });
  for (let indices = walk.next(); indices; indices = walk.next())
    walk.answer(indices, IndexWalk.shows(moved, wired, indices));
  expect(walk.found).toContainEqual(wired);
  const parted = {
    ...shape,
    ownPieces: Array.from({ length: 12 }, (_, i) => ({
      side: (['top', 'right', 'bottom', 'left'] as const)[Math.floor(i / 3)]!,
      runs: 'along' as const,
      atMm: 100 * (i % 3),
      lengthMm: 90,
      insetMm: 10,
    })),
  };
  expect(IndexWalk.of(parted).count).toBeLessThanOrEqual(250_000);
});

it('becomes the settings, whatever was counted before', () => {
  const found = {
    start: 'topRight',
    startOffset: 0,
    direction: 'counterclockwise',
    hiddenFirst: 1,
    counts: [53, 29, 54, 29],
  } as const;
  const wired = asWalked({ ...shape, installed: { left: 31 }, countedOnWire: 170 }, found);
  expect(wired).toEqual({
    ...shape,
    start: 'topRight',
    direction: 'counterclockwise',
    hiddenFirst: 1,
    installed: { top: 53 },
  });
  expect(framePieces(wired).map(({ pixels }) => pixels)).toEqual([...found.counts]);
  expect(withoutCounts(wired).installed).toBeUndefined();
});
