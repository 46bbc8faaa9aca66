import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { layOut } from './layout';
import type { WiredController, WiredRun } from './wiredRun';
import {
  packingWords,
  slotsPerUniverse,
  usableChannels,
  NEW_UNIVERSE,
  type NewUniverse,
  type Packing,
} from '../catalogue/packing';

const run = (index: number, pixels: number, change: Partial<WiredRun> = {}): WiredRun => ({
  run: index,
  port: index + 1,
  pixels,
  channelsPerPixel: 3,
  packing: { kind: 'wholePixels' },
  newUniverse: 'controller',
  fixturePixels: 1,
  strandPixels: [pixels],
  skippedWithChannels: 0,
  spareChannels: 0,
  pin: null,
  ...change,
});
const controller = (
  index: number,
  runs: WiredRun[],
  { packing, ...change }: Partial<WiredController> & { packing?: Packing } = {},
): WiredController => ({
  controller: index,
  usesUniverses: true,
  firstUniverse: null,
  runs: packing ? runs.map((each) => ({ ...each, packing })) : runs,
  ...change,
});
/** `run: universe/slot+channels` of every block. */
const blocks = (controllers: WiredController[], newUniverse: NewUniverse = 'controller') =>
  layOut(
    controllers.map((each) => ({ ...each, runs: each.runs.map((wired) => ({ ...wired, newUniverse })) })),
  ).blocks.map((block) => `${block.run}: ${block.universe}/${block.slot}+${block.channels}`);

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
    const spaces = (packing: Packing) => layOut([controller(0, [run(0, pixels)], { packing })]).spaces;
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
  const { blocks: made } = layOut([controller(0, [run(0, 4, { skippedWithChannels: 2 })])]);
  expect(made.map(({ slot, channels, runChannel }) => [slot, channels, runChannel])).toEqual([
    [0, 6, -6],
    [6, 12, 0],
  ]);
});

it('gives a universe that is shared by pixels of several sizes the larger of their claims', () => {
  const mixed = [controller(0, [run(0, 10), run(1, 5, { channelsPerPixel: 4 })])];
  const [space] = layOut(mixed).spaces;
  // The device is told this size for it: 512 hold whole RGBW pixels, 510 would cut the last of them off.
  expect(space!.channels).toBe(512);
  const [other] = layOut([controller(0, [run(0, 2), run(1, 5, { channelsPerPixel: 1 })])]).spaces;
  expect(other!.channels).toBe(512);
});

it('ends with a custom universe smaller than a pixel', () => {
  const tiny = controller(0, [run(0, 2)], { packing: { kind: 'custom', channelsPerUniverse: 1 } });
  expect(blocks([tiny])).toHaveLength(6);
});

describe('a policy of its own', () => {
  it('begins a universe with every strand', () => {
    const tree = run(0, 150, { strandPixels: [50, 50, 50] });
    expect(blocks([controller(0, [tree])], 'strand')).toEqual(['0: 1/0+150', '0: 2/0+150', '0: 3/0+150']);
    // A strand that is longer than a universe goes on in the next.
    expect(blocks([controller(0, [run(0, 200, { strandPixels: [180, 20] })])], 'strand')).toEqual([
      '0: 1/0+510',
      '0: 2/0+30',
      '0: 3/0+60',
    ]);
  });
  it('begins a universe with every fixture, or fills it with whole ones', () => {
    // Tiles of 6 by 6: starts 1, 109, 217, 325, and then a new universe.
    const tiles = run(0, 36 * 5, { fixturePixels: 36 });
    expect(blocks([controller(0, [tiles])])).toEqual(['0: 1/0+432', '0: 2/0+108']);
    expect(blocks([controller(0, [tiles])], 'fixture')).toHaveLength(5);
  });
  it('changes the universe where the packing changes', () => {
    const full = { packing: { kind: 'full512' as const } };
    expect(blocks([controller(0, [run(0, 10), run(1, 10, full)])])).toEqual(['0: 1/0+30', '1: 2/0+30']);
  });
  it('keeps channels free after a run', () => {
    expect(blocks([controller(0, [run(0, 10, { spareChannels: 18 }), run(1, 10)])])).toEqual([
      '0: 1/0+30',
      '1: 1/48+30',
    ]);
    // Spare channels that fill the universe are followed by a new one.
    expect(blocks([controller(0, [run(0, 10, { spareChannels: 480 }), run(1, 10)])])).toEqual([
      '0: 1/0+30',
      '1: 2/0+30',
    ]);
    expect(blocks([controller(0, [run(0, 10, { spareChannels: 500 }), run(1, 10)])])).toEqual([
      '0: 1/0+30',
      '1: 2/20+30',
    ]);
  });
});

describe('a pin', () => {
  const pin = (universe: number, channel: number) => ({ pin: { universe, channel } });
  it('keeps its run where it is; what follows goes on behind it', () => {
    expect(blocks([controller(0, [run(0, 10), run(1, 10, pin(40, 1)), run(2, 10)])])).toEqual([
      '0: 1/0+30',
      '1: 40/0+30',
      '2: 40/30+30',
    ]);
  });
  it('is gone around in one piece, never torn apart', () => {
    // 100 channels from slot 0 would run into the pin at channel 50, so the run goes behind it.
    expect(blocks([controller(0, [run(0, 33), run(1, 10, pin(1, 51)), run(2, 10)])])).toEqual([
      '0: 1/80+99',
      '1: 1/50+30',
      '2: 1/179+30',
    ]);
  });
  it('keeps spare channels behind it free, and moves nothing that lies elsewhere', () => {
    // The pin is at channel 301 of universe 1 with 60 channels kept free behind it: the next run that reaches there goes on behind those.
    const pinned = run(1, 20, { ...pin(1, 301), spareChannels: 60 });
    expect(blocks([controller(0, [run(0, 90), pinned, run(2, 10)])])).toEqual([
      '0: 1/0+270',
      '1: 1/300+60',
      '2: 1/420+30',
    ]);
    // Behind a pin that lies further back, nothing is left out.
    const back = run(1, 10, { ...pin(1, 1), spareChannels: 60 });
    expect(blocks([controller(0, [run(0, 200), back, run(2, 10)], { firstUniverse: 3 })])).toEqual([
      '0: 3/0+510',
      '0: 4/0+90',
      '1: 1/0+30',
      '2: 4/90+30',
    ]);
  });
  it('has its universe to itself where every run begins one', () => {
    expect(
      blocks([controller(0, [run(0, 10), run(1, 10, pin(2, 101)), run(2, 10), run(3, 10)])], 'run'),
    ).toEqual(['0: 1/0+30', '1: 2/100+30', '2: 3/0+30', '3: 4/0+30']);
  });
  it('is never covered, and everything has its channels once, wherever pins are', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            pixels: fc.integer({ min: 1, max: 260 }),
            at: fc.option(
              fc.record({
                universe: fc.integer({ min: 1, max: 6 }),
                channel: fc.integer({ min: 1, max: 480 }),
              }),
              { nil: null },
            ),
            spare: fc.nat(40),
          }),
          { minLength: 1, maxLength: 10 },
        ),
        fc.constantFrom<Packing>({ kind: 'wholePixels' }, { kind: 'full512' }),
        fc.constantFrom(...NEW_UNIVERSE),
        (parts, packing, newUniverse) => {
          const runs = parts.map((part, i) =>
            run(i, part.pixels, {
              packing,
              newUniverse,
              pin: part.at,
              spareChannels: part.spare,
              strandPixels: [part.pixels],
            }),
          );
          const { blocks: made } = layOut([controller(0, runs)]);
          const taken = new Map<string, boolean>();
          const isPinned = (index: number) => parts[index]!.at !== null;
          const channels = new Array<number>(parts.length).fill(0);
          for (const block of made)
            for (let slot = block.slot; slot < block.slot + block.channels; slot += 1) {
              const key = `${block.universe}/${slot}`;
              // Two pins may be set to one place by the builder; all others keep clear of everything.
              if (taken.has(key)) expect(taken.get(key) && isPinned(block.run)).toBe(true);
              taken.set(key, isPinned(block.run));
              channels[block.run]! += 1;
            }
          parts.forEach((part, i) => {
            expect(channels[i]).toBe(part.pixels * 3);
            const first = made.find((block) => block.run === i)!;
            if (part.at && part.at.channel + 2 <= 510)
              expect([first.universe, first.slot]).toEqual([part.at.universe, part.at.channel - 1]);
          });
          const usable = packing.kind === 'full512' ? 512 : 510;
          parts.forEach((part, i) => {
            // Slot by slot behind its last channel: nobody who follows the rules is there.
            const last = made.findLast((block) => block.run === i)!;
            let [universe, slot] = [last.universe!, last.slot + last.channels];
            for (let left = part.spare; left > 0; left -= 1, slot += 1) {
              if (slot >= usable) [universe, slot] = [universe + 1, 0];
              const there = made.find(
                (block) =>
                  block.universe === universe && block.slot <= slot && slot < block.slot + block.channels,
              );
              expect(there === undefined || isPinned(there.run)).toBe(true);
            }
          });
          // Each run is on a port of its own here.
          if (!['controller', 'wholeStrands', 'never'].includes(newUniverse))
            for (const block of made) {
              const others = made.filter(
                (other) => other.universe === block.universe && other.run !== block.run,
              );
              if (!isPinned(block.run)) expect(others).toEqual([]);
            }
        },
      ),
      { numRuns: tries(150) },
    );
  });
});
