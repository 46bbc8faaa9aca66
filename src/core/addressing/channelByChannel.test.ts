import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { LAST_UNIVERSE } from '../catalogue/controller';
import { NEW_UNIVERSE, type Packing } from '../catalogue/packing';
import { layOut } from './layout';
import type { WiredController, WiredRun } from './wiredRun';

/*
 * The layout held against a model of its own, which places pieces of a run one by one, channel by channel, and looks at each slot
 * whether it is taken. It shares no code with the layout: sizes, borders and pins are worked out here again, in the plainest way.
 */

/** A place in the universes, and the channel of a run that stands there. */
interface Put {
  universe: number;
  slot: number;
  runChannel: number;
}
interface Place {
  universe: number;
  slot: number;
}
interface Owner {
  controller: number;
  port: number;
}

const sizeOf = (packing: Packing) => (packing.kind === 'custom' ? packing.channelsPerUniverse : 512);
const pixelUnit = (run: WiredRun) => (run.packing.kind === 'wholePixels' ? run.channelsPerPixel : 1);
const isWholeStrands = (run: WiredRun) => /^wholeStrands/.test(run.newUniverse);

/** A run as stretches of pixels: the skipped ones, then its strands or fixtures. */
function stretchesOf(run: WiredRun) {
  const channels = run.channelsPerPixel;
  const lit =
    run.newUniverse === 'fixture'
      ? Array.from({ length: Math.ceil(run.pixels / run.fixturePixels) }, (_, i) =>
          Math.min(run.fixturePixels, run.pixels - i * run.fixturePixels),
        )
      : run.newUniverse === 'strand' || isWholeStrands(run)
        ? [...run.strandPixels]
        : [run.pixels];
  const skipped = run.skippedWithChannels * channels;
  const stretches: { channels: number; asks: 'nothing' | 'begin' | number }[] = [];
  if (skipped > 0) stretches.push({ channels: skipped, asks: 'nothing' });
  // Tiles of a single pixel are no tiles.
  const begins = run.newUniverse === 'strand' || (run.newUniverse === 'fixture' && run.fixturePixels > 1);
  lit.forEach((pixels, i) =>
    stretches.push({
      channels: pixels * channels,
      asks: isWholeStrands(run) ? pixels * channels : begins && i > 0 ? 'begin' : 'nothing',
    }),
  );
  if (isWholeStrands(run)) {
    const first = skipped + lit[0]! * channels;
    if (skipped > 0) stretches[1]!.asks = 'nothing';
    stretches[0]!.asks = run.pin ? 'nothing' : first;
  }
  return stretches;
}

/** Every channel of a run from a place on; null in place of the end where it does not fit below the last universe. */
function walk(run: WiredRun, from: Place): { puts: Put[]; end: Place; isCut: boolean } {
  const size = sizeOf(run.packing);
  const fixture = run.fixturePixels * run.channelsPerPixel;
  const unit = run.fixturePixels > 1 && fixture <= size ? fixture : pixelUnit(run);
  const puts: Put[] = [];
  let { universe, slot } = from;
  let runChannel = -run.skippedWithChannels * run.channelsPerPixel;
  const next = () => {
    universe += 1;
    slot = 0;
  };
  for (const stretch of stretchesOf(run)) {
    if (stretch.asks === 'begin' && slot > 0) next();
    if (typeof stretch.asks === 'number') {
      const needs = Math.ceil(stretch.asks / unit) * unit;
      if (slot > 0 && slot + needs > size) next();
    }
    for (let left = stretch.channels; left > 0; left -= unit) {
      if (slot + unit > size) next();
      if (universe > LAST_UNIVERSE) return { puts, end: { universe, slot }, isCut: true };
      for (let i = 0; i < Math.min(unit, left); i += 1) {
        puts.push({ universe, slot, runChannel });
        slot += 1;
        runChannel += 1;
      }
    }
  }
  return { puts, end: { universe, slot }, isCut: false };
}

/** The slots kept free behind a run, and the place behind them. */
function spareSlots(run: WiredRun, from: Place): { slots: Place[]; end: Place } {
  const usable = Math.floor(sizeOf(run.packing) / pixelUnit(run)) * pixelUnit(run);
  const slots: Place[] = [];
  let { universe, slot } = from;
  for (let left = run.spareChannels; left > 0; left -= 1) {
    if (slot >= usable) [universe, slot] = [universe + 1, 0];
    slots.push({ universe, slot });
    slot += 1;
  }
  // A universe that spare channels fill up is left.
  if (run.spareChannels > 0 && slot >= usable) [universe, slot] = [universe + 1, 0];
  return { slots, end: { universe, slot } };
}

/** Whether a run keeps out of the universes in which something on a port is pinned. */
function keepsOut(run: WiredRun, controller: number, on: Owner): boolean {
  if (run.newUniverse === 'never') return false;
  if (on.controller !== controller) return true;
  if (run.newUniverse === 'controller' || run.newUniverse === 'wholeStrands') return false;
  if (run.newUniverse === 'port' || run.newUniverse === 'wholeStrandsPerPort') return on.port !== run.port;
  return true;
}

const packs = ({ packing }: WiredRun) => `${packing.kind === 'wholePixels'} ${sizeOf(packing)}`;

/** The whole layout: places by run, why each starts where it does, and the universes of the show. */
function layModel(controllers: readonly WiredController[]) {
  const taken = new Set<string>();
  const pinnedIn = new Map<number, Owner[]>();
  for (const { controller, usesUniverses, runs } of controllers)
    for (const run of runs)
      if (usesUniverses && run.pin) {
        const { puts, end } = walk(run, { universe: run.pin.universe, slot: run.pin.channel - 1 });
        for (const { universe, slot } of [...puts, ...spareSlots(run, end).slots]) {
          taken.add(`${universe}/${slot}`);
          pinnedIn.set(universe, [...(pinnedIn.get(universe) ?? []), { controller, port: run.port }]);
        }
      }
  const places = new Map<number, string[]>();
  const starts = new Map<number, string>();
  const flats = new Map<number, number>();
  const cut: number[] = [];
  const spaces = new Map<number, { controller: number; channels: number }>();
  const flatSpaces: { controller: number; channels: number }[] = [];
  let at: Place = { universe: 1, slot: 0 };
  let packedBefore: string | null = null;
  let after: number | null = null;
  for (const { controller, usesUniverses, firstUniverse, runs } of controllers) {
    let flat = 0;
    for (const [i, run] of runs.entries()) {
      const lead = run.skippedWithChannels * run.channelsPerPixel;
      flats.set(run.run, flat + lead);
      if (!usesUniverses) {
        const from = flat;
        places.set(
          run.run,
          Array.from(
            { length: lead + run.pixels * run.channelsPerPixel },
            (_, k) => `null/${from + k}: ${k - lead}`,
          ),
        );
        starts.set(run.run, `flat after ${i === 0 ? null : runs[i - 1]!.run}`);
      }
      flat += lead + run.pixels * run.channelsPerPixel;
    }
    if (!usesUniverses) {
      if (runs.length > 0) flatSpaces.push({ controller, channels: flat });
      continue;
    }
    let portBefore: number | undefined;
    for (const run of runs) {
      let why = after === null ? 'first' : 'follows';
      if (portBefore === undefined) {
        const runsOn = run.newUniverse === 'never' && packedBefore === packs(run);
        if (firstUniverse !== null) {
          at = { universe: firstUniverse, slot: 0 };
          why = 'firstUniverse';
        } else if (at.slot > 0 && !runsOn) {
          at = { universe: at.universe + 1, slot: 0 };
          why = 'newController';
        }
      } else if (at.slot > 0 && !run.pin) {
        let asked: string | null = null;
        if (run.newUniverse === 'strand' || run.newUniverse === 'fixture') asked = 'newStrand';
        if (packedBefore !== packs(run)) asked = 'newPacking';
        if (/port$/i.test(run.newUniverse) && portBefore !== run.port) asked = 'newPort';
        if (run.newUniverse === 'run') asked = 'newRun';
        if (asked) {
          at = { universe: at.universe + 1, slot: 0 };
          why = asked;
        }
      }
      let laid;
      if (run.pin) {
        why = 'pinned';
        laid = walk(run, { universe: run.pin.universe, slot: run.pin.channel - 1 });
      } else {
        laid = walk(run, at);
        for (;;) {
          const isOut = ({ universe }: Put) =>
            (pinnedIn.get(universe) ?? []).some((on) => keepsOut(run, controller, on));
          const hit = laid.puts.find((put) => isOut(put) || taken.has(`${put.universe}/${put.slot}`));
          if (!hit) break;
          why = 'aroundPin';
          const isFull = isOut(hit) || hit.slot + 1 >= sizeOf(run.packing);
          laid = walk(
            run,
            isFull ? { universe: hit.universe + 1, slot: 0 } : { universe: hit.universe, slot: hit.slot + 1 },
          );
        }
      }
      const { end } = spareSlots(run, laid.end);
      const isFurther = end.universe * 1000 + end.slot > at.universe * 1000 + at.slot;
      if (!run.pin || isFurther) at = end;
      starts.set(run.run, `${why} after ${after}`);
      after = run.run;
      portBefore = run.port;
      packedBefore = packs(run);
      if (laid.isCut) cut.push(run.run);
      places.set(
        run.run,
        laid.puts.map(({ universe, slot, runChannel }) => `${universe}/${slot}: ${runChannel}`),
      );
      const usable = Math.floor(sizeOf(run.packing) / pixelUnit(run)) * pixelUnit(run);
      for (const { universe, slot } of laid.puts) {
        const known = spaces.get(universe);
        const channels = Math.max(known?.channels ?? 0, slot + 1, usable);
        spaces.set(universe, { controller: known?.controller ?? controller, channels });
      }
    }
  }
  return {
    places,
    starts,
    flats,
    cut,
    spaces: [
      ...[...spaces]
        .sort(([a], [b]) => a - b)
        .map(([universe, { controller, channels }]) => ({ universe, controller, channels })),
      ...flatSpaces.map((space) => ({ universe: null, ...space })),
    ],
  };
}

/** Small universes and short runs, so that ends, borders and pins meet often; some as large as real ones. */
const packings = fc.oneof(
  {
    weight: 3,
    arbitrary: fc
      .integer({ min: 5, max: 40 })
      .map((channelsPerUniverse): Packing => ({ kind: 'custom', channelsPerUniverse })),
  },
  {
    weight: 1,
    arbitrary: fc.constantFrom<Packing>(
      { kind: 'wholePixels' },
      { kind: 'full512' },
      { kind: 'custom', channelsPerUniverse: 24 },
    ),
  },
);
const runsOf = fc.record({
  port: fc.nat(2),
  strandPixels: fc.array(
    fc.oneof(
      { weight: 5, arbitrary: fc.integer({ min: 1, max: 9 }) },
      { weight: 1, arbitrary: fc.integer({ min: 100, max: 200 }) },
    ),
    { minLength: 1, maxLength: 4 },
  ),
  channelsPerPixel: fc.constantFrom(1, 3, 3, 4),
  packing: packings,
  newUniverse: fc.constantFrom(...NEW_UNIVERSE),
  fixturePixels: fc.constantFrom(1, 1, 2, 4),
  skippedWithChannels: fc.constantFrom(0, 0, 1, 3),
  spareChannels: fc.oneof(fc.constant(0), fc.nat(60)),
  pin: fc.option(
    fc.record({ universe: fc.integer({ min: 1, max: 5 }), channel: fc.integer({ min: 1, max: 30 }) }),
    { nil: null, freq: 3 },
  ),
});
const shows = fc
  .record({
    // Most shows pack alike and begin universes alike; in others each run does as it likes.
    alike: fc.option(fc.record({ packing: packings, newUniverse: fc.constantFrom(...NEW_UNIVERSE) }), {
      nil: null,
      freq: 3,
    }),
    controllers: fc.array(
      fc.record({
        usesUniverses: fc.constantFrom(true, true, true, false),
        firstUniverse: fc.option(
          fc.oneof(
            { weight: 6, arbitrary: fc.integer({ min: 1, max: 4 }) },
            { weight: 1, arbitrary: fc.integer({ min: LAST_UNIVERSE - 2, max: LAST_UNIVERSE }) },
          ),
          { nil: null, freq: 2 },
        ),
        runs: fc.array(runsOf, { maxLength: 4 }),
      }),
      { maxLength: 3 },
    ),
  })
  .map(({ alike, controllers }) => {
    let index = 0;
    return controllers.map((each, controller): WiredController => ({
      controller,
      ...each,
      runs: each.runs.map((run) => ({
        ...run,
        ...alike,
        run: index++,
        pixels: run.strandPixels.reduce((sum, pixels) => sum + pixels, 0),
      })),
    }));
  });

it('lays every channel where a model that goes one by one puts it', () => {
  fc.assert(
    fc.property(shows, (controllers) => {
      const made = layOut(controllers);
      const model = layModel(controllers);
      const places = new Map([...model.places.keys()].map((run) => [run, [] as string[]]));
      for (const { run, universe, slot, channels, runChannel } of made.blocks) {
        // Skipped and lit pixels are never in one block.
        if (runChannel < 0) expect(runChannel + channels).toBeLessThanOrEqual(0);
        for (let i = 0; i < channels; i += 1)
          places.get(run)!.push(`${universe}/${slot + i}: ${runChannel + i}`);
      }
      const inWords = (list: Map<number, string[]>) =>
        [...list].map(([run, channels]) => `run ${run} ${channels.join(', ')}`).join('\n');
      expect(inWords(places)).toBe(inWords(model.places));
      const starts = [...made.startOfRun].map(([run, { reason, after }]) => [
        run,
        `${reason} after ${after}`,
      ]);
      expect(starts).toEqual([...model.starts]);
      expect(made.flatOffsetOfRun).toEqual(model.flats);
      expect(made.runsWithoutAddress).toEqual(model.cut);
      expect(made.spaces).toEqual(model.spaces);
    }),
    { numRuns: tries(2000) },
  );
});

it('counts every universe alike where the show does', () => {
  fc.assert(
    fc.property(shows, fc.constantFrom(510, 512), (controllers, counted) => {
      const lastIn = new Map<number, number>();
      for (const { universe, slot, channels } of layOut(controllers).blocks)
        if (universe !== null) lastIn.set(universe, Math.max(lastIn.get(universe) ?? 0, slot + channels));
      for (const { universe, channels } of layOut(controllers, counted).spaces)
        if (universe !== null) expect(channels).toBe(Math.max(counted, lastIn.get(universe)!));
    }),
    { numRuns: tries(500) },
  );
});
