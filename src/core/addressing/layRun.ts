import { LAST_UNIVERSE } from '../catalogue/controller';
import { keepsStrandsWhole, slotsPerUniverse, unitChannels, usableChannels } from '../catalogue/packing';
import type { Block } from './block';
import type { WiredRun } from './wiredRun';

/** The place of the next channel. A universe has been begun where its slot is above 0. */
export interface Cursor {
  universe: number;
  slot: number;
}

export interface LaidRun {
  blocks: Block[];
  end: Cursor;
  ranOut: boolean;
}

/** The blocks of one run from a place on, and where it ends. */
export function layRun(controller: number, run: WiredRun, from: Cursor): LaidRun {
  const size = slotsPerUniverse(run.packing);
  const unit = unitOf(run);
  const lead = run.skippedWithChannels * run.channelsPerPixel;
  const end = run.pixels * run.channelsPerPixel;
  const borders = bordersOf(run, lead);
  const isWhole = keepsStrandsWhole(run.newUniverse);
  const blocks: Block[] = [];
  let { universe, slot } = from;
  let border = 0;
  const leave = () => {
    universe += 1;
    slot = 0;
  };
  for (let runChannel = 0 - lead; runChannel < end;) {
    if (borders[border] === runChannel) {
      const next = (borders[border + 1] ?? end) - runChannel;
      // Whole strands stay where they fit; all others begin a universe.
      const stays = isWhole && next <= Math.floor((size - slot) / unit) * unit;
      if (slot > 0 && !stays) leave();
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
    if (universe > LAST_UNIVERSE) return { blocks, end: { universe, slot }, ranOut: true };
    blocks.push({ controller, run: run.run, universe, slot, channels, runChannel });
    slot += channels;
    runChannel += channels;
  }
  return { blocks, end: { universe, slot }, ranOut: false };
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

/** Slots that are kept free behind a run, by universe. */
export function spareBlocks(end: Cursor, run: WiredRun): Pick<Block, 'universe' | 'slot' | 'channels'>[] {
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

/** The place behind the spare channels of a run; a spare stretch that reaches the end of a universe goes on in the next. */
export function skipChannels(cursor: Cursor, run: WiredRun): Cursor {
  const usable = usableIn(run);
  let [universe, slot, left] = [cursor.universe, cursor.slot, run.spareChannels];
  while (left > 0) {
    const step = Math.min(left, Math.max(0, usable - slot));
    left -= step;
    slot += step;
    if (left > 0 || slot >= usable) [universe, slot] = [universe + 1, 0];
  }
  return { universe, slot };
}

/** Channels that are never parted: a fixture, a whole pixel, or a single channel. */
function unitOf(run: WiredRun): number {
  const fixture = run.fixturePixels * run.channelsPerPixel;
  return run.fixturePixels > 1 && fixture <= slotsPerUniverse(run.packing)
    ? fixture
    : unitChannels(run.packing, run.channelsPerPixel);
}

/** Channels of a universe filled with pixels like those of a run: 510 for RGB by whole pixels. */
export function usableIn({ packing, channelsPerPixel }: WiredRun): number {
  return usableChannels(packing, channelsPerPixel);
}
