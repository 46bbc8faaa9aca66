import { LAST_UNIVERSE } from '../catalogue/controller';
import { slotsPerUniverse, unitChannels, type NewUniverse, type Packing } from './packing';

/** A run behind a port, as far as addresses are concerned. */
export interface WiredRun {
  /** Index of the run in the plan. */
  run: number;
  port: number;
  pixels: number;
  channelsPerPixel: number;
  /** Skipped pixels before it that take channels. */
  skippedWithChannels: number;
}

export interface WiredController {
  /** Index of the controller in the show. */
  controller: number;
  usesUniverses: boolean;
  firstUniverse: number | null;
  packing: Packing;
  /** In port order, then in the order behind the port. */
  runs: readonly WiredRun[];
}

/** Consecutive channels of one run inside one universe, or a whole run in the flat space of a DDP controller. */
export interface Block {
  controller: number;
  run: number;
  /** Null in a flat space. */
  universe: number | null;
  /** Slot in the universe, or byte in the flat space, counted from 0. */
  slot: number;
  channels: number;
  /** Channel of the run at which the block starts; below zero in the skipped pixels before the run. */
  runChannel: number;
}

/** Channels that the show sends as one piece: a universe, or the flat space of a DDP controller. */
export interface ChannelSpace {
  universe: number | null;
  /** The controller that first uses it. */
  controller: number;
  /** Channels that it takes in the count over the whole show. */
  channels: number;
}

export interface Layout {
  blocks: Block[];
  /** In the order of the show channels. */
  spaces: ChannelSpace[];
  /** Bytes in the flat count of each controller, by run index: the offset of the run's first pixel. */
  flatOffsetOfRun: Map<number, number>;
  /** Runs that did not fit below the last universe. */
  runsWithoutAddress: number[];
}

/**
 * Gives every run its universes and slots.
 *
 * Runs are laid one after another in the order of controllers, ports and chain. A universe is left when it is full, or
 * when the policy asks for a new one. With whole pixels a pixel that does not fit any more starts the next universe,
 * which for RGB is after 510 channels and for RGBW after 512.
 */
export function layOut(controllers: readonly WiredController[], newUniverse: NewUniverse): Layout {
  const blocks: Block[] = [];
  const flatOffsetOfRun = new Map<number, number>();
  const runsWithoutAddress: number[] = [];
  const spaces = new Map<string, ChannelSpace>();
  // Where the next channel goes. `touched` means that the universe holds channels already.
  let universe = 1;
  let slot = 0;
  let touched = false;
  let packingBefore: Packing | undefined;

  const leaveUniverse = () => {
    universe += 1;
    slot = 0;
    touched = false;
  };

  for (const { controller, usesUniverses, firstUniverse, packing, runs } of controllers) {
    let flat = 0;
    if (!usesUniverses) {
      for (const run of runs) {
        const lead = run.skippedWithChannels * run.channelsPerPixel;
        const channels = run.pixels * run.channelsPerPixel;
        const block = { controller, run: run.run, universe: null };
        if (lead > 0) blocks.push({ ...block, slot: flat, channels: lead, runChannel: -lead });
        blocks.push({ ...block, slot: flat + lead, channels, runChannel: 0 });
        flatOffsetOfRun.set(run.run, flat + lead);
        flat += lead + channels;
      }
      if (flat > 0) spaces.set(`controller ${controller}`, { universe: null, controller, channels: flat });
      continue;
    }

    if (runs.length === 0) continue;
    if (firstUniverse !== null) {
      universe = firstUniverse;
      slot = 0;
      touched = false;
    } else if (touched) {
      const runsOn =
        newUniverse === 'never' && packingBefore !== undefined && samePacking(packingBefore, packing);
      if (!runsOn) leaveUniverse();
    }
    packingBefore = packing;
    const size = slotsPerUniverse(packing);

    let portBefore: number | undefined;
    for (const run of runs) {
      const boundary =
        (newUniverse === 'run' && portBefore !== undefined) ||
        (newUniverse === 'port' && portBefore !== undefined && portBefore !== run.port);
      if (boundary && touched) leaveUniverse();
      portBefore = run.port;

      const unit = unitChannels(packing, run.channelsPerPixel);
      const lead = run.skippedWithChannels * run.channelsPerPixel;
      const end = run.pixels * run.channelsPerPixel;
      flatOffsetOfRun.set(run.run, flat + lead);
      flat += lead + end;
      for (let runChannel = 0 - lead; runChannel < end;) {
        const room = Math.floor((size - slot) / unit) * unit;
        // A block never mixes skipped and lit pixels, so that both can be named for what they are.
        const channels = Math.min(room, runChannel < 0 ? -runChannel : end - runChannel);
        if (channels <= 0) {
          leaveUniverse();
          continue;
        }
        if (universe > LAST_UNIVERSE) {
          runsWithoutAddress.push(run.run);
          break;
        }
        blocks.push({ controller, run: run.run, universe, slot, channels, runChannel });
        slot += channels;
        runChannel += channels;
        touched = true;
        claim(spaces, universe, controller, slot + Math.floor((size - slot) / unit) * unit);
      }
    }
  }
  return { blocks, spaces: [...spaces.values()], flatOffsetOfRun, runsWithoutAddress };
}

/**
 * A universe counts for as many channels of the show as it would hold if it were filled up with pixels like those in
 * it: 510 for RGB by whole pixels. Where pixels of several sizes or several controllers share it, the largest count
 * stands.
 */
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
