import type { PlannedPort } from '../patch/plug';
import type { LaidShow } from '../plan/planned';
import { kindOf } from '../props/registry';
import { itemAt } from '../units/there';
import { wireOfRun } from '../plan/records';

/** Pixels of a run that one device has to drive: all of them, or those of the largest card where a wall is cut into cards. */
export function drivenPixels({ show, runs }: LaidShow, index: number): number {
  const { prop, pixelCount } = itemAt(runs, index);
  const { kind, shape, threading } = itemAt(show.props, prop);
  return kindOf({ kind }).drivenPixels?.(shape, threading) ?? pixelCount;
}

/** Pixels that one device has to drive on a port, skipped ones counted. */
export function drivenOnPort(plan: LaidShow, port: PlannedPort): number {
  return port.runs.reduce(
    (total, run) => total + wireOfRun(plan, run).skippedPixels + drivenPixels(plan, run),
    0,
  );
}
