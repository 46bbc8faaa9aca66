import { wallOf } from '../props/registry';
import { pictureIndex, pictureXy } from '../panels/pictureMap';
import type { Plan } from '../plan/planned';
import { runIndex, runsOf, type OnRun } from './fault';
import type { Rig } from './rig';
import { itemAt } from '../units/there';
import { propAt, plannedAt, runAt } from '../plan/records';

/**
 * The lights of a run on the wire in another order.
 *
 * @param places for each place on the wire, from 0, which pixel of the run is there
 */
export function rewireRun(rig: Rig, place: OnRun, places: (count: number) => ArrayLike<number>): Rig {
  const run = rig.plan.runs[runIndex(rig.plan, place)];
  if (!run?.wire) return rig;
  const { firstPixel, pixelCount, wire } = run;
  const order = places(pixelCount);
  const end = firstPixel + pixelCount;
  return {
    ...rig,
    chains: rig.chains.map((chain) => {
      if (chain.controller !== wire.controller) return chain;
      // The place of each pixel of the run now; other faults may have moved it already.
      const isOwn = (pixel: number) => pixel >= firstPixel && pixel < end;
      if (!chain.pixel.some(isOwn)) return chain;
      const pixel = Int32Array.from(chain.pixel);
      for (let i = 0; i < pixel.length; i += 1)
        if (isOwn(pixel[i]!)) pixel[i] = firstPixel + order[pixel[i]! - firstPixel]!;
      return { ...chain, pixel };
    }),
  };
}

/** The strands of a run, by places in it from 0. */
export function strandsOf(plan: Plan, place: OnRun): { first: number; length: number }[] {
  const run = plan.runs[runIndex(plan, place)];
  if (!run) return [];
  const { firstPixel, strands } = plannedAt(plan, run.prop);
  const start = run.firstPixel - firstPixel;
  return strands.flatMap((strand) => {
    const first = strand.firstPixel - start;
    return first >= 0 && first < run.pixelCount ? [{ first, length: strand.pixelCount }] : [];
  });
}

/** For each place of a run the pixel that a mirror about the middle of its prop would put there; itself where none is near. */
export function mirrorOf(plan: Plan, place: OnRun, count: number): number[] {
  const run = runAt(plan, runIndex(plan, place));
  const { firstPixel, pixelCount } = plannedAt(plan, run.prop);
  const { xMm, yMm } = plan.pixels;
  let [left, right] = [Infinity, -Infinity];
  for (let pixel = firstPixel; pixel < firstPixel + pixelCount; pixel += 1) {
    left = Math.min(left, xMm[pixel]!);
    right = Math.max(right, xMm[pixel]!);
  }
  const keyOf = (x: number, y: number) => `${Math.round(x)} ${Math.round(y)}`;
  const at = new Map<string, number>();
  for (let i = 0; i < count; i += 1) {
    const pixel = run.firstPixel + i;
    at.set(keyOf(xMm[pixel]!, yMm[pixel]!), i);
  }
  const places = Array.from({ length: count }, (_, i) => {
    const pixel = run.firstPixel + i;
    return at.get(keyOf(left + right - xMm[pixel]!, yMm[pixel]!)) ?? i;
  });
  // Two places at one pixel would leave another without light: then nothing is mirrored.
  return new Set(places).size === count ? places : places.map((_, i) => i);
}

/** A wall by its panels: where on which panel each place of its run is. */
interface WallByPanels {
  columns: number;
  rows: number;
  panel: { columns: number; rows: number };
  /** Column and row of a panel are from 0 at the top left of the front, x and y within it too. */
  at: (index: number) => WallPlace;
  indexOf: (column: number, row: number, x: number, y: number) => number;
}

const walls = new WeakMap<Plan, Map<number, WallByPanels | null>>();

/** Null for a run that is of no whole wall. */
export function panelsOf(plan: Plan, place: OnRun): WallByPanels | null {
  let known = walls.get(plan);
  if (!known) walls.set(plan, (known = new Map()));
  const run = runIndex(plan, place);
  let wall = known.get(run);
  if (wall === undefined) known.set(run, (wall = byPanels(plan, run)));
  return wall;
}

function byPanels(plan: Plan, index: number): WallByPanels | null {
  const run = plan.runs[index];
  const laid = run && wallOf(propAt(plan, run.prop));
  if (!run || !laid) return null;
  const { columns, rows, panel } = laid.wall;
  const map = {
    width: columns * panel.columns,
    height: rows * panel.rows,
    corner: laid.pictureCorner,
  };
  if (run.pixelCount !== map.width * map.height) return null;
  const places = Array.from({ length: run.pixelCount }, (_, i): WallPlace => {
    const [x, y] = pictureXy(map, i);
    return {
      column: Math.floor(x / panel.columns),
      row: Math.floor(y / panel.rows),
      x: x % panel.columns,
      y: y % panel.rows,
    };
  });
  return {
    columns,
    rows,
    panel,
    at: (i) => itemAt(places, i),
    indexOf: (column, row, x, y) => pictureIndex(map, column * panel.columns + x, row * panel.rows + y),
  };
}

/** Runs of the show that are walls of more than one panel. */
export function wallRunsOf(plan: Plan): OnRun[] {
  return runsOf(plan).filter((place) => {
    const panels = panelsOf(plan, place);
    return panels !== null && panels.columns * panels.rows > 1;
  });
}

/** Columns and rows of all panels of a wall, from 1 at the top left of the front. */
export function panelCells(plan: Plan, place: OnRun): { column: number; row: number }[] {
  const { columns, rows } = panelsOf(plan, place) ?? { columns: 0, rows: 0 };
  return Array.from({ length: columns * rows }, (_, i) => ({
    column: 1 + (i % columns),
    row: 1 + Math.floor(i / columns),
  }));
}

/** The place of a pixel on a wall: its panel from 0 at the top left of the front, and its place in it. */
export interface WallPlace {
  column: number;
  row: number;
  x: number;
  y: number;
}

/** The lights of a wall on the wire in another order. @param moved where what is for a place goes */
export function rewireWall(
  rig: Rig,
  place: OnRun,
  moved: (wall: NonNullable<ReturnType<typeof panelsOf>>, at: WallPlace) => WallPlace,
): Rig {
  const panels = panelsOf(rig.plan, place);
  if (!panels) return rig;
  return rewireRun(rig, place, (count) => {
    const order = new Int32Array(count);
    for (let i = 0; i < count; i += 1) {
      const at = panels.at(i);
      const to = moved(panels, at);
      // Most stay where they are.
      order[i] = to === at ? i : panels.indexOf(to.column, to.row, to.x, to.y);
    }
    return order;
  });
}

/** Marks some lights of a run, by their places in it from 0. */
export function markPlaces(rig: Rig, place: OnRun, state: number, isMarked: (index: number) => boolean): Rig {
  const run = rig.plan.runs[runIndex(rig.plan, place)];
  if (!run?.wire) return rig;
  return {
    ...rig,
    chains: rig.chains.map((chain) =>
      chain.controller !== run.wire!.controller
        ? chain
        : {
            ...chain,
            state: chain.state.map((before, i) => {
              const at = chain.pixel[i]! - run.firstPixel;
              return at >= 0 && at < run.pixelCount && isMarked(at) ? state : before;
            }),
          },
    ),
  };
}
