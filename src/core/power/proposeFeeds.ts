import { namedLeads, type FeedPiece, type NewFeed } from '../catalogue/feed';
import { electricOf } from '../catalogue/electric';
import { FUSE_AMPS, fuseFor, type FuseAmps } from '../catalogue/fuse';
import { WIRE_SIZES, wireSize } from '../catalogue/wire';
import type { Plan } from '../plan/planned';
import { isRailHot } from './rails';
import { reportOf, type FedRun, type PowerReport } from './report';
import type { Shown } from './shown';
import { powerGroups } from './groups';
import { NetworkSolver } from './solve';
import { solveTried } from './solvePower';
import { rampsOfKinds } from './wiring';
import { wirePower } from './networkBuilder';
import { itemAt, byId, valueIn } from '../units/there';
import { pixelTypeOf, propAt, plannedAt, runAt } from '../plan/records';

/** Places on a prop within reach of a power feed. */
export const REACHES = ['ends', 'loops', 'ground', 'any'] as const;
export type Reach = (typeof REACHES)[number];

export interface FeedWish {
  shown: Shown;
  /** Every pixel is to have at least so much; null takes what its type needs. */
  leastVolts: number | null;
  reach: Reach;
  /** The supply that new leads come from. */
  supplyId: string;
  /** One way, from the supply to the prop. */
  leadMm: number;
  /** The thinnest that is taken. */
  wire: string;
}

export interface FeedProposal {
  /** Leads to add; those that are there stay. Their ids are to be given. */
  feeds: NewFeed[];
  /** The prop with them; null where nothing has to be added. */
  lowestVolts: number | null;
  leastVolts: number;
  isEnough: boolean;
  /** No fewer would do: all smaller choices were tried. */
  isFewest: boolean;
}

/** So many choices of one size are tried to the last before it is said that a smaller number does. */
const MOST_CHOICES = 3000;
/** Places that are tried each time one is added. */
const MOST_NEAR = 12;
/** Places along a run that are looked at, where any would do. */
const MOST_PLACES = 48;

/**
 * The fewest leads that keep every pixel of a prop above a voltage, and its conductors within what they carry, beside those that it has.
 *
 * Places are taken evenly along each run, and added one by one where each helps most; the way that takes fewer counts, and what is not
 * needed is taken away again. A lead of its own never lowers a voltage where nothing starves, so if no choice of k places is enough, none
 * of fewer is: all choices of one place less are tried then, where they are not too many.
 *
 * @param mostChoices so many choices of one size are tried to the last; 0 where it has to be quick, at the price of a lead now and then
 */
export function proposeFeeds(
  plan: Plan,
  prop: number,
  wish: FeedWish,
  mostChoices = MOST_CHOICES,
): FeedProposal {
  const { amps } = wireSize(wish.wire);
  const made = proposeWith(plan, prop, wish, FUSE_AMPS.findLast((size) => size <= amps) ?? 1, mostChoices);
  const fuses = made.feeds.flatMap(({ fuseAmps }) => fuseAmps ?? []);
  // Small fuses resist more than the large ones that were taken at first.
  return made.isEnough || fuses.length === 0
    ? made
    : proposeWith(
        plan,
        prop,
        wish,
        itemAt(
          fuses.toSorted((a, b) => a - b),
          0,
        ),
        mostChoices,
      );
}

/** @param fuseAmps taken for each lead as long as its current is not known */
function proposeWith(
  plan: Plan,
  prop: number,
  wish: FeedWish,
  fuseAmps: FuseAmps,
  mostChoices: number,
): FeedProposal {
  const propId = propAt(plan, prop).id;
  const { firstRun, runCount } = plannedAt(plan, prop);
  const chosen: Place[] = [];
  let isFewest = true;
  for (let run = firstRun; run < firstRun + runCount; run += 1) {
    const found = fewestPlaces(plan, prop, run, { ...wish, fuseAmps }, mostChoices);
    isFewest &&= found.isFewest;
    chosen.push(...found.places.map((pixel) => ({ run: runAt(plan, run).number, pixel })));
  }
  const feeds = sized(plan, prop, propId, chosen, wish);
  const { runs } = tried(plan, prop, feeds, wish);
  const lowest = runs.reduce<FedRun | null>(
    (least, run) => ((run.lowestVolts ?? 0) < (least?.lowestVolts ?? Infinity) ? run : least),
    null,
  );
  const leastVolts = wish.leastVolts ?? lowest?.leastVolts ?? 0;
  return {
    feeds,
    lowestVolts: lowest?.lowestVolts ?? null,
    leastVolts,
    isEnough: runs.every(
      (run) => run.unfed === 0 && (run.lowestVolts ?? 0) >= leastVolts - 1e-6 && !isRailHot(run),
    ),
    isFewest,
  };
}

type FusedWish = FeedWish & { fuseAmps: FuseAmps };

interface Place {
  run: number;
  pixel: number;
}

/** Pixels of a run, from 1, to which a lead can be brought. */
export function reachablePixels(plan: Plan, prop: number, run: number, reach: Reach): number[] {
  const { firstPixel, pixelCount } = runAt(plan, run);
  if (pixelCount === 0) return [];
  const { strand, yMm } = plan.pixels;
  const ends = new Set([1, pixelCount]);
  if (reach === 'loops' || reach === 'ground')
    for (let i = 1; i < pixelCount; i += 1)
      if (strand[firstPixel + i] !== strand[firstPixel + i - 1]) ends.add(i).add(i + 1);
  if (reach === 'any') {
    const step = Math.max(1, Math.ceil(pixelCount / MOST_PLACES));
    for (let pixel = 1; pixel <= pixelCount; pixel += step) ends.add(pixel);
  }
  const all = [...ends].sort((a, b) => a - b);
  if (reach !== 'ground') return all;
  // Within reach of somebody who stands: the lowest fifth of the prop.
  const { firstPixel: first, pixelCount: count } = plannedAt(plan, prop);
  let [low, high] = [Infinity, -Infinity];
  for (let i = first; i < first + count; i += 1) {
    low = Math.min(low, yMm[i]!);
    high = Math.max(high, yMm[i]!);
  }
  return all.filter((pixel) => yMm[firstPixel + pixel - 1]! <= low + (high - low) / 5);
}

function fewestPlaces(plan: Plan, prop: number, run: number, wish: FusedWish, mostChoices: number) {
  const places = reachablePixels(plan, prop, run, wish.reach);
  if (places.length === 0) return { places, isFewest: true };
  const trial = trialOf(plan, prop, run, places, wish);
  const reserveWith = (pixels: readonly number[]) => trial(pixels).reserve;
  const isEnough = (reserve: number) => reserve >= 1 - 1e-9;
  let chosen: number[] = [];
  let { reserve, pixel: worstAt } = trial(chosen);
  const even = isEnough(reserve)
    ? null
    : evenPlaces(places, runAt(plan, run).pixelCount, (pixels) => isEnough(reserveWith(pixels)));
  // The other way is no better where it has come as far; in a hurry it is not gone where the first one is enough.
  const most = even && mostChoices === 0 ? 0 : (even?.length ?? places.length);
  while (!isEnough(reserve) && chosen.length < most) {
    let best: { pixel: number; reserve: number; worstAt: number } | null = null;
    // The lowest pixel is raised, and the fullest piece relieved, by a feed near it.
    const near = places
      .filter((pixel) => !chosen.includes(pixel))
      .sort((a, b) => Math.abs(a - worstAt) - Math.abs(b - worstAt));
    for (const pixel of near.slice(0, MOST_NEAR)) {
      const here = trial([...chosen, pixel]);
      if (!best || here.reserve > best.reserve + 1e-9)
        best = { pixel, reserve: here.reserve, worstAt: here.pixel };
    }
    // Two stretches that are alike need two leads before the lowest rises: one that does not help yet is taken all the same.
    if (!best) break;
    chosen = [...chosen, best.pixel];
    ({ reserve, worstAt } = best);
  }
  if (even && (!isEnough(reserve) || chosen.length >= even.length)) {
    chosen = even;
    reserve = reserveWith(even);
  }
  for (const pixel of chosen.slice().reverse()) {
    const without = chosen.filter((each) => each !== pixel);
    if (isEnough(reserve) && isEnough(reserveWith(without))) chosen = without;
  }
  let isFewest = chosen.length === 0;
  while (isEnough(reserve) && chosen.length > 0) {
    if (choicesOf(places.length, chosen.length - 1) > mostChoices) break;
    const smaller = firstChoice(places, chosen.length - 1, (pixels) => isEnough(reserveWith(pixels)));
    if (!smaller) {
      isFewest = true;
      break;
    }
    chosen = smaller;
    isFewest = chosen.length === 0;
  }
  return { places: chosen.sort((a, b) => a - b), isFewest };
}

/**
 * The fewest places, evenly along a run, that are enough: each in the middle of a stretch, which is the best there is where all pixels and
 * rails are alike and nothing else feeds them. Null where not even every place is enough.
 */
function evenPlaces(
  places: readonly number[],
  pixelCount: number,
  isEnough: (pixels: readonly number[]) => boolean,
): number[] | null {
  const evenly = (count: number): number[] => {
    const taken = new Set<number>();
    for (let i = 0; i < count; i += 1) {
      const wanted = ((i + 0.5) / count) * pixelCount + 0.5;
      const nearest = places.reduce((best, place) =>
        Math.abs(place - wanted) < Math.abs(best - wanted) ? place : best,
      );
      taken.add(nearest);
    }
    return [...taken];
  };
  if (!isEnough(places)) return null;
  let [few, many] = [0, places.length];
  let found = [...places];
  while (many - few > 1) {
    const middle = (few + many) >> 1;
    const tried = evenly(middle);
    if (isEnough(tried)) {
      many = middle;
      if (tried.length < found.length) found = tried;
    } else few = middle;
  }
  return found;
}

/** Needs of the pixels of a prop. */
function needOf({ show }: Plan, prop: number): number {
  const type = byId(show.pixelTypes, itemAt(show.props, prop).pixelTypeId);
  return electricOf(type).leastVolts.value;
}

/** A lead that is not there, in ohm: it carries some billionths of an ampere. */
const NOT_THERE_OHM = 1e9;

/**
 * Tries leads to places of a run: one network holds all of them, and those that are not tried resist so much that they are not there, so
 * that each trial costs one solution and no network.
 *
 * @returns the reserve of the run with leads to some places, and the pixel that decides it. It is the lowest volts over the fewest that
 * are wanted, or what its conductors carry over the most that flows in them, whichever is less: 1 or more is enough.
 */
function trialOf(
  plan: Plan,
  prop: number,
  run: number,
  places: readonly number[],
  wish: FusedWish,
): (pixels: readonly number[]) => { reserve: number; pixel: number } {
  const { show } = plan;
  const { number, pixelCount } = runAt(plan, run);
  const drafts = places.map((pixel) => ({
    ...leadTo(itemAt(show.props, prop).id, number, pixel, wish, wish.wire),
    fuseAmps: wish.fuseAmps,
  }));
  const added = namedLeads(show.feeds, drafts, (i) => `tried-${i}`);
  const changed = { ...plan, show: { ...show, feeds: [...show.feeds, ...added] } };
  const group = powerGroups(changed).find((each) => each.props.includes(prop))!;
  const wiring = wirePower(changed, group, new Set([run]));
  const solver = new NetworkSolver({ ...wiring.network, kinds: rampsOfKinds(wiring.kinds, wish.shown) });
  const { ohm } = wiring.network.wires;
  const tried = wiring.pieces.flatMap(({ feed, plusWire, minusWire }) =>
    feed < show.feeds.length
      ? []
      : [plusWire, minusWire].map((wire) => ({
          pixel: itemAt(places, feed - show.feeds.length),
          wire,
          ohm: ohm[wire]!,
        })),
  );
  const first = valueIn(wiring.firstLoadOfRun, run);
  const least = wish.leastVolts ?? needOf(plan, prop);
  const carriesAmps = electricOf(pixelTypeOf(show, propAt(plan, prop))).railCarriesAmps.value;
  const { firstPixel } = runAt(plan, run);
  const rails = [wiring.railPixel, wiring.groundPixel].flatMap((pixels) =>
    [...pixels].flatMap((pixel, wire) => (pixel < 0 ? [] : [{ wire, pixel: pixel - firstPixel + 1 }])),
  );
  return (pixels) => {
    for (const lead of tried) ohm[lead.wire] = pixels.includes(lead.pixel) ? lead.ohm : NOT_THERE_OHM;
    const { loadVolts, wireAmps } = solver.solve();
    let lowest = first;
    for (let i = first; i < first + pixelCount; i += 1) if (loadVolts[i]! < loadVolts[lowest]!) lowest = i;
    let fullest = { amps: 0, pixel: 1 };
    for (const { wire, pixel } of rails) {
      const amps = Math.abs(wireAmps[wire] ?? 0);
      if (amps > fullest.amps) fullest = { amps, pixel };
    }
    const [byVolts, byAmps] = [loadVolts[lowest]! / least, carriesAmps / Math.max(fullest.amps, 1e-9)];
    return byVolts <= byAmps
      ? { reserve: byVolts, pixel: lowest - first + 1 }
      : { reserve: byAmps, pixel: fullest.pixel };
  };
}

const choicesOf = (of: number, count: number): number => {
  let choices = 1;
  for (let i = 0; i < count; i += 1) choices = (choices * (of - i)) / (i + 1);
  return choices;
};

function firstChoice(
  places: readonly number[],
  count: number,
  suits: (pixels: readonly number[]) => boolean,
  from = 0,
  taken: readonly number[] = [],
): number[] | null {
  if (taken.length === count) return suits(taken) ? [...taken] : null;
  for (let i = from; i <= places.length - (count - taken.length); i += 1) {
    const found = firstChoice(places, count, suits, i + 1, [...taken, itemAt(places, i)]);
    if (found) return found;
  }
  return null;
}

function leadTo(
  propId: string,
  run: number,
  pixel: number,
  { supplyId, leadMm }: FeedWish,
  wire: string,
): NewFeed {
  const piece: FeedPiece = { lengthMm: leadMm, wire, to: { kind: 'pixel', propId, run, pixel } };
  return { from: { kind: 'supply', supplyId }, pieces: [piece] };
}

/** The group of a prop with leads added. */
function tried(
  plan: Plan,
  prop: number,
  feeds: readonly NewFeed[],
  wish: FeedWish,
): Pick<PowerReport, 'runs' | 'leads'> {
  const added = namedLeads(plan.show.feeds, feeds, (i) => `proposed-${i}`);
  const show = { ...plan.show, feeds: [...plan.show.feeds, ...added] };
  const changed = { ...plan, show };
  const solved = solveTried(changed, (group) => group.props.includes(prop), wish.shown);
  const report = reportOf(changed, wish.shown, solved);
  return { runs: report.runs.filter((run) => run.prop === prop), leads: report.leads };
}

/** Leads of the size that their current asks for, each with its fuse. Thicker ones take more current, so their sizes are found in a few rounds. */
function sized(plan: Plan, prop: number, propId: string, places: readonly Place[], wish: FeedWish) {
  const wires = places.map(() => wish.wire);
  const feedsNow = () =>
    places.map(({ run, pixel }, i) => leadTo(propId, run, pixel, wish, itemAt(wires, i)));
  for (let round = 0; round < WIRE_SIZES.length; round += 1) {
    const feeds = feedsNow();
    const leads = tried(plan, prop, feeds, wish).leads.slice(-places.length || Infinity);
    let changed = false;
    leads.forEach((lead, i) => {
      if (lead.fuse !== null) return;
      const next = WIRE_SIZES.slice(WIRE_SIZES.findIndex((size) => size.id === wires[i]) + 1).find(
        (size) => !size.id.endsWith('solid') && fuseFor(Math.abs(lead.amps), size.amps) !== null,
      );
      if (!next) return;
      wires[i] = next.id;
      changed = true;
    });
    if (!changed)
      return feeds.map((feed, i) => {
        const fuseAmps = itemAt(leads, i).fuse;
        return fuseAmps === null ? feed : { ...feed, fuseAmps };
      });
  }
  return feedsNow();
}
