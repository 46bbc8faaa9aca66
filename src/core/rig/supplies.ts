import { z } from 'zod';
import { idSchema } from '../fields/fields';
import type { Plan } from '../plan/planned';
import { controllerIndex, runIndex, type OnRun } from './fault';
import { runAt } from '../plan/records';

const onSupply = { supplyId: idSchema };
export interface OnSupply {
  supplyId: string;
}
export const supplySchemaOf = <Kind extends string>(kind: Kind) =>
  z.strictObject({ kind: z.literal(kind), ...onSupply });

export const nameOfSupply = ({ show }: Plan, { supplyId }: OnSupply) =>
  show.supplies.find(({ id }) => id === supplyId)?.name ?? 'a supply';

/** Runs and boards that a supply feeds by its leads, and by those of the boards that it feeds. */
export function fedBy(plan: Plan, { supplyId }: OnSupply): { runs: OnRun[]; controllers: number[] } {
  const { show } = plan;
  const boards = new Set<string>();
  const runs = new Map<string, OnRun>();
  for (const feed of show.feeds) {
    const isFed =
      feed.from.kind === 'supply' ? feed.from.supplyId === supplyId : boards.has(feed.from.controllerId);
    if (!isFed || feed.groundOnly) continue;
    for (const { to } of feed.pieces) {
      if (to.kind === 'controller') boards.add(to.controllerId);
      // The panels of a wall are one run.
      else {
        const run = to.kind === 'pixel' ? to.run : 1;
        runs.set(`${to.propId} ${run}`, { propId: to.propId, run });
      }
    }
  }
  return {
    runs: [...runs.values()].filter((place) => runIndex(plan, place) >= 0),
    controllers: [...boards].map((controllerId) => controllerIndex(plan, { controllerId })),
  };
}

/** Supplies that something lit hangs on. */
export const suppliesInUse = (plan: Plan): OnSupply[] =>
  plan.show.supplies.flatMap(({ id }) => {
    const { runs } = fedBy(plan, { supplyId: id });
    return runs.some((place) => runAt(plan, runIndex(plan, place)).wire) ? [{ supplyId: id }] : [];
  });

/** Controllers that it touches: its boards, and those whose lights it feeds. */
export function touchedBySupply(plan: Plan, place: OnSupply): number[] {
  const { runs, controllers } = fedBy(plan, place);
  const own = runs.flatMap((run) => {
    const wire = plan.runs[runIndex(plan, run)]?.wire;
    return wire ? [wire.controller] : [];
  });
  return [...new Set([...own, ...controllers])];
}
