import type { PlannedPort } from '../patch/plug';
import type { LaidShow } from '../plan/planned';
import { kindOf } from '../props/registry';

/** Pixels of a run that one device has to drive: all of them, or those of the largest card where a wall is cut into cards. */
export function drivenPixels({ show, runs }: LaidShow, index: number): number {
  const { prop, pixelCount } = runs[index]!;
  const { kind, shape, threading } = show.props[prop]!;
  return kindOf({ kind }).drivenPixels?.(shape, threading) ?? pixelCount;
}

/** Pixels that one device has to drive on a port, skipped ones counted. */
export function drivenOnPort(plan: LaidShow, port: PlannedPort): number {
  return port.runs.reduce(
    (total, run) => total + plan.runs[run]!.wire!.skippedPixels + drivenPixels(plan, run),
    0,
  );
}
