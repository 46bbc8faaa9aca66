import { UNIVERSE_SLOTS } from '../catalogue/packing';
import type { SizesTold } from '../catalogue/controllers/telling';
import { portsOfController } from '../plan/planIndex';
import type { LaidShow, Span } from '../plan/planned';
import { controllerAt, runAt } from '../plan/records';
import { rowsOfPort, spansOfRow } from './portRows';
import { tellingOfController } from './tellingOn';
import { linkOf } from '../catalogue/link';

/** Channels that a device, which reads on from its starts, has to count in a universe to get to where the layout goes on. */
interface Turn {
  universe: number;
  channels: number;
  /** Index of the run that goes on in the next universe. */
  run: number;
  /** Channels of a pixel that lie before the turn, where it parts one. */
  parted: number;
}

/** A place that a device does not get to by reading on, whatever it counts in a universe. */
export interface Gap {
  /** Index of the run that begins, or goes on, elsewhere. */
  run: number;
  /** Index of the run before it on the wire; the same where it is parted itself. */
  after: number;
  from: { universe: number | null; channel: number };
  to: { universe: number | null; channel: number };
}

/** Everything that a layout asks of a device that reads on from its starts. */
interface Reading {
  turns: readonly Turn[];
  gaps: readonly Gap[];
}

const known = new WeakMap<LaidShow, (Reading | undefined)[]>();

/** @param controller its index in the show */
export function readingOf(plan: LaidShow, controller: number): Reading {
  let readings = known.get(plan);
  if (!readings) known.set(plan, (readings = []));
  return (readings[controller] ??= read(plan, controller));
}

function read(plan: LaidShow, controller: number): Reading {
  const turns: Turn[] = [];
  const gaps: Gap[] = [];
  // Raw frames are told no starts at all.
  if (linkOf(plan.show, controllerAt(plan, controller)) === 'raw') return { turns, gaps };
  const rows = portsOfController(plan, controller).flatMap((port) =>
    rowsOfPort(plan, port).map((row) => spansOfRow(plan, row)),
  );
  const countsOn = tellingOfController(plan, controller).starts.value === 'device';
  for (const spans of countsOn ? [rows.flat()] : rows) {
    let last: Span | undefined;
    for (const span of spans) {
      if (last) {
        const { run } = span;
        const { universe } = last;
        const channel = last.startChannel + last.channelCount;
        const isNext = span.universe === universe && span.startChannel === channel;
        if (universe !== null && span.universe === universe + 1 && span.startChannel === 1)
          turns.push({
            universe,
            channels: channel - 1,
            run,
            parted: Math.max(0, span.runChannel) % runAt(plan, run).channelsPerPixel,
          });
        else if (!isNext)
          gaps.push({
            run,
            after: last.run,
            from: { universe: last.universe, channel },
            to: { universe: span.universe, channel: span.startChannel },
          });
      }
      last = span;
    }
  }
  return { turns, gaps };
}

/** Two universes of which a device would have to count different numbers of channels, or one of which it counts another. */
export interface SizeConflict {
  /** Index of the run that needs the other number. */
  run: number;
  universe: number;
  channels: number;
  /** Its number elsewhere, and the universe that needs it; null where it is always that. */
  other: { channels: number; universe: number | null };
}

/**
 * The first number of channels that a device cannot be told, by how it is told them; null where all can be.
 *
 * @param sizes how it is told them
 * @param ends the last channel in use of each universe
 */
export function sizeConflictOf(
  plan: LaidShow,
  { turns }: Reading,
  sizes: SizesTold,
  ends: ReadonlyMap<number, number>,
): SizeConflict | null {
  const first = new Map<number, Turn>();
  for (const turn of turns) {
    const { universe, channels, run, parted } = turn;
    if (sizes === 'wholePixels' || sizes === 'fixed512') {
      const pixel = sizes === 'fixed512' ? 1 : runAt(plan, run).channelsPerPixel;
      const whole = sizes === 'fixed512' ? channels : channels - parted;
      // It goes on in the same universe while another pixel fits.
      const counted = whole + Math.floor((UNIVERSE_SLOTS - whole) / pixel) * pixel;
      if (counted !== channels)
        return { run, universe, channels, other: { channels: counted, universe: null } };
      continue;
    }
    const key = sizes === 'one' ? 0 : universe;
    const before = first.get(key);
    if (!before) first.set(key, turn);
    else if (before.channels !== channels)
      return { run, universe, channels, other: { channels: before.channels, universe: before.universe } };
  }
  for (const turn of first.values())
    for (const [universe, channels] of ends) {
      if (sizes === 'each' && universe !== turn.universe) continue;
      if (channels > turn.channels)
        return {
          run: turn.run,
          universe,
          channels,
          other: { channels: turn.channels, universe: turn.universe },
        };
    }
  return null;
}
