import { portName } from '../catalogue/controller';
import { boundsOf } from '../geometry/bounds';
import {
  computed,
  given,
  product,
  quotient,
  roundedUp,
  sum,
  type Explained,
  type Place,
} from '../figures/explained';
import type { Plan } from '../plan/planned';
import { USUAL_SITE, type Site } from '../show/siteSchema';
import { itemAt } from '../units/there';
import { propAt, plannedAt, runAt, controllerAt } from '../plan/records';

interface SpotMm {
  xMm: number;
  yMm: number;
}

/**
 * The place of a point of a prop on the drawing: the middle of the prop's outline is put on its place and turned about it.
 *
 * @param place of the prop on the drawing
 * @param middle of the prop's outline, in its own measures
 */
export function onSite(
  place: { xMm: number; yMm: number; turnDeg: number },
  middle: SpotMm,
  point: SpotMm,
): SpotMm {
  const turn = (place.turnDeg * Math.PI) / 180;
  const [dx, dy] = [point.xMm - middle.xMm, point.yMm - middle.yMm];
  return {
    xMm: place.xMm + dx * Math.cos(turn) - dy * Math.sin(turn),
    yMm: place.yMm + dx * Math.sin(turn) + dy * Math.cos(turn),
  };
}

const middles = new WeakMap<Plan, Map<number, SpotMm | null>>();

/** Middle of a prop's outline, in its own measures; null without pixels. */
export function middleOfProp(plan: Plan, prop: number): SpotMm | null {
  let known = middles.get(plan);
  if (!known) middles.set(plan, (known = new Map()));
  let middle = known.get(prop);
  if (middle === undefined) known.set(prop, (middle = outlineMiddle(plan, prop)));
  return middle;
}

function outlineMiddle(plan: Plan, prop: number): SpotMm | null {
  const { firstPixel, pixelCount } = plannedAt(plan, prop);
  const bounds = boundsOf(
    plan.pixels.xMm.subarray(firstPixel, firstPixel + pixelCount),
    plan.pixels.yMm.subarray(firstPixel, firstPixel + pixelCount),
  );
  return bounds && { xMm: (bounds.leftMm + bounds.rightMm) / 2, yMm: (bounds.bottomMm + bounds.topMm) / 2 };
}

/** Place of a pixel on the drawing; null while its prop is not placed. */
export function pixelOnSite(plan: Plan, pixel: number): SpotMm | null {
  const { prop } = runAt(plan, plan.pixels.run[pixel]!);
  const place = propAt(plan, prop).site;
  const middle = place && middleOfProp(plan, prop);
  return place && middle
    ? onSite(place, middle, { xMm: plan.pixels.xMm[pixel]!, yMm: plan.pixels.yMm[pixel]! })
    : null;
}

/** The lead from a controller, or from the run before it on the same port, to the first pixel of a run. */
export interface Lead {
  /** Index of the run in the plan. */
  run: number;
  controller: number;
  port: string;
  /** Index of the run from whose last pixel it comes; null where it comes from the port. */
  fromRun: number | null;
  /** Null while one of the two ends is not on the drawing. */
  straightMm: number | null;
  /** Straight distance with the detour and the ends, rounded up to the next half metre. */
  cable: Explained | null;
}

/** Every lead of the show, by controller and port. */
export function leadsOf(plan: Plan): Lead[] {
  const { show } = plan;
  const site = show.site ?? USUAL_SITE;
  return plan.ports.flatMap((port) =>
    port.runs.map((run, i): Lead => {
      const lead = {
        run,
        controller: port.controller,
        port: portName(itemAt(show.controllers, port.controller), port.port),
        fromRun: i === 0 ? null : itemAt(port.runs, i - 1),
      };
      const ends = endsOfLead(plan, lead);
      const straightMm = ends && Math.hypot(ends.to.xMm - ends.from.xMm, ends.to.yMm - ends.from.yMm);
      return { ...lead, straightMm, cable: straightMm === null ? null : cableLength(straightMm, site) };
    }),
  );
}

/** Ends of a data cable on the drawing; null while one of the two is not on it. */
export function endsOfLead(
  plan: Plan,
  { run, fromRun, controller }: Pick<Lead, 'run' | 'fromRun' | 'controller'>,
): { from: SpotMm; to: SpotMm } | null {
  const before = fromRun === null ? null : runAt(plan, fromRun);
  const from = before
    ? pixelOnSite(plan, before.firstPixel + before.pixelCount - 1)
    : (controllerAt(plan, controller).site ?? null);
  const to = pixelOnSite(plan, runAt(plan, run).firstPixel);
  return from && to && { from, to };
}

/** Straight distance * (1 + detour) + ends, rounded up to the next half metre: cable is cut by the half metre. */
export function cableLength(straightMm: number, site: Pick<Site, 'detourPercent' | 'endsMm'>): Explained {
  const place: Place = { stage: 'build', sheet: 'site' };
  const straight = given('straight distance', straightMm, 'mm', { place });
  const detour = computed(
    'detour',
    'mm',
    product(
      straight,
      quotient(
        given('detour of a cable', site.detourPercent, 'percent', { place }),
        given('a hundred', 100, 'percent'),
      ),
    ),
  );
  return computed(
    'cable',
    'mm',
    roundedUp(
      sum(straight, detour, given('for both ends', site.endsMm, 'mm', { place })),
      given('half metres', 500, 'mm'),
    ),
    { rule: 'Cable is cut by the half metre.' },
  );
}
