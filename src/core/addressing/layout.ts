import { slotsPerUniverse, type Packing } from '../catalogue/packing';
import { itemAt } from '../units/there';
import type { Block, ChannelSpace } from './block';
import { layRun, skipChannels, spareBlocks, usableIn, type Cursor, type LaidRun } from './layRun';
import { PinnedChannels, type PinnedPlace } from './pinnedChannels';
import type { WiredController, WiredRun } from './wiredRun';

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

/** The state that the runs laid so far leave to the next one. */
interface Laid {
  cursor: Cursor;
  /** Laid last in the universe of the cursor; null where the next run begins anew. */
  before: WiredRun | null;
  /** Index of the run that was laid last; null at the first. */
  after: number | null;
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
  const layout: Layout = {
    blocks: [],
    spaces: [],
    flatOffsetOfRun: new Map(),
    runsWithoutAddress: [],
    startOfRun: new Map(),
  };
  const spaces = new Map<string, ChannelSpace>();
  const pinned = pinnedChannelsOf(controllers);
  const laid: Laid = { cursor: startOf(1), before: null, after: null };
  for (const wired of controllers) {
    if (!wired.usesUniverses) layFlat(wired, layout, spaces);
    else if (wired.runs.length > 0) layInUniverses(wired, pinned, laid, layout, spaces, counted);
  }
  return { ...layout, spaces: inOrder([...spaces.values()]) };
}

/** Channels taken by pins, with the channels that are kept free behind them: those stay free, whatever is laid around. */
function pinnedChannelsOf(controllers: readonly WiredController[]): PinnedChannels {
  const pinned = new PinnedChannels();
  for (const { controller, usesUniverses, runs } of controllers)
    for (const run of usesUniverses ? runs : [])
      if (run.pin) {
        const { blocks, end } = layRun(controller, run, pinnedAt(run.pin));
        pinned.add({ controller, port: run.port }, blocks);
        pinned.add({ controller, port: run.port }, spareBlocks(end, run));
      }
  return pinned;
}

/** Lays the runs of a controller into universes, behind what is laid before it. */
function layInUniverses(
  { controller, firstUniverse, runs }: WiredController,
  pinned: PinnedChannels,
  laid: Laid,
  layout: Layout,
  spaces: Map<string, ChannelSpace>,
  counted: number | undefined,
): void {
  let begins = beginController(laid, firstUniverse, itemAt(runs, 0));
  let flat = 0;
  let portBefore: number | null = null;
  for (const run of runs) {
    const lead = run.skippedWithChannels * run.channelsPerPixel;
    layout.flatOffsetOfRun.set(run.run, flat + lead);
    flat += lead + run.pixels * run.channelsPerPixel;
    const reason = beginRun(laid, run, portBefore) ?? begins;
    begins = 'follows';
    const own = run.pin
      ? { ...layRun(controller, run, pinnedAt(run.pin)), reason: 'pinned' as const }
      : layAround(controller, run, laid.cursor, pinned, reason);
    const end = skipChannels(own.end, run);
    // The next run goes on behind a pin, unless the pin lies further back than where the rest has got to.
    if (!run.pin || isBehind(end, laid.cursor)) laid.cursor = end;
    layout.startOfRun.set(run.run, { reason: own.reason, after: laid.after });
    laid.after = run.run;
    laid.before = run;
    portBefore = run.port;
    if (own.ranOut) layout.runsWithoutAddress.push(run.run);
    for (const block of own.blocks) {
      layout.blocks.push(block);
      claim(spaces, block, Math.max(block.slot + block.channels, counted ?? usableIn(run)));
    }
  }
}

/** Moves to where a controller begins, and says why its first run starts there. */
function beginController(laid: Laid, firstUniverse: number | null, first: WiredRun): StartReason {
  if (firstUniverse !== null) {
    laid.cursor = startOf(firstUniverse);
    laid.before = null;
    return 'firstUniverse';
  }
  const runsOn =
    laid.before && first.newUniverse === 'never' && samePacking(laid.before.packing, first.packing);
  if (laid.cursor.slot > 0 && !runsOn) {
    laid.cursor = startOf(laid.cursor.universe + 1);
    laid.before = null;
    return 'newController';
  }
  return laid.after === null ? 'first' : 'follows';
}

/** Moves to a new universe where the policy of a run asks for one, and says why; null where the run goes on. */
function beginRun(laid: Laid, run: WiredRun, portBefore: number | null): StartReason | null {
  if (run.pin || laid.cursor.slot === 0) return null;
  const reason = newUniverseFor(laid.before, run, portBefore);
  if (reason) laid.cursor = startOf(laid.cursor.universe + 1);
  return reason;
}

/** Why a run behind another begins a universe; null where it does not. */
function newUniverseFor(
  before: WiredRun | null,
  run: WiredRun,
  portBefore: number | null,
): StartReason | null {
  const isBehindAnother = portBefore !== null;
  const isByPort = run.newUniverse === 'port' || run.newUniverse === 'wholeStrandsPerPort';
  if (isBehindAnother && run.newUniverse === 'run') return 'newRun';
  if (isBehindAnother && isByPort && portBefore !== run.port) return 'newPort';
  if (before && !samePacking(before.packing, run.packing)) return 'newPacking';
  const isByPart = run.newUniverse === 'strand' || run.newUniverse === 'fixture';
  return isBehindAnother && isByPart ? 'newStrand' : null;
}

/** Lays a run from a place on, in one piece behind whatever pins are in its way. */
function layAround(
  controller: number,
  run: WiredRun,
  from: Cursor,
  pinned: PinnedChannels,
  reason: StartReason,
): LaidRun & { reason: StartReason } {
  const keepsApart = keptApart(controller, run);
  let laid = layRun(controller, run, from);
  let clash = pinned.after(laid.blocks, keepsApart);
  if (!clash) return { ...laid, reason };
  for (; clash; clash = pinned.after(laid.blocks, keepsApart))
    laid = layRun(
      controller,
      run,
      clash.slot === null || clash.slot >= slotsPerUniverse(run.packing)
        ? startOf(clash.universe + 1)
        : { universe: clash.universe, slot: clash.slot },
    );
  return { ...laid, reason: 'aroundPin' };
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

function isBehind(a: Cursor, b: Cursor): boolean {
  return a.universe > b.universe || (a.universe === b.universe && a.slot > b.slot);
}

/** Lays the runs of a controller that counts bytes, one behind another. */
function layFlat(
  { controller, runs }: WiredController,
  { blocks, flatOffsetOfRun, startOfRun }: Layout,
  spaces: Map<string, ChannelSpace>,
): void {
  let flat = 0;
  let after: number | null = null;
  for (const run of runs) {
    const lead = run.skippedWithChannels * run.channelsPerPixel;
    const channels = run.pixels * run.channelsPerPixel;
    const block = { controller, run: run.run, universe: null };
    if (lead > 0) blocks.push({ ...block, slot: flat, channels: lead, runChannel: -lead });
    blocks.push({ ...block, slot: flat + lead, channels, runChannel: 0 });
    flatOffsetOfRun.set(run.run, flat + lead);
    startOfRun.set(run.run, { reason: 'flat', after });
    after = run.run;
    flat += lead + channels;
  }
  if (runs.length > 0) spaces.set(`controller ${controller}`, { universe: null, controller, channels: flat });
}

function startOf(universe: number): Cursor {
  return { universe, slot: 0 };
}

function pinnedAt({ universe, channel }: NonNullable<WiredRun['pin']>): Cursor {
  return { universe, slot: channel - 1 };
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

/** A universe in the count of the show. Where pixels of several sizes or several controllers share it, the largest count stands. */
function claim(spaces: Map<string, ChannelSpace>, { universe, controller }: Block, channels: number): void {
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
