import { namedLeads, type Cut, type Feed } from '../catalogue/feed';
import type { FuseAmps } from '../catalogue/fuse';
import type { Supply } from '../catalogue/supply';
import { WIRE_SIZES, type WireSize } from '../catalogue/wire';
import type { Plan } from '../plan/planned';
import { propAt, runAt } from '../plan/records';
import type { Show } from '../show/schema';
import { itemAt, valueIn } from '../units/there';
import { powerGroups } from './groups';
import { withMargin } from './margin';
import type { Network } from './network';
import { wirePower } from './networkBuilder';
import { reachablePixels, type Reach } from './proposeFeeds';
import { FULL_WHITE } from './shown';
import { NetworkSolver, type Solution } from './solve';
import { rampsOfKinds, type PowerWiring } from './wiring';
import type { Stretch } from './zones';

export interface PowerWish {
  reach: Reach;
  /** One way, from the supply to each place. */
  leadMm: number;
  /** The thinnest that is taken; a thicker one is of the same standard. */
  wire: string;
  /** The supply that all of it hangs on; null for new ones of a size that carries it. */
  supplyId: string | null;
  /** More injections with smaller fuses, until a dead short at the far end of each opens its fuse within seconds. */
  shortOpens: boolean;
}

export interface FedLead {
  /** From 1, in the run. */
  pixel: number;
  wire: string;
  /** Null while none fits. */
  fuseAmps: FuseAmps | null;
}

/** Injections of a stretch. */
export interface Fed {
  stretch: Stretch;
  /** So many are wanted; fewer where not so many places can be reached. */
  count: number;
  leads: FedLead[];
}

/** An id that nothing of a list has. */
export function freeId(wanted: string, list: readonly { id: string }[]): string {
  const taken = new Set(list.map(({ id }) => id));
  const stem = wanted.slice(-48);
  let id = stem;
  for (let number = 2; taken.has(id); number += 1) id = `${stem}-${number}`;
  return id;
}

/** Leads that go to a prop and to nothing else, its cuts, and supplies on which nothing but those leads hangs. */
export function ownOf(show: Show, propId: string): { feeds: Feed[]; cuts: Cut[]; supplies: Supply[] } {
  const feeds = show.feeds.filter(({ pieces }) =>
    pieces.every(({ to }) => to.kind !== 'controller' && to.propId === propId),
  );
  const own = new Set(feeds);
  return {
    feeds,
    cuts: show.cuts.filter((cut) => cut.propId === propId),
    supplies: show.supplies.filter(({ id, others }) => {
      const on = show.feeds.filter(({ from }) => from.kind === 'supply' && from.supplyId === id);
      return !others?.length && on.length > 0 && on.every((feed) => own.has(feed));
    }),
  };
}

export interface Draft {
  plan: Plan;
  prop: number;
  wish: PowerWish;
  supplies: readonly Supply[];
}

/** Sizes of wire of the standard that is wished for, from the one that is wished for on. */
export function sizesOf({ wire }: PowerWish): readonly WireSize[] {
  const isMetric = wire.startsWith('mm2');
  const alike = WIRE_SIZES.filter(
    ({ id }) => id.startsWith('mm2') === isMetric && id.endsWith('solid') === wire.endsWith('solid'),
  );
  return alike.slice(alike.findIndex(({ id }) => id === wire));
}

/** Places evenly along a stretch, each in the middle of its part, as near as can be reached; fewer where not so many can. */
function placesOn({ plan, prop, wish }: Draft, { run, from, to }: Stretch, count: number): number[] {
  const length = to - from + 1;
  const even = Array.from({ length: Math.min(count, length) }, (_, i) =>
    Math.max(from, from - 1 + Math.floor(((i + 0.5) * length) / count)),
  );
  if (wish.reach === 'any') return [...new Set(even)];
  const reachable = reachablePixels(plan, prop, run, wish.reach).filter(
    (pixel) => pixel >= from && pixel <= to,
  );
  const places = new Set<number>();
  for (const wanted of even) {
    const near = reachable.filter((pixel) => !places.has(pixel));
    if (near.length > 0)
      places.add(
        near.reduce((best, pixel) => (Math.abs(pixel - wanted) < Math.abs(best - wanted) ? pixel : best)),
      );
  }
  return [...places].sort((a, b) => a - b);
}

export function fedAt(draft: Draft, stretch: Stretch, count: number): Fed {
  const places = placesOn(draft, stretch, count);
  return {
    stretch,
    count,
    leads: places.map((pixel) => ({ pixel, wire: draft.wish.wire, fuseAmps: null })),
  };
}

export function feedsOf({ plan, prop, wish, supplies }: Draft, fed: readonly Fed[]): Feed[] {
  const { id: propId } = propAt(plan, prop);
  const drafts = fed.flatMap(({ stretch, leads }) =>
    leads.map(({ pixel, wire, fuseAmps }) => ({
      from: { kind: 'supply' as const, supplyId: wish.supplyId ?? itemAt(supplies, stretch.zone).id },
      ...(fuseAmps === null ? {} : { fuseAmps }),
      pieces: [
        {
          lengthMm: wish.leadMm,
          wire,
          to: { kind: 'pixel' as const, propId, run: runAt(plan, stretch.run).number, pixel },
        },
      ],
    })),
  );
  const kept = othersOf(plan.show, propId);
  return namedLeads(kept, drafts, (i) => freeId(`lead-${propId}-${i + 1}`, plan.show.feeds));
}

const othersOf = (show: Show, propId: string): Feed[] => {
  const own = new Set(ownOf(show, propId).feeds);
  return show.feeds.filter((feed) => !own.has(feed));
};

/** Plus is cut between two stretches of a run. */
export function cutsOf({ plan, prop }: Draft, stretches: readonly Stretch[]): Cut[] {
  const { id: propId } = propAt(plan, prop);
  return stretches.flatMap(({ run, to }, i) =>
    stretches[i + 1]?.run === run
      ? [
          {
            id: freeId(`cut-${propId}-${i + 1}`, plan.show.cuts),
            propId,
            run: runAt(plan, run).number,
            afterPixel: to,
          },
        ]
      : [],
  );
}

/** A draft that is solved: of each lead its amps, of each stretch its lowest volts and the most that its rails carry. */
export interface Solved {
  wiring: PowerWiring;
  lowestVolts: number;
  leadAmps: number[];
  stretches: { volts: number; railAmps: number }[];
}

/** The show with a draft in it, in the place of what feeds the prop now. */
export function withDraft(draft: Draft, fed: readonly Fed[]): Plan {
  const { plan, prop, supplies } = draft;
  const { id } = propAt(plan, prop);
  const { show } = plan;
  const cuts = cutsOf(
    draft,
    fed.map(({ stretch }) => stretch),
  );
  return {
    ...plan,
    show: {
      ...show,
      supplies: [...show.supplies, ...supplies],
      feeds: [...othersOf(show, id), ...feedsOf(draft, fed)],
      cuts: [...show.cuts.filter(({ propId }) => propId !== id), ...cuts],
    },
  };
}

/** As it is planned, and, once that is asked for, with the margin. */
export function solveDraft(draft: Draft, fed: readonly Fed[]): { nominal: Solved; strained: () => Solved } {
  const { plan, prop } = draft;
  const kept = othersOf(plan.show, propAt(plan, prop).id);
  const changed = withDraft(draft, fed);
  const group = powerGroups(changed).find((each) => each.props.includes(prop))!;
  const wiring = wirePower(changed, group);
  const kinds = rampsOfKinds(wiring.kinds, FULL_WHITE);
  const read = (network: Omit<Network, 'kinds'>) =>
    readSolved(plan, fed, wiring, new NetworkSolver({ ...network, kinds }).solve(), kept.length);
  return { nominal: read(wiring.network), strained: () => read(withMargin(wiring)) };
}

/** @param before leads of the show that stand before those of the draft */
function readSolved(
  plan: Plan,
  fed: readonly Fed[],
  wiring: PowerWiring,
  { loadVolts, wireAmps }: Solution,
  before: number,
): Solved {
  const stretches = fed.map(({ stretch: { run, from, to } }) => {
    const first = valueIn(wiring.firstLoadOfRun, run);
    let volts = Infinity;
    for (let i = first + from - 1; i < first + to; i += 1) volts = Math.min(volts, loadVolts[i] ?? 0);
    return { volts, railAmps: 0 };
  });
  const stretchOfPixel = new Map<number, number>();
  fed.forEach(({ stretch: { run, from, to } }, i) => {
    const { firstPixel } = runAt(plan, run);
    for (let pixel = from; pixel <= to; pixel += 1) stretchOfPixel.set(firstPixel + pixel - 1, i);
  });
  for (const pixels of [wiring.railPixel, wiring.groundPixel])
    pixels.forEach((pixel, wire) => {
      const at = stretchOfPixel.get(pixel);
      if (at === undefined) return;
      const stretch = itemAt(stretches, at);
      stretch.railAmps = Math.max(stretch.railAmps, Math.abs(wireAmps[wire] ?? 0));
    });
  const leadAmps: number[] = [];
  for (const { feed, plusWire } of wiring.pieces)
    if (feed >= before) leadAmps[feed - before] = Math.abs(wireAmps[plusWire] ?? 0);
  return { wiring, stretches, leadAmps, lowestVolts: Math.min(...stretches.map(({ volts }) => volts)) };
}
