import type { Assignment } from './assignment';
import { itemAt } from '../../units/there';

/** The tightest port in use that takes a run; otherwise the free one that takes most, so that few are begun. */
export function placeBestFit(
  assignment: Assignment,
  run: number,
  among: (port: number) => boolean = () => true,
): boolean {
  const { ports, runs } = assignment.input;
  const { group, pixels } = itemAt(runs, run);
  let best = -1;
  let bestRoom = Infinity;
  let free = -1;
  let freeRoom = -1;
  for (let port = 0; port < ports.length; port += 1) {
    if (!among(port) || !assignment.fits(run, port)) continue;
    const room = assignment.capacity(port, group) - assignment.load[port]! - pixels;
    if (assignment.isUsed(port)) {
      if (room < bestRoom) [best, bestRoom] = [port, room];
    } else if (room > freeRoom) [free, freeRoom] = [port, room];
  }
  const chosen = best !== -1 ? best : free;
  if (chosen === -1) return false;
  assignment.put(run, chosen);
  return true;
}

/** The port whose share of its capacity is least with the run on it. */
export function placeEvenly(assignment: Assignment, run: number): boolean {
  const { ports, runs } = assignment.input;
  const { group, pixels } = itemAt(runs, run);
  let best = -1;
  let least = Infinity;
  for (let port = 0; port < ports.length; port += 1) {
    if (!assignment.fits(run, port)) continue;
    const share = assignment.share(port, group, pixels);
    if (share < least - 1e-12) [best, least] = [port, share];
  }
  if (best === -1) return false;
  assignment.put(run, best);
  return true;
}

/** The nearest controller with room; there a free port, unless all are in use. */
export function placeNear(assignment: Assignment, run: number): boolean {
  const { cableMm } = itemAt(assignment.input.runs, run);
  const controllers = Array.from(cableMm.keys()).sort((a, b) => itemAt(cableMm, a) - itemAt(cableMm, b));
  return controllers.some((controller) =>
    placeBestFit(assignment, run, (port) => itemAt(assignment.input.ports, port).controller === controller),
  );
}
