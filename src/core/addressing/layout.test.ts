import { layOut, type WiredController, type WiredRun } from './layout';
import { packingWords, pixelsStraddle, slotsPerUniverse, usableChannels, type Packing } from './packing';

const run = (index: number, pixels: number, change: Partial<WiredRun> = {}): WiredRun => ({
  run: index,
  port: index + 1,
  pixels,
  channelsPerPixel: 3,
  skippedWithChannels: 0,
  ...change,
});
const controller = (
  index: number,
  runs: WiredRun[],
  change: Partial<WiredController> = {},
): WiredController => ({
  controller: index,
  usesUniverses: true,
  firstUniverse: null,
  packing: { kind: 'wholePixels' },
  runs,
  ...change,
});
/** `run: universe/slot+channels` of every block. */
const blocks = (controllers: WiredController[], newUniverse: Parameters<typeof layOut>[1] = 'controller') =>
  layOut(controllers, newUniverse).blocks.map(
    (block) => `${block.run}: ${block.universe}/${block.slot}+${block.channels}`,
  );

describe('packing', () => {
  it.each<[Packing, number, number]>([
    [{ kind: 'wholePixels' }, 3, 510],
    [{ kind: 'wholePixels' }, 4, 512],
    [{ kind: 'wholePixels' }, 1, 512],
    [{ kind: 'full512' }, 3, 512],
    [{ kind: 'custom', channelsPerUniverse: 150 }, 3, 150],
    [{ kind: 'custom', channelsPerUniverse: 100 }, 3, 100],
  ])('%j with %d channels a pixel uses %d', (packing, channels, expected) => {
    expect(usableChannels(packing, channels)).toBe(expected);
    expect(slotsPerUniverse(packing)).toBeGreaterThanOrEqual(expected);
  });

  it('knows where pixels straddle universes', () => {
    expect(pixelsStraddle({ kind: 'full512' }, 3)).toBe(true);
    expect(pixelsStraddle({ kind: 'full512' }, 4)).toBe(false);
    expect(pixelsStraddle({ kind: 'wholePixels' }, 3)).toBe(false);
    expect(pixelsStraddle({ kind: 'custom', channelsPerUniverse: 100 }, 3)).toBe(true);
  });

  it('is said in words', () => {
    expect(packingWords({ kind: 'full512' })).toBe('full 512');
  });
});

describe('the universes of a wall of 48 by 27 RGB pixels', () => {
  // 3,888 channels: ceil(3888 / 510) = 8 by whole pixels, ceil(3888 / 512) = 8 when full; 64 by 36 tells them apart.
  it.each([
    [48 * 27, 8, 8],
    [64 * 36, 14, 14],
    [170 * 256, 256, 255],
  ])('of %d pixels are %d by whole pixels and %d when full', (pixels, whole, full) => {
    const spaces = (packing: Packing) =>
      layOut([controller(0, [run(0, pixels)], { packing })], 'controller').spaces;
    expect(spaces({ kind: 'wholePixels' })).toHaveLength(whole);
    expect(spaces({ kind: 'full512' })).toHaveLength(full);
  });
});

it('lets a controller follow on: in the next universe, or at the next channel where nothing new is begun', () => {
  const two = [controller(0, [run(0, 10)]), controller(1, [run(1, 10)])];
  expect(blocks(two, 'controller')).toEqual(['0: 1/0+30', '1: 2/0+30']);
  expect(blocks(two, 'never')).toEqual(['0: 1/0+30', '1: 1/30+30']);
});

it('does not run on into a controller that packs otherwise', () => {
  const other = controller(1, [run(1, 10)], { packing: { kind: 'full512' } });
  expect(blocks([controller(0, [run(0, 10)]), other], 'never')).toEqual(['0: 1/0+30', '1: 2/0+30']);
});

it('starts where a controller is told to, also below one before it', () => {
  expect(
    blocks([
      controller(0, [run(0, 10)], { firstUniverse: 40 }),
      controller(1, [run(1, 10)], { firstUniverse: 3 }),
      controller(2, [run(2, 5)]),
    ]),
  ).toEqual(['0: 40/0+30', '1: 3/0+30', '2: 4/0+15']);
});

it('passes over controllers that hold nothing, and those that use no universes', () => {
  const ddp = controller(1, [run(1, 10), run(2, 5)], { usesUniverses: false });
  expect(blocks([controller(0, [run(0, 10)]), ddp, controller(2, []), controller(3, [run(3, 1)])])).toEqual([
    '0: 1/0+30',
    '1: null/0+30',
    '2: null/30+15',
    '3: 2/0+3',
  ]);
});

it('does not begin a universe behind one that was just filled', () => {
  const full = [controller(0, [run(0, 170), run(1, 10)])];
  expect(blocks(full, 'port')).toEqual(['0: 1/0+510', '1: 2/0+30']);
});

it('keeps skipped pixels and lit ones in blocks of their own', () => {
  const { blocks: made } = layOut([controller(0, [run(0, 4, { skippedWithChannels: 2 })])], 'controller');
  expect(made.map(({ slot, channels, runChannel }) => [slot, channels, runChannel])).toEqual([
    [0, 6, -6],
    [6, 12, 0],
  ]);
});

it('gives a universe that is shared by pixels of several sizes the larger of their claims', () => {
  const mixed = [controller(0, [run(0, 10), run(1, 5, { channelsPerPixel: 4 })])];
  const [space] = layOut(mixed, 'never').spaces;
  // 30 channels of RGB, then as many whole RGBW pixels as fit into the 482 left: 120, so 30 + 480.
  expect(space!.channels).toBe(510);
  const [other] = layOut([controller(0, [run(0, 2), run(1, 5, { channelsPerPixel: 1 })])], 'never').spaces;
  expect(other!.channels).toBe(512);
});

it('ends with a custom universe smaller than a pixel', () => {
  const tiny = controller(0, [run(0, 2)], { packing: { kind: 'custom', channelsPerUniverse: 1 } });
  expect(blocks([tiny])).toHaveLength(6);
});
