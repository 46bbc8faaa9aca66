import { LAST_UNIVERSE } from '../catalogue/controller';
import {
  keepsStrandsWhole,
  slotsPerUniverse,
  unitChannels,
  usableChannels,
  type NewUniverse,
  type Packing,
} from '../catalogue/packing';
import type { Block, ChannelSpace } from './block';
import { PinnedChannels, type PinnedPlace } from './pinnedChannels';
import { itemAt } from '../units/there';

/** A run behind a port, as far as addresses are concerned. */
export interface WiredRun {
  /** Index of the run in the plan. */
  run: number;
  port: number;
  pixels: number;
  channelsPerPixel: number;
  packing: Packing;
  newUniverse: NewUniverse;
  /** Pixels that share one start address and stay in one universe; 1 where each may go where it fits. */
  fixturePixels: number;
  /** Pixels of each strand, for universes that begin with strands. */
  strandPixels: readonly number[];
  /** Skipped pixels before it that take channels. */
  skippedWithChannels: number;
  /** Channels kept free after it. */
  spareChannels: number;
  /** The address that it keeps, whatever happens around it. */
  pin: { universe: number; channel: number } | null;
}

export interface WiredController {
  /** Index of the controller in the show. */
  controller: number;
  usesUniverses: boolean;
  firstUniverse: number | null;
  /** In the order of the channels. */
  runs: readonly WiredRun[];
}

export interface Layout {
  blocks: Block[];
  /** In the order of the show channels. */
  spaces: ChannelSpace[];
  /** Bytes in the flat count of each controller, by run index: the offset of the run's first pixel. */
  flatOffsetOfRun: Map<number, number>;
  /** Runs that did not fit below the last universe. */
  runsWithoutAddress: number[];
  /** By run index: why it starts where it does. */
  startOfRun: Map<number, RunStart>;
}

/** Why a run starts where it does. */
export const START_REASONS = [
  'first',
  'follows',
  'pinned',
  'aroundPin',
  'firstUniverse',
  'newController',
  'newPort',
  'newRun',
  'newPacking',
  'newStrand',
  'flat',
] as const;
export type StartReason = (typeof START_REASONS)[number];

interface RunStart {
  reason: StartReason;
  /** Index of the run that was laid before it; null where it is the first. */
  after: number | null;
}

/** The address of the next channel. `touched` means that the universe holds channels already. */
interface Cursor {
  universe: number;
  slot: number;
  touched: boolean;
}

/**
 * Gives every run its universes and slots.
 *
 * Runs are laid one after another in the order that they are given in. A universe is left when it is full, or when the policy
 * asks for a new one. With whole pixels a pixel that does not fit any more starts the next universe, which for RGB is after 510
 * channels and for RGBW after 512. Pinned runs stay where they are; the others go around them and are never torn apart by one.
 *
 * @param counted show channels of a universe, where all count alike; what their packing holds where that is left out
 */
export function layOut(controllers: readonly WiredController[], counted?: number): Layout {
  const blocks: Block[] = [];
  const flatOffsetOfRun = new Map<number, number>();
  const runsWithoutAddress: number[] = [];
  const startOfRun = new Map<number, RunStart>();
  const spaces = new Map<string, ChannelSpace>();
  const pinned = new PinnedChannels();
  for (const { controller, usesUniverses, runs } of controllers)
    if (usesUniverses)
      for (const run of runs)
        if (run.pin) {
          const { blocks: own, end } = layRun(
            controller,
            run,
            startAt(run.pin.universe, run.pin.channel - 1),
          );
          pinned.add({ controller, port: run.port }, own);
          // Channels kept free behind it stay free, whatever is laid around it.
          pinned.add({ controller, port: run.port }, spareBlocks(end, run));
        }

  let cursor: Cursor = startAt(1, 0);
  let before: WiredRun | undefined;
  let after: number | null = null;
  for (const { controller, usesUniverses, firstUniverse, runs } of controllers) {
    if (!usesUniverses) {
      runs.forEach(({ run }, i) =>
        startOfRun.set(run, { reason: 'flat', after: i === 0 ? null : itemAt(runs, i - 1).run }),
      );
      const flat = layFlat(controller, runs, flatOffsetOfRun);
      for (const block of flat.blocks) blocks.push(block);
      if (flat.channels > 0)
        spaces.set(`controller ${controller}`, { universe: null, controller, channels: flat.channels });
      continue;
    }
    if (runs.length === 0) continue;
    let begins: StartReason = after === null ? 'first' : 'follows';
    if (firstUniverse !== null) {
      cursor = startAt(firstUniverse, 0);
      before = undefined;
      begins = 'firstUniverse';
    } else if (
      cursor.touched &&
      before &&
      !(itemAt(runs, 0).newUniverse === 'never' && samePacking(before.packing, itemAt(runs, 0).packing))
    ) {
      cursor = startAt(cursor.universe + 1, 0);
      before = undefined;
      begins = 'newController';
    }
    let flat = 0;
    let portBefore: number | undefined;
    for (const run of runs) {
      const lead = run.skippedWithChannels * run.channelsPerPixel;
      flatOffsetOfRun.set(run.run, flat + lead);
      flat += lead + run.pixels * run.channelsPerPixel;
      let laid: LaidRun;
      let reason: StartReason = begins;
      begins = 'follows';
      if (run.pin) {
        reason = 'pinned';
        laid = layRun(controller, run, startAt(run.pin.universe, run.pin.channel - 1));
        const end = skipChannels(laid.end, run.spareChannels, run);
        // The next run follows behind it, unless it lies further back than where the rest has got to.
        if (end.universe > cursor.universe || (end.universe === cursor.universe && end.slot > cursor.slot))
          cursor = end;
      } else {
        const boundary =
          portBefore !== undefined &&
          (run.newUniverse === 'run' ||
            ((run.newUniverse === 'port' || run.newUniverse === 'wholeStrandsPerPort') &&
              portBefore !== run.port));
        const repacked = before !== undefined && !samePacking(before.packing, run.packing);
        const ownUniverse = run.newUniverse === 'strand' || run.newUniverse === 'fixture';
        if (cursor.touched && (boundary || repacked || (ownUniverse && portBefore !== undefined))) {
          cursor = startAt(cursor.universe + 1, 0);
          if (boundary) reason = run.newUniverse === 'run' ? 'newRun' : 'newPort';
          else reason = repacked ? 'newPacking' : 'newStrand';
        }
        laid = layRun(controller, run, cursor);
        const keepsApart = keptApart(controller, run);
        for (
          let clash = pinned.after(laid.blocks, keepsApart);
          clash;
          clash = pinned.after(laid.blocks, keepsApart)
        ) {
          reason = 'aroundPin';
          const isFull = clash.slot === null || clash.slot >= slotsPerUniverse(run.packing);
          laid = layRun(
            controller,
            run,
            isFull
              ? startAt(clash.universe + 1, 0)
              : { universe: clash.universe, slot: clash.slot!, touched: true },
          );
        }
        cursor = skipChannels(laid.end, run.spareChannels, run);
      }
      startOfRun.set(run.run, { reason, after });
      after = run.run;
      portBefore = run.port;
      before = run;
      if (laid.ranOut) runsWithoutAddress.push(run.run);
      for (const block of laid.blocks) {
        blocks.push(block);
        const end = block.slot + block.channels;
        claim(spaces, block.universe!, controller, Math.max(end, counted ?? usableIn(run)));
      }
    }
  }
  return { blocks, spaces: inOrder([...spaces.values()]), startOfRun, flatOffsetOfRun, runsWithoutAddress };
}

/**
 * The show counts its universes in ascending order, then the devices without any: a universe that is new behind the others moves
 * none of them, whichever controller first uses it.
 */
function inOrder(spaces: readonly ChannelSpace[]): ChannelSpace[] {
  return [...spaces].sort(
    (a, b) => (a.universe ?? Infinity) - (b.universe ?? Infinity) || a.controller - b.controller,
  );
}

function startAt(universe: number, slot: number): Cursor {
  return { universe, slot, touched: slot > 0 };
}

function layFlat(controller: number, runs: readonly WiredRun[], flatOffsetOfRun: Map<number, number>) {
  const blocks: Block[] = [];
  let flat = 0;
  for (const run of runs) {
    const lead = run.skippedWithChannels * run.channelsPerPixel;
    const channels = run.pixels * run.channelsPerPixel;
    const block = { controller, run: run.run, universe: null };
    if (lead > 0) blocks.push({ ...block, slot: flat, channels: lead, runChannel: -lead });
    blocks.push({ ...block, slot: flat + lead, channels, runChannel: 0 });
    flatOffsetOfRun.set(run.run, flat + lead);
    flat += lead + channels;
  }
  return { blocks, channels: flat };
}

interface LaidRun {
  blocks: Block[];
  end: Cursor;
  ranOut: boolean;
}

/** The blocks of one run from a place on, and where it ends. */
function layRun(controller: number, run: WiredRun, from: Cursor): LaidRun {
  const size = slotsPerUniverse(run.packing);
  const unit = unitOf(run);
  const lead = run.skippedWithChannels * run.channelsPerPixel;
  const end = run.pixels * run.channelsPerPixel;
  const borders = bordersOf(run, lead);
  const isWhole = keepsStrandsWhole(run.newUniverse);
  const blocks: Block[] = [];
  let { universe, slot, touched } = from;
  let border = 0;
  const leave = () => {
    universe += 1;
    slot = 0;
    touched = false;
  };
  for (let runChannel = 0 - lead; runChannel < end;) {
    while (border < borders.length && borders[border]! < runChannel) border += 1;
    if (borders[border] === runChannel) {
      const next = (borders[border + 1] ?? end) - runChannel;
      // Whole strands stay where they fit; all others begin a universe.
      const stays = isWhole && next <= Math.floor((size - slot) / unit) * unit;
      if (touched && !stays) leave();
      border += 1;
    }
    const stop = runChannel < 0 ? 0 : Math.min(end, borders[border] ?? end);
    const room = Math.floor((size - slot) / unit) * unit;
    // A block never mixes skipped and lit pixels, so that both can be named for what they are.
    const channels = Math.min(room, stop - runChannel);
    if (channels <= 0) {
      leave();
      continue;
    }
    if (universe > LAST_UNIVERSE) return { blocks, end: { universe, slot, touched }, ranOut: true };
    blocks.push({ controller, run: run.run, universe, slot, channels, runChannel });
    slot += channels;
    runChannel += channels;
    touched = true;
  }
  return { blocks, end: { universe, slot, touched }, ranOut: false };
}

/**
 * Channels of the run at which a new universe begins, or may begin, by policy. Where each strand or fixture begins one, the first is
 * asked of what lies before the run; where strands are kept whole, the first is like the others, with the skipped pixels before it.
 */
function bordersOf(run: WiredRun, lead: number): number[] {
  if (run.newUniverse === 'fixture' && run.fixturePixels > 1) {
    const step = run.fixturePixels * run.channelsPerPixel;
    return Array.from({ length: Math.ceil(run.pixels / run.fixturePixels) - 1 }, (_, i) => (i + 1) * step);
  }
  const isWhole = keepsStrandsWhole(run.newUniverse);
  if (run.newUniverse !== 'strand' && !isWhole) return [];
  // A pinned run begins where it is pinned.
  const borders: number[] = isWhole && !run.pin ? [0 - lead] : [];
  let channel = 0;
  for (const pixels of run.strandPixels.slice(0, -1)) {
    channel += pixels * run.channelsPerPixel;
    borders.push(channel);
  }
  return borders;
}

/** Whether a run may not share a universe with what is pinned on some port: as its policy parts universes. */
function keptApart(controller: number, { newUniverse, port }: WiredRun): (pinnedOn: PinnedPlace) => boolean {
  switch (newUniverse) {
    case 'never':
      return () => false;
    case 'wholeStrands':
    case 'controller':
      return (on) => on.controller !== controller;
    case 'wholeStrandsPerPort':
    case 'port':
      return (on) => on.controller !== controller || on.port !== port;
    case 'run':
    case 'strand':
    case 'fixture':
      return () => true;
  }
}

/** Slots that are kept free behind a run, by universe. */
function spareBlocks(end: Cursor, run: WiredRun): Pick<Block, 'universe' | 'slot' | 'channels'>[] {
  const usable = usableIn(run);
  const blocks: Pick<Block, 'universe' | 'slot' | 'channels'>[] = [];
  let [universe, slot, left] = [end.universe, end.slot, run.spareChannels];
  for (; left > 0; universe += 1, slot = 0) {
    const channels = Math.min(left, Math.max(0, usable - slot));
    if (channels > 0) blocks.push({ universe, slot, channels });
    left -= channels;
  }
  return blocks;
}

/** The place so many channels on; a spare stretch that reaches the end of a universe goes on in the next. */
function skipChannels(cursor: Cursor, channels: number, run: WiredRun): Cursor {
  if (channels === 0) return cursor;
  const usable = usableIn(run);
  let [universe, slot, left] = [cursor.universe, cursor.slot, channels];
  while (left > 0) {
    const step = Math.min(left, Math.max(0, usable - slot));
    left -= step;
    slot += step;
    if (left > 0 || slot >= usable) [universe, slot] = [universe + 1, 0];
  }
  return { universe, slot, touched: slot > 0 };
}

/** Channels that are never parted: a fixture, a whole pixel, or a single channel. */
function unitOf(run: WiredRun): number {
  const fixture = run.fixturePixels * run.channelsPerPixel;
  return run.fixturePixels > 1 && fixture <= slotsPerUniverse(run.packing)
    ? fixture
    : unitChannels(run.packing, run.channelsPerPixel);
}

/** Channels of a universe filled with pixels like those of a run: 510 for RGB by whole pixels. */
function usableIn({ packing, channelsPerPixel }: WiredRun): number {
  return usableChannels(packing, channelsPerPixel);
}

/** A universe in the count of the show. Where pixels of several sizes or several controllers share it, the largest count stands. */
function claim(
  spaces: Map<string, ChannelSpace>,
  universe: number,
  controller: number,
  channels: number,
): void {
  const key = `universe ${universe}`;
  const known = spaces.get(key);
  if (!known) spaces.set(key, { universe, controller, channels });
  else known.channels = Math.max(known.channels, channels);
}

function samePacking(a: Packing, b: Packing): boolean {
  return (
    slotsPerUniverse(a) === slotsPerUniverse(b) && (a.kind === 'wholePixels') === (b.kind === 'wholePixels')
  );
}
