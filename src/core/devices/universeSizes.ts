import { usableChannels } from '../catalogue/packing';
import { policyOfRun } from '../plan/plan';
import { spansOfController, spansOfRun } from '../plan/planIndex';
import type { LaidShow, PlannedSpace, Span } from '../plan/planned';
import { listOf } from '../units/words';
import { runAt } from '../plan/records';
import { readingOf, sizeConflictOf } from './readingOn';
import { tellingOfController } from './tellingOn';
import { UNIVERSE_SLOTS } from '../catalogue/packing';

/** The number of channels that a device counts in each universe, by universe in ascending order. */
type UniverseSizes = ReadonlyMap<number, number>;

/** The number of channels that the packing of the runs in each universe holds. */
function sizesOf(plan: LaidShow, spans: readonly Span[]): UniverseSizes {
  const sizes = new Map<number, number>();
  let [lastRun, channels] = [-1, 0];
  for (const { run, universe, startChannel, channelCount } of spans) {
    if (universe === null) continue;
    if (run !== lastRun) {
      channels = usableChannels(policyOfRun(plan, run).packing, runAt(plan, run).channelsPerPixel);
      lastRun = run;
    }
    // Behind spare channels whole pixels may end later than those that begin at 1.
    const end = startChannel + channelCount - 1;
    sizes.set(universe, Math.max(sizes.get(universe) ?? 0, channels, end));
  }
  return new Map([...sizes].sort(([a], [b]) => a - b));
}

const ofControllers = new WeakMap<LaidShow, (UniverseSizes | undefined)[]>();

/** The universes that a controller listens to. */
export function universesOfController(plan: LaidShow, controller: number): UniverseSizes {
  let known = ofControllers.get(plan);
  if (!known) ofControllers.set(plan, (known = []));
  return (known[controller] ??= sizesToCount(plan, controller));
}

/**
 * The sizes that the layout of a controller needs: where a port goes on in the next universe it has to have counted just what lies
 * before, and what no port leaves has the size of its packing. What the device cannot be told so stands as the layout has it.
 */
function sizesToCount(plan: LaidShow, controller: number): UniverseSizes {
  const packed = sizesOf(plan, spansOfController(plan, controller));
  if (packed.size === 0) return packed;
  const how = tellingOfController(plan, controller).universeSizes.value;
  if (how === 'wholePixels') return packed;
  const reading = readingOf(plan, controller);
  const ends = endsOfUniverses(plan, controller);
  const alike = (channels: number) => new Map([...packed.keys()].map((universe) => [universe, channels]));
  const isTellable = sizeConflictOf(plan, reading, how, ends) === null;
  if (how === 'fixed512' && isTellable) return alike(UNIVERSE_SLOTS);
  if (how === 'one' && isTellable) return alike(reading.turns[0]?.channels ?? Math.max(...packed.values()));
  const turnsAt = new Map(reading.turns.map(({ universe, channels }) => [universe, channels]));
  return new Map(
    [...packed].map(([universe, channels]) => [
      universe,
      Math.max(turnsAt.get(universe) ?? channels, ends.get(universe) ?? 0),
    ]),
  );
}

/** The last channel of each universe that a controller uses. */
export function endsOfUniverses(plan: LaidShow, controller: number): ReadonlyMap<number, number> {
  const ends = new Map<number, number>();
  for (const { universe, startChannel, channelCount } of spansOfController(plan, controller))
    if (universe !== null)
      ends.set(universe, Math.max(ends.get(universe) ?? 0, startChannel + channelCount - 1));
  return ends;
}

/** The universes that a run lies in. */
export function universesOfRun(plan: LaidShow, run: number): UniverseSizes {
  return sizesOf(plan, spansOfRun(plan, run));
}

/**
 * Channels of a universe as they are typed: a number where all are alike, `510 in U1–U3 and 512 in U4` where not, null without universes.
 *
 * @param before what stands before the number of a universe
 * @param most more stretches than this are not told one by one: a setting is typed from a line, not from a page
 */
export function channelsToType(sizes: UniverseSizes, before = 'U', most = 4): number | string | null {
  const distinct = new Set(sizes.values());
  if (distinct.size < 2) return [...distinct][0] ?? null;
  const stretches: { channels: number; from: number; to: number }[] = [];
  for (const [universe, channels] of sizes) {
    const last = stretches.at(-1);
    if (last?.channels === channels && last.to === universe - 1) last.to = universe;
    else stretches.push({ channels, from: universe, to: universe });
  }
  const words = stretches.map(
    ({ channels, from, to }) =>
      `${channels} in ${before}${from}${to === from ? '' : `–${before.endsWith(' ') ? '' : before}${to}`}`,
  );
  return words.length > most ? `${listOf([...distinct].map(String))}, by universe` : listOf(words);
}

/** The spaces of a plan by what they are. */
interface ShowSpaces {
  universes: ReadonlyMap<number, PlannedSpace>;
  /** By index of the controller. */
  flat: ReadonlyMap<number, PlannedSpace>;
}

const spacesKnown = new WeakMap<LaidShow, ShowSpaces>();

export function showSpaces(plan: LaidShow): ShowSpaces {
  let found = spacesKnown.get(plan);
  if (!found) {
    const [universes, flat] = [new Map<number, PlannedSpace>(), new Map<number, PlannedSpace>()];
    for (const space of plan.spaces)
      if (space.universe === null) flat.set(space.controller, space);
      else universes.set(space.universe, space);
    spacesKnown.set(plan, (found = { universes, flat }));
  }
  return found;
}
