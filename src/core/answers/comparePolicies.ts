import { universeMbits, ddpMbits } from '../catalogue/network';
import type { PlanCache } from '../plan/cache';
import { layShow } from '../plan/plan';
import type { LaidShow } from '../plan/planned';
import type { Show } from '../show/schema';
import {
  NEW_UNIVERSE,
  NEW_UNIVERSE_WORDS,
  packingWords,
  type Addressing,
  type Packing,
} from '../catalogue/packing';

export interface PolicyRow {
  addressing: Pick<Addressing, 'packing' | 'newUniverse'>;
  words: string;
  isCurrent: boolean;
  universes: number;
  lastShowChannel: number;
  /** Props with a pixel across two universes. */
  straddlingProps: number;
  packetsPerSecond: number;
  mbits: number;
}

/** What the whole show takes under each packing and each place for a new universe. */
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

export function measurePolicy(plan: LaidShow, rateHz: number) {
  const universes = plan.spaces.filter((space) => space.universe !== null);
  const flat = plan.spaces.filter((space) => space.universe === null);
  const straddling = new Set<number>();
  for (const span of plan.spans) {
    const run = plan.runs[span.run]!;
    // A stretch that does not start with a pixel's first channel has its pixel's beginning in the universe before.
    if (span.runChannel > 0 && span.runChannel % run.channelsPerPixel !== 0) straddling.add(run.prop);
  }
  const ddpPackets = flat.reduce((sum, space) => sum + Math.ceil(space.channelCount / 1440), 0);
  return {
    universes: universes.length,
    lastShowChannel: plan.lastShowChannel,
    straddlingProps: straddling.size,
    packetsPerSecond: (universes.length + ddpPackets) * rateHz,
    mbits:
      universes.reduce((sum, space) => sum + universeMbits(space.channelCount, rateHz), 0) +
      flat.reduce((sum, space) => sum + ddpMbits(space.channelCount, rateHz), 0),
  };
}
