import type { Assignment } from './assignment';
import { placeBestFit, placeEvenly, placeNear } from './place';
import { itemAt, valueIn } from '../../units/there';

/** Steps of the search, of which each looks at some runs and all ports: large shows get fewer, so that all take well below a second. */
const MOST_STEPS = 2000;
const WORK = 6_000_000;

/**
 * Takes the runs of a few ports off and puts them back another way, again and again; what is not worse stays. First all runs are to
 * have a port, then the goal counts. Steps sideways are taken too: they are the way out of where single moves end (Schrimpf and
 * others, "Record breaking optimization results using the ruin and recreate principle", 2000).
 */
export function searchFurther(assignment: Assignment): void {
  const { runs, ports, goal } = assignment.input;
  if (runs.length === 0 || ports.length === 0) return;
  const random = randomFrom(1);
  const pick = (count: number) => Math.floor(random() * count);
  const placeForGoal = { fewestPorts: placeBestFit, leastCable: placeNear, evenLoad: placeEvenly }[goal];
  const steps = Math.min(MOST_STEPS, Math.ceil(WORK / ((runs.length + ports.length) * 12)));
  let left = assignment.leftPixels();
  let value = assignment.value();
  for (let step = 0; step < steps; step += 1) {
    const before = Int32Array.from(assignment.portOf);
    const cleared = new Set<number>();
    // Around one run that is to get a better place, and runs that it could change places with.
    const loose = Array.from(runs.keys()).filter((run) => assignment.portOf[run] === -1);
    const centre = loose.length > 0 && random() < 0.7 ? itemAt(loose, pick(loose.length)) : pick(runs.length);
    if (assignment.portOf[centre] !== -1) cleared.add(assignment.portOf[centre]!);
    for (let more = 1 + pick(4); more > 0; more -= 1) {
      const other = pick(runs.length);
      if (assignment.portOf[other] === -1) continue;
      if (itemAt(runs, other).group === itemAt(runs, centre).group || random() < 0.3)
        cleared.add(assignment.portOf[other]!);
    }
    const moving = [...loose];
    for (let run = 0; run < runs.length; run += 1) if (cleared.has(assignment.portOf[run]!)) moving.push(run);
    for (const run of moving) if (assignment.portOf[run] !== -1) assignment.takeOff(run);
    // The longest first, as packing goes best, but not always: another order finds other places.
    const blur = random() < 0.5 ? 0.2 : 0.8;
    const weight = new Map(
      moving.map((run) => [run, itemAt(runs, run).pixels * (1 + blur * (random() - 0.5))]),
    );
    moving.sort((a, b) => valueIn(weight, b) - valueIn(weight, a));
    const place = random() < 0.6 ? placeForGoal : placeBestFit;
    for (const run of moving) place(assignment, run);
    const nowLeft = assignment.leftPixels();
    const nowValue = assignment.value();
    if (nowLeft < left || (nowLeft === left && nowValue <= value + 1e-9)) [left, value] = [nowLeft, nowValue];
    else assignment.restore(before);
  }
}

/** Numbers from 0 to 1; the same seed gives the same ones, and the same show the same proposal (Mulberry32, public domain). */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
