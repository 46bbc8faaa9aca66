import { largestClosed, LOADING } from '../catalogue/supply';
import type { Plan } from '../plan/planned';
import { capOn } from './budget';
import { powerProp, type PropPowerPlan } from './powerProp';
import type { PowerWish } from './propDraft';
import { propNeed, type PropNeed } from './propNeed';
import { wirePower } from './networkBuilder';
import { FULL_WHITE } from './shown';
import { rampsOfKinds } from './wiring';
import { itemAt } from '../units/there';

/** The load of a prop at full white, and the ways to power it from nothing. */
export interface WaysToPower {
  need: Omit<PropNeed, 'ampsOfLoads'>;
  best: PropPowerPlan;
  /** The way with fewer injections, where the best has more for the sake of its fuses. */
  fewer: PropPowerPlan | null;
  /** One closed supply alone, with a limiter in the device. Null where one is enough. */
  limited: { ratedAmps: number; percent: number } | null;
}

/** Larger props would make all other answers wait; they are powered lead by lead. */
export const MOST_POWERED_AT_ONCE = 5000;

/** Null for panels, which are fed each on its own, for a prop without pixels, and for one with too many. */
export function waysToPower(
  plan: Plan,
  prop: number,
  wish: Omit<PowerWish, 'shortOpens'>,
): WaysToPower | null {
  if (itemAt(plan.props, prop).pixelCount > MOST_POWERED_AT_ONCE) return null;
  const fewest = powerProp(plan, prop, { ...wish, shortOpens: false });
  if (!fewest) return null;
  const opening =
    fewest.farShort?.opens === false ? powerProp(plan, prop, { ...wish, shortOpens: true }) : null;
  const isBetter = opening?.farShort?.opens === true && opening.lacks.length <= fewest.lacks.length;
  const { ampsOfLoads: _, ...need } = propNeed(plan, prop);
  return {
    need,
    best: isBetter ? opening : fewest,
    fewer: isBetter ? fewest : null,
    limited: fewest.supplies.length > 1 ? limitedTo(plan, need) : null,
  };
}

function limitedTo(plan: Plan, { prop, volts, amps }: Omit<PropNeed, 'ampsOfLoads'>): WaysToPower['limited'] {
  const { kinds, network } = wirePower(plan, { props: [prop], controllers: [], feeds: [] });
  const dark = rampsOfKinds(kinds, { ...FULL_WHITE, level: 0 }).map((ramps) =>
    ramps.reduce((sum, ramp) => sum + ramp.amps, 0),
  );
  const idleAmps = network.loads.kind.reduce((sum, kind) => sum + itemAt(dark, kind), 0);
  const ratedAmps = largestClosed(volts);
  const { percent } = capOn(ratedAmps * LOADING, { otherAmps: 0, idleAmps, whiteAmps: amps });
  return percent > 0 ? { ratedAmps, percent } : null;
}

/** The loads of all props of a show, by their volts, and which of them nothing feeds yet. */
interface ShowNeed {
  byVolts: { volts: number; amps: number; watts: number }[];
  unfed: Omit<PropNeed, 'ampsOfLoads'>[];
}

export function showNeed(plan: Plan): ShowNeed {
  const fed = new Set(
    plan.show.feeds.flatMap(({ pieces }) =>
      pieces.flatMap(({ to }) => (to.kind === 'controller' ? [] : [to.propId])),
    ),
  );
  const needs = plan.show.props.flatMap((_, prop) => {
    if (itemAt(plan.props, prop).pixelCount === 0) return [];
    const { ampsOfLoads: _loads, ...need } = propNeed(plan, prop);
    return [need];
  });
  const byVolts = new Map<number, { volts: number; amps: number; watts: number }>();
  for (const { volts, amps, watts } of needs) {
    const sum = byVolts.get(volts) ?? { volts, amps: 0, watts: 0 };
    byVolts.set(volts, { volts, amps: sum.amps + amps, watts: sum.watts + watts });
  }
  return {
    byVolts: [...byVolts.values()].sort((a, b) => a.volts - b.volts),
    unfed: needs.filter(({ prop }) => !fed.has(itemAt(plan.show.props, prop).id)),
  };
}
