/**
 * Puts runs on ports. Runs behind one port must be alike (voltage, chip family, channels a pixel), and together no longer than the
 * port takes. That is bin packing with bins of several sizes, which is hard in general: what is here is best fit with a search for
 * improvement behind it, held against an exact solver in the tests and the benchmark.
 */

import { Assignment, type Proposal, type ProposalInput } from './assignment';
import { placeBestFit, placeEvenly, placeNear } from './place';
import { searchFurther } from './searchFurther';
import { itemAt } from '../../units/there';

/** A proposal for all runs. The same input gives the same proposal. */
export function propose(input: ProposalInput): Proposal {
  const assignment = new Assignment(input);
  build(assignment);
  if (assignment.leftPixels() > 0) {
    // Packing tightly leaves fewer behind than looking after cables or loads.
    const tight = new Assignment({ ...input, goal: 'fewestPorts' });
    build(tight);
    if (tight.leftPixels() < assignment.leftPixels()) assignment.restore(tight.portOf);
  }
  searchFurther(assignment);
  improve(assignment);
  takeInListOrder(assignment);
  return { portOf: assignment.portOf, ...assignment.measure() };
}

/** The first in the list of runs that are alike gets the first port: the rest is as a builder expects. */
function takeInListOrder(assignment: Assignment): void {
  const { runs, goal } = assignment.input;
  const alike = new Map<string, number[]>();
  runs.forEach(({ group, pixels, cableMm }, run) => {
    const key = `${group} ${pixels} ${goal === 'leastCable' ? cableMm.join() : ''}`;
    const others = alike.get(key);
    if (others) others.push(run);
    else alike.set(key, [run]);
  });
  const portOf = Int32Array.from(assignment.portOf);
  for (const own of alike.values()) {
    const ports = own
      .map((run) => assignment.portOf[run]!)
      .sort((a, b) => (a === -1 ? 1 : b === -1 ? -1 : a - b));
    own.forEach((run, i) => (portOf[run] = itemAt(ports, i)));
  }
  assignment.restore(portOf);
}

/** A first assignment by the goal. */
function build(assignment: Assignment): void {
  const { runs, goal } = assignment.input;
  const order = Array.from(runs.keys()).sort(
    (a, b) => itemAt(runs, b).pixels - itemAt(runs, a).pixels || a - b,
  );
  if (goal === 'leastCable') for (const run of byRegret(assignment.input)) placeNear(assignment, run);
  else for (const run of order) (goal === 'evenLoad' ? placeEvenly : placeBestFit)(assignment, run);
  for (const run of order) if (assignment.portOf[run] === -1) placeBestFit(assignment, run);
  improve(assignment);
}

/** Single moves and exchanges, as long as they help. */
function improve(assignment: Assignment): void {
  ({ fewestPorts: emptyPorts, leastCable: shortenCables, evenLoad: levelLoads })[assignment.input.goal](
    assignment,
  );
}

/** Tries to do without each port in turn, the emptiest first, by finding its runs a place on the others. */
function emptyPorts(assignment: Assignment): void {
  const { ports, runs } = assignment.input;
  for (let again = true, rounds = 0; again && rounds < 12; rounds += 1) {
    again = false;
    const candidates = Array.from(ports.keys())
      .filter((port) => assignment.count[port]! > 0 && itemAt(ports, port).usedPixels === 0)
      .sort((a, b) => assignment.load[a]! - assignment.load[b]!);
    for (const port of candidates) {
      const moved = Array.from(runs.keys()).filter((run) => assignment.portOf[run] === port);
      if (moved.length === 0) continue;
      const before = Int32Array.from(assignment.portOf);
      moved.sort((a, b) => itemAt(runs, b).pixels - itemAt(runs, a).pixels);
      for (const run of moved) assignment.takeOff(run);
      const open = (other: number) => other !== port && assignment.isUsed(other);
      const done = moved.every(
        (run) => placeBestFit(assignment, run, open) || makeRoom(assignment, run, open),
      );
      if (done) again = true;
      else assignment.restore(before);
    }
  }
}

/** Puts a run where another one leaves its place to it, because that one fits elsewhere. */
function makeRoom(assignment: Assignment, run: number, among: (port: number) => boolean): boolean {
  const { runs } = assignment.input;
  for (let other = 0; other < runs.length; other += 1) {
    const port = assignment.portOf[other]!;
    if (port === -1 || !among(port) || itemAt(runs, other).group !== itemAt(runs, run).group) continue;
    if (itemAt(runs, other).pixels >= itemAt(runs, run).pixels) continue;
    assignment.takeOff(other);
    if (assignment.fits(run, port)) {
      assignment.put(run, port);
      if (placeBestFit(assignment, other, among)) return true;
      assignment.takeOff(run);
    }
    assignment.put(other, port);
  }
  return false;
}

/** Moves runs off the fullest port, or exchanges them for smaller ones, as long as that makes the fullest less full. */
function levelLoads(assignment: Assignment): void {
  const { ports, runs } = assignment.input;
  const shareOf = (port: number) =>
    assignment.group[port] === null ? 0 : assignment.share(port, assignment.group[port]!);
  for (let rounds = 0; rounds < 400; rounds += 1) {
    let fullest = -1;
    for (let port = 0; port < ports.length; port += 1)
      if (assignment.count[port]! > 0 && (fullest === -1 || shareOf(port) > shareOf(fullest))) fullest = port;
    if (fullest === -1 || !relieve(assignment, fullest, shareOf)) return;
  }
  function relieve(all: Assignment, fullest: number, share: (port: number) => number): boolean {
    const limit = share(fullest) - 1e-9;
    const own = Array.from(runs.keys()).filter((run) => all.portOf[run] === fullest);
    for (const run of own) {
      const { group, pixels } = itemAt(runs, run);
      for (let port = 0; port < ports.length; port += 1) {
        if (port === fullest || !all.fits(run, port) || all.share(port, group, pixels) >= limit) continue;
        all.takeOff(run);
        all.put(run, port);
        return true;
      }
    }
    for (const run of own)
      for (let other = 0; other < runs.length; other += 1) {
        const port = all.portOf[other]!;
        if (port === -1 || port === fullest || itemAt(runs, other).pixels >= itemAt(runs, run).pixels)
          continue;
        if (itemAt(runs, other).group !== itemAt(runs, run).group) continue;
        if (trySwap(all, run, other, () => share(fullest) < limit && share(port) < limit)) return true;
      }
    return false;
  }
}

/** Exchanges two runs; takes it back unless both fit and it is wanted so. */
function trySwap(assignment: Assignment, a: number, b: number, wanted: () => boolean): boolean {
  const portA = assignment.takeOff(a);
  const portB = assignment.takeOff(b);
  if (assignment.fits(a, portB)) {
    assignment.put(a, portB);
    if (assignment.fits(b, portA)) {
      assignment.put(b, portA);
      if (wanted()) return true;
      assignment.takeOff(b);
    }
    assignment.takeOff(a);
  }
  assignment.put(a, portA);
  assignment.put(b, portB);
  return false;
}

/** Runs that lose most when they do not get their nearest controller come first. */
function byRegret({ runs }: ProposalInput): number[] {
  const regret = runs.map(({ cableMm }) => {
    const [nearest, second] = [...cableMm].sort((a, b) => a - b);
    return (second ?? 0) - (nearest ?? 0);
  });
  return Array.from(runs.keys()).sort(
    (a, b) =>
      itemAt(regret, b) - itemAt(regret, a) || itemAt(runs, b).pixels - itemAt(runs, a).pixels || a - b,
  );
}

/** Moves a run to a nearer controller, or exchanges two, as long as that saves cable. */
function shortenCables(assignment: Assignment): void {
  const { ports, runs } = assignment.input;
  for (let again = true, rounds = 0; again && rounds < 30; rounds += 1) {
    again = false;
    for (let run = 0; run < runs.length; run += 1) {
      const from = assignment.portOf[run]!;
      if (from === -1) continue;
      const now = assignment.cable(run, from);
      let best = -1;
      let bestCable = now - 1e-6;
      for (let port = 0; port < ports.length; port += 1) {
        if (port === from || assignment.cable(run, port) >= bestCable || !assignment.fits(run, port))
          continue;
        [best, bestCable] = [port, assignment.cable(run, port)];
      }
      if (best !== -1) {
        assignment.takeOff(run);
        assignment.put(run, best);
        again = true;
      }
    }
    for (let a = 0; a < runs.length; a += 1)
      for (let b = a + 1; b < runs.length; b += 1) {
        const [portA, portB] = [assignment.portOf[a]!, assignment.portOf[b]!];
        if (portA === -1 || portB === -1 || portA === portB) continue;
        const saved =
          assignment.cable(a, portA) +
          assignment.cable(b, portB) -
          assignment.cable(a, portB) -
          assignment.cable(b, portA);
        if (saved > 1e-6 && trySwap(assignment, a, b, () => true)) again = true;
      }
    for (let run = 0; run < runs.length; run += 1) again = ejectFor(assignment, run) || again;
  }
}

/** A run takes the place of another at a nearer controller, and that one goes wherever both together are shortest. */
function ejectFor(assignment: Assignment, run: number): boolean {
  const { ports, runs } = assignment.input;
  const from = assignment.portOf[run]!;
  if (from === -1) return false;
  for (let other = 0; other < runs.length; other += 1) {
    const port = assignment.portOf[other]!;
    if (other === run || port === -1 || port === from) continue;
    const gain = assignment.cable(run, from) - assignment.cable(run, port);
    if (gain <= 1e-6) continue;
    assignment.takeOff(run);
    assignment.takeOff(other);
    if (assignment.fits(run, port)) {
      assignment.put(run, port);
      let best = -1;
      let bestCable = assignment.cable(other, port) + gain - 1e-6;
      for (let target = 0; target < ports.length; target += 1)
        if (assignment.cable(other, target) < bestCable && assignment.fits(other, target))
          [best, bestCable] = [target, assignment.cable(other, target)];
      if (best !== -1) {
        assignment.put(other, best);
        return true;
      }
      assignment.takeOff(run);
    }
    assignment.put(run, from);
    assignment.put(other, port);
  }
  return false;
}
