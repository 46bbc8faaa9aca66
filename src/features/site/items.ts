import type { Plan } from '@/core/plan/planned';
import { boundsOf } from '@/core/geometry/bounds';
import type { SitePlace } from '@/core/geometry/sitePlace';
import type { Show } from '@/core/show/schema';
import type { Edit } from '@/core/show/edits/registry';
import { middleOfProp, onSite } from '@/core/answers/site';
import { plannedAt } from '@/core/plan/records';

export type SitePlacing = SitePlace;

/** A prop or a controller that is, or could be, on the drawing of the site. */
export interface SiteItem {
  key: string;
  kind: 'prop' | 'controller';
  /** Index in the show. */
  index: number;
  id: string;
  name: string;
  place: SitePlacing | null;
  /** The larger of width and height: a small thing in front of a large one is meant first. */
  sizeMm: number;
  /** Whether a spot is on it, or near enough. */
  reachMm: (xMm: number, yMm: number, nearMm: number) => boolean;
}

/**
 * Things that could be on the drawing: sizes as planned, places as in the show, which may be ahead of its plan.
 */
export function itemsOf(plan: Plan, show: Pick<Show, 'props' | 'controllers'>): SiteItem[] {
  const latestProps = new Map(show.props.map((prop) => [prop.id, prop]));
  const latestControllers = new Map(show.controllers.map((controller) => [controller.id, controller]));
  const props = plan.show.props.map((prop, index): SiteItem => {
    const { firstPixel, pixelCount } = plannedAt(plan, index);
    const bounds = boundsOf(
      plan.pixels.xMm.subarray(firstPixel, firstPixel + pixelCount),
      plan.pixels.yMm.subarray(firstPixel, firstPixel + pixelCount),
    );
    const [width, height] = bounds
      ? [bounds.rightMm - bounds.leftMm, bounds.topMm - bounds.bottomMm]
      : [0, 0];
    const place = (latestProps.get(prop.id) ?? prop).site ?? null;
    return {
      key: `prop ${prop.id}`,
      kind: 'prop',
      index,
      id: prop.id,
      name: prop.name,
      place,
      sizeMm: Math.max(width, height),
      reachMm: (xMm, yMm, nearMm) => {
        if (!place) return false;
        const turn = (-place.turnDeg * Math.PI) / 180;
        const [dx, dy] = [xMm - place.xMm, yMm - place.yMm];
        const along = dx * Math.cos(turn) - dy * Math.sin(turn);
        const across = dx * Math.sin(turn) + dy * Math.cos(turn);
        return Math.abs(along) <= width / 2 + nearMm && Math.abs(across) <= height / 2 + nearMm;
      },
    };
  });
  const controllers = plan.show.controllers.map((controller, index): SiteItem => {
    const spot = (latestControllers.get(controller.id) ?? controller).site;
    const place = spot ? { ...spot, turnDeg: 0 } : null;
    return {
      key: `controller ${controller.id}`,
      kind: 'controller',
      index,
      id: controller.id,
      name: controller.name,
      place,
      sizeMm: 0,
      reachMm: (xMm, yMm, nearMm) =>
        place !== null && Math.hypot(xMm - place.xMm, yMm - place.yMm) <= nearMm * 1.5,
    };
  });
  return [...props, ...controllers];
}

/** The edit that puts an item somewhere, or takes it off. */
export function placeEdit(item: SiteItem, place: SitePlacing | null): Edit {
  if (item.kind === 'prop') return { type: 'changeProp', propId: item.id, change: { site: place } };
  return {
    type: 'changeController',
    controllerId: item.id,
    change: { site: place && { xMm: place.xMm, yMm: place.yMm } },
  };
}

export function samePlace(a: SitePlacing, b: SitePlacing): boolean {
  return a.xMm === b.xMm && a.yMm === b.yMm && a.turnDeg === b.turnDeg;
}

export function turned(place: SitePlacing, byDeg: number): SitePlacing {
  return { ...place, turnDeg: (((place.turnDeg + byDeg) % 360) + 360) % 360 };
}

/** Some of a prop's pixels where they are on the drawing: enough to see its shape. */
export function sampleOf(
  plan: Plan,
  index: number,
  place: SitePlacing,
  most: number,
): { xMm: number; yMm: number }[] {
  const { firstPixel, pixelCount } = plannedAt(plan, index);
  const middle = middleOfProp(plan, index);
  if (!middle) return [];
  const step = Math.max(1, Math.ceil(pixelCount / most));
  const spots: { xMm: number; yMm: number }[] = [];
  for (let i = firstPixel; i < firstPixel + pixelCount; i += step)
    spots.push(onSite(place, middle, { xMm: plan.pixels.xMm[i]!, yMm: plan.pixels.yMm[i]! }));
  return spots;
}
