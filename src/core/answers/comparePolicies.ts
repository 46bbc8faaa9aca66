import { linkLoad } from '../devices/linkLoad';
import type { PlanCache } from '../plan/cache';
import { layShow } from '../plan/plan';
import type { LaidShow } from '../plan/planned';
import { kindOf, isPanelled } from '../props/registry';
import type { Show } from '../show/schema';
import {
  NEW_UNIVERSE,
  NEW_UNIVERSE_WORDS,
  packingWords,
  type Addressing,
  type Packing,
} from '../catalogue/packing';
import { propAt, plannedAt, runAt } from '../plan/records';

export interface PolicyRow {
  addressing: Pick<Addressing, 'packing' | 'newUniverse'>;
  words: string;
  isCurrent: boolean;
  universes: number;
  lastShowChannel: number;
  /** Props with a pixel across two universes. */
  straddlingProps: number;
  /** Strands that are in more than one universe. */
  splitStrands: number;
  /** The first few of them: `Beacon strand 4`. */
  splitNames: string[];
  packetsPerSecond: number;
  mbits: number;
}

/** Needs of the whole show under each packing and each place for a new universe. */
export function comparePolicies(show: Show, rateHz: number, cache?: PlanCache): PolicyRow[] {
  const packings: Packing[] = [{ kind: 'wholePixels' }, { kind: 'full512' }];
  if (show.addressing.packing.kind === 'custom') packings.push(show.addressing.packing);
  return packings.flatMap((packing) =>
    NEW_UNIVERSE.map((newUniverse) => {
      const addressing = { ...show.addressing, packing, newUniverse };
      const plan = layShow({ ...show, addressing }, cache);
      return {
        addressing: { packing, newUniverse },
        words: `${packingWords(packing)}, a new universe ${NEW_UNIVERSE_WORDS[newUniverse]}`,
        isCurrent:
          JSON.stringify(packing) === JSON.stringify(show.addressing.packing) &&
          newUniverse === show.addressing.newUniverse,
        ...measurePolicy(plan, rateHz),
      };
    }),
  );
}

/** Needs of a show as it is laid; each device gets its own part. */
export function measurePolicy(plan: LaidShow, rateHz: number) {
  const straddling = new Set<number>();
  for (const span of plan.spans) {
    const run = runAt(plan, span.run);
    // A stretch that does not start with a pixel's first channel has its pixel's beginning in the universe before.
    if (span.runChannel > 0 && span.runChannel % run.channelsPerPixel !== 0) straddling.add(run.prop);
  }
  const loads = plan.show.controllers.map((_, index) => linkLoad(plan, index, rateHz));
  return {
    universes: plan.spaces.filter((space) => space.universe !== null).length,
    lastShowChannel: plan.lastShowChannel,
    straddlingProps: straddling.size,
    ...splitStrands(plan),
    packetsPerSecond: loads.reduce((total, { packets }) => total + (packets?.value ?? 0), 0) * rateHz,
    mbits: loads.reduce((total, { mbits }) => total + mbits.value, 0),
  };
}

const MOST_NAMED = 3;

/** Strands of which a universe ends inside. */
function splitStrands(plan: LaidShow): Pick<PolicyRow, 'splitStrands' | 'splitNames'> {
  const split = new Set<string>();
  const names: string[] = [];
  for (const span of plan.spans) {
    // A universe that begins with the run, or with skipped pixels before it, parts nothing.
    if (span.universe === null || span.runChannel <= 0) continue;
    const run = runAt(plan, span.run);
    const prop = propAt(plan, run.prop);
    // The rows of a wall are no strands that somebody looks for by hand.
    if (isPanelled(prop)) continue;
    const pixel =
      run.firstPixel -
      plannedAt(plan, run.prop).firstPixel +
      Math.floor(span.runChannel / run.channelsPerPixel);
    const strand = plannedAt(plan, run.prop).strands.findLast((each) => each.firstPixel <= pixel)!;
    const begins = strand.firstPixel === pixel && span.runChannel % run.channelsPerPixel === 0;
    const key = `${run.prop} ${strand.number}`;
    if (begins || split.has(key)) continue;
    split.add(key);
    if (names.length < MOST_NAMED)
      names.push(`${prop.name} ${kindOf(prop).strandWord(prop.threading)} ${strand.number}`);
  }
  return { splitStrands: split.size, splitNames: names };
}
