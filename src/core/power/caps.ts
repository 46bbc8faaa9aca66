import { LOADING } from '../catalogue/supply';
import type { Plan } from '../plan/planned';
import { boardPowerOf } from '../catalogue/boardPower';
import { electricOf } from '../catalogue/electric';
import { channelsPerPixel } from '../catalogue/pixelType';
import { capOn, pixelsOn, type Cap, type Load } from './budget';
import { plannedShown, powerReport } from './report';
import { FULL_WHITE, fullAmps } from './shown';
import { solvePower, type SolvedGroup } from './solvePower';
import { rampsOfKinds } from './wiring';
import { itemAt, byId } from '../units/there';
import { runAt, controllerAt } from '../plan/records';

/** Something at both shares of a rating: all of it, and what is carried for hours. */
interface Both<Value> {
  rating: Value;
  hours: Value;
}

/** Load of a supply, and the brightest level that it carries. */
export interface SupplyCap {
  /** Index in the show. */
  supply: number;
  load: Load;
  /** Pixels, or panels, that hang on it. */
  pixels: number;
  /** Pixels that channels are kept free for behind its runs, and what those would draw besides at full white. */
  reserved: { pixels: number; amps: number };
  /** So many of them run at full white on it. */
  atFull: Both<number>;
  cap: Both<Cap>;
}

/** Values to type into a device’s own limiter. */
export interface ControllerCap {
  /** Index in the show. */
  controller: number;
  pixels: number;
  /** Current of all its pixels at full white without a limiter. */
  whiteAmps: number;
  /** The level that its limiter leaves of full white, 0 to 1, and what its pixels then draw. Null without a limiter. */
  limited: { level: number; amps: number } | null;
  /** Current that its limiter takes for each pixel at full white, in mA: as said, or by the plan, rounded up. */
  pixelMa: number;
  /** In mA, rounded down: what keeps every supply that its pixels hang on within what it carries. */
  limiterMa: Both<number>;
  percent: Both<number>;
}

interface Caps {
  supplies: SupplyCap[];
  controllers: ControllerCap[];
  /** Effects when nothing but devices’ own limiters holds the brightness back. Null where full white is planned for. */
  lifted: { percent: number; openFuses: number[]; saggingSupplies: number[] } | null;
}

/** Every cap of a show with its basis. Devices’ own limiters are left out. */
export function capsOf(plan: Plan): Caps {
  const { show } = plan;
  const bare: Plan = {
    ...plan,
    show: {
      ...show,
      controllers: show.controllers.map((each) => {
        if (!each.power?.limiterAmps) return each;
        const { limiterAmps: _, ...power } = each.power;
        return { ...each, power };
      }),
    },
  };
  const solved = solvePower(bare, FULL_WHITE);
  const loads = show.supplies.map((supply): Load & { pixels: number } => ({
    otherAmps: (supply.others ?? []).reduce((sum, other) => sum + other.amps.value, 0),
    idleAmps: 0,
    whiteAmps: 0,
    pixels: 0,
  }));
  for (const group of solved) shareOut(group, loads);
  const reserved = reservedOf(bare, solved);
  const supplies = show.supplies.map((supply, index): SupplyCap => {
    const { pixels, ...load } = itemAt(loads, index);
    const rating = supply.ratedAmps.value;
    const each = pixels === 0 ? 0 : load.whiteAmps / pixels;
    return {
      supply: index,
      load,
      pixels,
      reserved: itemAt(reserved, index),
      atFull: {
        rating: Math.min(pixels, pixelsOn(rating, load.otherAmps, each)),
        hours: Math.min(pixels, pixelsOn(rating * LOADING, load.otherAmps, each)),
      },
      cap: { rating: capOn(rating, load), hours: capOn(rating * LOADING, load) },
    };
  });
  return { supplies, controllers: controllerCaps(bare, plan, solved, supplies), lifted: liftedOf(plan) };
}

/** Adds what a part of the show draws to the supplies that feed it, in proportion to what each gives. */
function shareOut({ wiring, solution }: SolvedGroup, loads: (Load & { pixels: number })[]): void {
  const white = rampsOfKinds(wiring.kinds, FULL_WHITE).map(total);
  const dark = rampsOfKinds(wiring.kinds, { ...FULL_WHITE, level: 0 }).map(total);
  let [otherAmps, idleAmps, whiteAmps, pixels] = [0, 0, 0, 0];
  wiring.network.loads.kind.forEach((kind, i) => {
    if (solution.unfed[i]) return;
    if (itemAt(wiring.kinds, kind).kind === 'board') otherAmps += itemAt(white, kind);
    else {
      idleAmps += itemAt(dark, kind);
      whiteAmps += itemAt(white, kind);
      pixels += 1;
    }
  });
  const given = solution.supplyAmps.reduce((sum, amps) => sum + Math.max(0, amps), 0);
  wiring.supplies.forEach((supply, i) => {
    const share = given > 0 ? Math.max(0, solution.supplyAmps[i]!) / given : 0;
    const load = itemAt(loads, supply);
    load.otherAmps += otherAmps * share;
    load.idleAmps += idleAmps * share;
    load.whiteAmps += whiteAmps * share;
    load.pixels += Math.round(pixels * share);
  });
}

/** Future pixels on each supply, by the channels that are kept free behind the runs that it feeds. */
function reservedOf({ show, runs }: Plan, solved: readonly SolvedGroup[]): SupplyCap['reserved'][] {
  const made = show.supplies.map(() => ({ pixels: 0, amps: 0 }));
  const spareOf = new Map(
    show.patch.map(({ propId, run, spareChannels }) => [`${propId} ${run}`, spareChannels ?? 0]),
  );
  for (const { wiring, solution } of solved) {
    const given = solution.supplyAmps.reduce((sum, amps) => sum + Math.max(0, amps), 0);
    for (const run of wiring.firstLoadOfRun.keys()) {
      const { prop, number } = itemAt(runs, run);
      const { id, pixelTypeId } = itemAt(show.props, prop);
      const type = byId(show.pixelTypes, pixelTypeId);
      const pixels = Math.floor((spareOf.get(`${id} ${number}`) ?? 0) / channelsPerPixel(type));
      if (pixels === 0 || given === 0) continue;
      const amps = pixels * fullAmps(electricOf(type), type.colourOrder, FULL_WHITE);
      wiring.supplies.forEach((supply, i) => {
        const share = Math.max(0, solution.supplyAmps[i]!) / given;
        itemAt(made, supply).pixels += Math.round(pixels * share);
        itemAt(made, supply).amps += amps * share;
      });
    }
  }
  return made;
}

const total = (ramps: readonly { amps: number }[]) => ramps.reduce((sum, ramp) => sum + ramp.amps, 0);

function controllerCaps(
  bare: Plan,
  plan: Plan,
  solved: readonly SolvedGroup[],
  supplies: readonly SupplyCap[],
): ControllerCap[] {
  const { show } = bare;
  const controllerOf = new Map(
    show.patch.map(({ propId, run, controllerId }) => [`${propId} ${run}`, controllerId]),
  );
  const indexOf = new Map(show.controllers.map(({ id }, index) => [id, index]));
  const made = new Map<number, { idle: number; white: number; pixels: number; supplies: Set<number> }>();
  for (const { wiring, solution } of solved) {
    const white = rampsOfKinds(wiring.kinds, FULL_WHITE).map(total);
    const dark = rampsOfKinds(wiring.kinds, { ...FULL_WHITE, level: 0 }).map(total);
    for (const [run, first] of wiring.firstLoadOfRun) {
      const { prop, number, pixelCount } = runAt(bare, run);
      const controller = indexOf.get(controllerOf.get(`${itemAt(show.props, prop).id} ${number}`) ?? '');
      if (controller === undefined) continue;
      let one = made.get(controller);
      if (!one) made.set(controller, (one = { idle: 0, white: 0, pixels: 0, supplies: new Set() }));
      for (let load = first; load < first + pixelCount; load += 1) {
        const kind = wiring.network.loads.kind[load]!;
        if (solution.unfed[load]) continue;
        one.idle += itemAt(dark, kind);
        one.white += itemAt(white, kind);
        one.pixels += 1;
      }
      for (const supply of wiring.supplies) one.supplies.add(supply);
    }
  }
  return [...made]
    .filter(([, { pixels }]) => pixels > 0)
    .sort(([a], [b]) => a - b)
    .map(([controller, { idle, white, pixels, supplies: feeding }]): ControllerCap => {
      const power = boardPowerOf(controllerAt(plan, controller));
      const said = power.limiterPixelMa?.value;
      const pixelMa = said ?? Math.ceil((1000 * white) / pixels - 1e-6);
      const levelOn = (share: keyof Both<unknown>) =>
        Math.min(...[...feeding].map((supply) => levelOf(itemAt(supplies, supply), plan, share)));
      // A limiter counts bytes times its figure, and knows nothing of what chips take while dark.
      const typed = (level: number) => Math.floor(pixels * pixelMa * level + 1e-6);
      const [rating, hours] = [levelOn('rating'), levelOn('hours')];
      const limit = power.limiterAmps?.value;
      const level =
        limit === undefined
          ? null
          : said === undefined
            ? clamp((limit - idle) / (white - idle))
            : clamp(limit / ((pixels * said) / 1000));
      return {
        controller,
        pixels,
        whiteAmps: white,
        limited: level === null ? null : { level, amps: idle + level * (white - idle) },
        pixelMa,
        limiterMa: { rating: typed(rating), hours: typed(hours) },
        percent: { rating: percentOf(rating), hours: percentOf(hours) },
      };
    });
}

/** The level that a supply has room for, 0 to 1. */
function levelOf({ supply, load }: SupplyCap, { show }: Plan, share: keyof Both<unknown>): number {
  const rated = itemAt(show.supplies, supply).ratedAmps.value;
  const carries = share === 'rating' ? rated : rated * LOADING;
  const { otherAmps, idleAmps, whiteAmps } = load;
  return whiteAmps === idleAmps ? 1 : clamp((carries - otherAmps - idleAmps) / (whiteAmps - idleAmps));
}

const clamp = (share: number) => Math.min(1, Math.max(0, share));
const percentOf = (share: number) => Math.floor(100 * share + 1e-9);

function liftedOf(plan: Plan): Caps['lifted'] {
  const { level } = plannedShown(plan.show);
  if (level >= 1) return null;
  const { leads, supplies } = powerReport(plan, FULL_WHITE);
  return {
    percent: Math.round(level * 100),
    openFuses: leads
      .filter(
        ({ feed, amps }) => Math.abs(amps) > (itemAt(plan.show.feeds, feed).fuseAmps ?? Infinity) + 1e-9,
      )
      .map(({ feed }) => feed),
    saggingSupplies: supplies
      .filter(({ wantedAmps, ratedAmps }) => wantedAmps > ratedAmps + 1e-6)
      .map(({ supply }) => supply),
  };
}

/** Why what a device says of its own draw differs from the plan; null where nobody entered it. */
export function estimateWords(
  { whiteAmps, pixels, pixelMa }: ControllerCap,
  estimateAmps: number | undefined,
): string | null {
  if (estimateAmps === undefined) return null;
  const share = whiteAmps === 0 ? 1 : estimateAmps / whiteAmps;
  if (Math.abs(share - 1) <= 0.05) return 'It agrees with the plan.';
  const each = (1000 * estimateAmps) / pixels;
  const more =
    share > 1 ? `${Math.round(100 * (share - 1))} % more` : `${Math.round(100 * (1 - share))} % less`;
  return `${more} than the plan: it comes to ${each.toFixed(0)} mA a pixel, the plan has ${((1000 * whiteAmps) / pixels).toFixed(0)} mA. A device counts bytes times a figure${Math.abs(pixelMa - each) < 1 ? '' : ', or not all of its pixels'}, and no wires; it is compared here and never added.`;
}
