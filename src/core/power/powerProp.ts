import { electricOf } from '../catalogue/electric';
import type { Cut, Feed } from '../catalogue/feed';
import { FUSE_SHARE, fuseFor, type FuseAmps } from '../catalogue/fuse';
import { largestClosed, type Supply } from '../catalogue/supply';
import { usual } from '../figures/figure';
import { newName } from '../fields/fields';
import type { Plan } from '../plan/planned';
import { pixelTypeOf, plannedAt, propAt, runAt } from '../plan/records';
import { kindOf } from '../props/registry';
import { byId, itemAt, lastOf, valueIn } from '../units/there';
import { shortsOf } from './farShort';
import {
  cutsOf,
  fedAt,
  feedsOf,
  freeId,
  ownOf,
  sizesOf,
  solveDraft,
  type Draft,
  type Fed,
  type FedLead,
  type PowerWish,
  withDraft,
  type Solved,
} from './propDraft';
import { propNeed } from './propNeed';
import { reportOf } from './report';
import { FULL_WHITE } from './shown';
import { solveTried } from './solvePower';
import { oneZone, zonesOf, type Stretch } from './zones';

/** Something that keeps a plan of power from being enough. */
export type PowerLack = 'volts' | 'rail' | 'fuse' | 'supply';

/** Everything that powers a prop, sized for full white, with the ids of things that are not in the show yet. */
export interface PropPowerPlan {
  supplies: Supply[];
  feeds: Feed[];
  cuts: Cut[];
  /** Leads and cuts that the prop has now, and supplies on which nothing else hangs: this plan takes their place. */
  replaces: { feedIds: string[]; cutIds: string[]; supplyIds: string[] };
  /** The lowest pixel as it is planned, and with a margin for warm copper, worse joints and a low supply. */
  lowestVolts: number;
  lowestWithMargin: number;
  leastVolts: number;
  /** The worst of all leads: a dead short at its far end, beside its fuse. Null without leads. */
  farShort: { amps: number; fuseAmps: FuseAmps; opens: boolean } | null;
  lacks: PowerLack[];
}

/** Injections of a stretch for the sake of their fuses: at most so many times those that it needs. */
const MOST_FOR_FUSES = 2;

/**
 * Power for a prop of strings or strip, from nothing: supplies, injections evenly along each stretch, wires and fuses. Each stretch takes the fewest
 * injections at which every pixel has its volts with the margin, no piece carries more than it may, and each lead has a fuse that fits.
 */
export function powerProp(plan: Plan, prop: number, wish: PowerWish): PropPowerPlan | null {
  const of = propAt(plan, prop);
  const { firstRun, runCount, pixelCount } = plannedAt(plan, prop);
  if (kindOf(of).panelPower || pixelCount === 0) return null;
  const type = pixelTypeOf(plan.show, of);
  const need = propNeed(plan, prop);
  let before = 0;
  const loaded = Array.from({ length: runCount }, (_, i) => {
    const count = runAt(plan, firstRun + i).pixelCount;
    before += count;
    return { run: firstRun + i, amps: need.ampsOfLoads.subarray(before - count, before) };
  });
  const zones = wish.supplyId === null ? zonesOf(loaded, type.volts) : null;
  const stretches = zones?.stretches ?? oneZone(loaded);
  const supplies = zones ? newSupplies(plan, prop, zones.count, zones.ratedAmps) : [];
  const draft = { plan, prop, wish, supplies };
  const made = settled(draft, stretches);
  const isSupplyEnough = zones
    ? zones.ratedAmps !== null
    : !isOver(withDraft(draft, made.fed), wish.supplyId);
  const own = ownOf(plan.show, of.id);
  return {
    supplies,
    feeds: feedsOf(draft, made.fed),
    cuts: cutsOf(draft, stretches),
    replaces: {
      feedIds: own.feeds.map(({ id }) => id),
      cutIds: own.cuts.map(({ id }) => id),
      supplyIds: own.supplies.flatMap(({ id }) => (id === wish.supplyId ? [] : [id])),
    },
    leastVolts: electricOf(type).leastVolts.value,
    lowestVolts: made.nominal.lowestVolts,
    lowestWithMargin: made.strained.lowestVolts,
    farShort: worstShort(draft, made),
    lacks: [...made.lacks, ...(isSupplyEnough ? [] : (['supply'] as const))],
  };
}

/** The load of a supply, with all that was there before, is more than it carries for hours. */
function isOver(plan: Plan, supplyId: string | null): boolean {
  const at = plan.show.supplies.findIndex(({ id }) => id === supplyId);
  const solved = solveTried(plan, () => true, FULL_WHITE);
  return itemAt(reportOf(plan, FULL_WHITE, solved).supplies, at).isOver;
}

function newSupplies({ show }: Plan, prop: number, count: number, ratedAmps: number | null): Supply[] {
  const { name, id, placeId, pixelTypeId } = itemAt(show.props, prop);
  const { volts } = byId(show.pixelTypes, pixelTypeId);
  const replaced = ownOf(show, id).supplies;
  const taken = show.supplies.flatMap((each) => (replaced.includes(each) ? [] : [each.name]));
  return Array.from({ length: count }, (_, i) => {
    const own = newName(`${name.slice(0, 40)} supply`, taken);
    taken.push(own);
    return {
      id: freeId(`supply-${id}-${i + 1}`, show.supplies),
      name: own,
      volts,
      ratedAmps: usual(ratedAmps ?? largestClosed(volts), 'a usual size, for full white'),
      ...(placeId === undefined ? {} : { placeId }),
    };
  });
}

interface Settled {
  fed: Fed[];
  nominal: Solved;
  strained: Solved;
  lacks: PowerLack[];
}

const ROUNDING = 1e-6;

/** The fewest injections on each stretch that are enough; it stops where no more can be reached. */
function settled(draft: Draft, stretches: readonly Stretch[]): Settled {
  const type = pixelTypeOf(draft.plan.show, propAt(draft.plan, draft.prop));
  const { leastVolts, railCarriesAmps } = electricOf(type);
  const thickest = lastOf(sizesOf(draft.wish)).amps;
  let fed = stretches.map((stretch) => {
    const byRail = stretch.amps / (2 * railCarriesAmps.value);
    const byLead = stretch.amps / (FUSE_SHARE * thickest);
    return fedAt(draft, stretch, Math.max(1, Math.ceil(byRail - ROUNDING), Math.ceil(byLead - ROUNDING)));
  });
  /** Injections that each stretch needs without a look at what a short does. */
  const enough = new Map<Stretch, number>();
  for (;;) {
    fed = withSizes(draft, fed);
    const solved = solveDraft(draft, fed);
    const { nominal } = solved;
    const strained = solved.strained();
    const lacksOf = fed.map(({ leads }, i): PowerLack[] => {
      const { railAmps } = itemAt(nominal.stretches, i);
      return [
        ...(itemAt(strained.stretches, i).volts < leastVolts.value - ROUNDING ? (['volts'] as const) : []),
        ...(railAmps > railCarriesAmps.value + ROUNDING ? (['rail'] as const) : []),
        ...(leads.some(({ fuseAmps }) => fuseAmps === null) || leads.length === 0 ? (['fuse'] as const) : []),
      ];
    });
    const shorts = draft.wish.shortOpens ? shortsOf(draft, fed, nominal.wiring) : [];
    let hasGrown = false;
    const next = fed.map((each, i) => {
      const isEnough = itemAt(lacksOf, i).length === 0;
      if (isEnough && !enough.has(each.stretch)) enough.set(each.stretch, each.count);
      const wantsMore =
        !isEnough ||
        (shorts.some(({ of, opens }) => of === each && !opens) &&
          each.count < MOST_FOR_FUSES * valueIn(enough, each.stretch));
      if (!wantsMore) return each;
      const more = fedAt(draft, each.stretch, each.count + 1);
      if (more.leads.length <= each.leads.length) return each;
      hasGrown = true;
      return more;
    });
    if (!hasGrown) return { fed, nominal, strained, lacks: [...new Set(lacksOf.flat())] };
    fed = next;
  }
}

/** Leads with the wires and fuses that their current asks for. Thicker ones take a little more of it, so that a few rounds are needed. */
function withSizes(draft: Draft, fed: readonly Fed[]): Fed[] {
  const sizes = sizesOf(draft.wish);
  let now = fed.slice();
  for (let round = 0; round <= sizes.length; round += 1) {
    const { leadAmps } = solveDraft(draft, now).nominal;
    let at = 0;
    let isSame = true;
    now = now.map((each) => ({
      ...each,
      leads: each.leads.map((lead): FedLead => {
        const amps = leadAmps[at++] ?? 0;
        const thinnest = sizes.findIndex(({ id }) => id === lead.wire);
        const wire = sizes.slice(thinnest).find((size) => fuseFor(amps, size.amps) !== null);
        const fuseAmps = wire ? fuseFor(amps, wire.amps) : null;
        const wireId = wire?.id ?? lead.wire;
        isSame &&= fuseAmps === lead.fuseAmps && wireId === lead.wire;
        return { ...lead, wire: wireId, fuseAmps };
      }),
    }));
    if (isSame) break;
  }
  return now;
}

function worstShort(draft: Draft, { fed, nominal }: Settled): PropPowerPlan['farShort'] {
  const [worst] = shortsOf(draft, fed, nominal.wiring).sort(
    (a, b) => a.amps / a.fuseAmps - b.amps / b.fuseAmps,
  );
  if (!worst) return null;
  const { of: _, ...short } = worst;
  return short;
}
