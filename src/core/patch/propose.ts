/**
 * Puts runs on ports. Runs behind one port must be alike (voltage, chip family, channels a pixel), and together no longer than the
 * port takes. That is bin packing with bins of several sizes, which is hard in general: what is here is best fit with a search for
 * improvement behind it, held against an exact solver in the tests and the benchmark.
 */

export const GOALS = ['fewestPorts', 'leastCable', 'evenLoad'] as const;
export type Goal = (typeof GOALS)[number];

export interface ProposalRun {
  /** Places on the wire, skipped pixels counted. */
  pixels: number;
  /** Runs of different groups never share a port. */
  group: string;
  /** Cable from each controller, in millimetres; 0 where nobody knows. */
  cableMm: readonly number[];
}

export interface ProposalPort {
  /** Index into `cableMm` of the runs. */
  controller: number;
  /** The most pixels, by group: the controller's limit and what the wanted rate allows. */
  capacity: (group: string) => number;
  /** What is on it already and stays. */
  usedPixels: number;
  /** The group of what is on it; null while it is free. */
  group: string | null;
}

export interface ProposalInput {
  runs: readonly ProposalRun[];
  ports: readonly ProposalPort[];
  /** Pixels that a controller takes over all its ports, what stays on it taken off; Infinity where there is no such limit. */
  roomOfController: readonly number[];
  goal: Goal;
}

export interface Proposal {
  /** Index of the port for each run; -1 where none took it. */
  portOf: Int32Array;
  /** Ports in use, with those that were in use before. */
  portsUsed: number;
  cableMm: number;
  /** The fullest port's share of its capacity. */
  fullestShare: number;
}

class Assignment {
  readonly portOf: Int32Array;
  readonly load: Float64Array;
  readonly group: (string | null)[];
  readonly count: Int32Array;
  readonly room: Float64Array;
  private readonly capacities = new Map<string, Float64Array>();

  constructor(readonly input: ProposalInput) {
    const { runs, ports, roomOfController } = input;
    this.portOf = new Int32Array(runs.length).fill(-1);
    this.load = Float64Array.from(ports, (port) => port.usedPixels);
    this.group = ports.map((port) => port.group);
    this.count = new Int32Array(ports.length);
    this.room = Float64Array.from(roomOfController);
    for (const group of new Set(runs.map((run) => run.group)))
      this.capacities.set(
        group,
        Float64Array.from(ports, (port) => port.capacity(group)),
      );
  }

  capacity(port: number, group: string): number {
    return this.capacities.get(group)![port]!;
  }

  fits(run: number, port: number): boolean {
    const { pixels, group } = this.input.runs[run]!;
    const there = this.group[port];
    if (there !== null && there !== group) return false;
    if (this.load[port]! + pixels > this.capacity(port, group)) return false;
    return this.room[this.input.ports[port]!.controller]! >= pixels;
  }

  put(run: number, port: number): void {
    const { pixels, group } = this.input.runs[run]!;
    this.portOf[run] = port;
    this.load[port]! += pixels;
    this.group[port] = group;
    this.count[port]! += 1;
    this.room[this.input.ports[port]!.controller]! -= pixels;
  }

  takeOff(run: number): number {
    const port = this.portOf[run]!;
    const { pixels } = this.input.runs[run]!;
    this.portOf[run] = -1;
    this.load[port]! -= pixels;
    this.count[port]! -= 1;
    if (this.count[port] === 0) this.group[port] = this.input.ports[port]!.group;
    this.room[this.input.ports[port]!.controller]! += pixels;
    return port;
  }

  isUsed(port: number): boolean {
    return this.count[port]! > 0 || this.input.ports[port]!.usedPixels > 0;
  }

  share(port: number, group: string, more = 0): number {
    return (this.load[port]! + more) / Math.max(1, this.capacity(port, group));
  }

  cable(run: number, port: number): number {
    return this.input.runs[run]!.cableMm[this.input.ports[port]!.controller] ?? 0;
  }
}

/** A proposal for all runs. The same input gives the same proposal. */
export function propose(input: ProposalInput): Proposal {
  const assignment = new Assignment(input);
  const order = Array.from(input.runs.keys()).sort(
    (a, b) => input.runs[b]!.pixels - input.runs[a]!.pixels || a - b,
  );
  if (input.goal === 'fewestPorts') {
    for (const run of order) placeBestFit(assignment, run);
    emptyPorts(assignment);
  } else if (input.goal === 'evenLoad') {
    for (const run of order) placeEvenly(assignment, run);
    levelLoads(assignment);
  } else {
    for (const run of byRegret(input)) placeNear(assignment, run);
    for (const run of order) if (assignment.portOf[run] === -1) placeBestFit(assignment, run);
    shortenCables(assignment);
  }
  for (const run of order) if (assignment.portOf[run] === -1) placeBestFit(assignment, run);
  return measure(assignment);
}

/** The tightest port in use that takes a run; otherwise the free one that takes most, so that few are begun. */
function placeBestFit(
  assignment: Assignment,
  run: number,
  among: (port: number) => boolean = () => true,
): boolean {
  const { ports, runs } = assignment.input;
  const { group, pixels } = runs[run]!;
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

/** Tries to do without each port in turn, the emptiest first, by finding its runs a place on the others. */
function emptyPorts(assignment: Assignment): void {
  const { ports, runs } = assignment.input;
  for (let again = true, rounds = 0; again && rounds < 12; rounds += 1) {
    again = false;
    const candidates = Array.from(ports.keys())
      .filter((port) => assignment.count[port]! > 0 && ports[port]!.usedPixels === 0)
      .sort((a, b) => assignment.load[a]! - assignment.load[b]!);
    for (const port of candidates) {
      const moved = Array.from(runs.keys()).filter((run) => assignment.portOf[run] === port);
      if (moved.length === 0) continue;
      const before = Int32Array.from(assignment.portOf);
      moved.sort((a, b) => runs[b]!.pixels - runs[a]!.pixels);
      for (const run of moved) assignment.takeOff(run);
      const open = (other: number) => other !== port && assignment.isUsed(other);
      const done = moved.every(
        (run) => placeBestFit(assignment, run, open) || makeRoom(assignment, run, open),
      );
      if (done) again = true;
      else restore(assignment, before);
    }
  }
}

/** Puts a run where another one leaves its place to it, because that one fits elsewhere. */
function makeRoom(assignment: Assignment, run: number, among: (port: number) => boolean): boolean {
  const { runs } = assignment.input;
  for (let other = 0; other < runs.length; other += 1) {
    const port = assignment.portOf[other]!;
    if (port === -1 || !among(port) || runs[other]!.group !== runs[run]!.group) continue;
    if (runs[other]!.pixels >= runs[run]!.pixels) continue;
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

function restore(assignment: Assignment, portOf: Int32Array): void {
  for (let run = 0; run < portOf.length; run += 1) if (assignment.portOf[run] !== -1) assignment.takeOff(run);
  for (let run = 0; run < portOf.length; run += 1) if (portOf[run] !== -1) assignment.put(run, portOf[run]!);
}

/** The port whose share of its capacity is least with the run on it. */
function placeEvenly(assignment: Assignment, run: number): boolean {
  const { ports, runs } = assignment.input;
  const { group, pixels } = runs[run]!;
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
      const { group, pixels } = runs[run]!;
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
        if (port === -1 || port === fullest || runs[other]!.pixels >= runs[run]!.pixels) continue;
        if (runs[other]!.group !== runs[run]!.group) continue;
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
    (a, b) => regret[b]! - regret[a]! || runs[b]!.pixels - runs[a]!.pixels || a - b,
  );
}

/** The nearest controller with room; there a free port, unless all are in use. */
function placeNear(assignment: Assignment, run: number): boolean {
  const { cableMm } = assignment.input.runs[run]!;
  const controllers = Array.from(cableMm.keys()).sort((a, b) => cableMm[a]! - cableMm[b]!);
  return controllers.some((controller) =>
    placeBestFit(assignment, run, (port) => assignment.input.ports[port]!.controller === controller),
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

function measure(assignment: Assignment): Proposal {
  const { ports, runs } = assignment.input;
  let [portsUsed, cableMm, fullestShare] = [0, 0, 0];
  for (let port = 0; port < ports.length; port += 1) {
    if (!assignment.isUsed(port)) continue;
    portsUsed += 1;
    const group = assignment.group[port];
    if (group !== null && assignment.count[port]! > 0)
      fullestShare = Math.max(fullestShare, assignment.share(port, group!));
  }
  for (let run = 0; run < runs.length; run += 1)
    if (assignment.portOf[run] !== -1) cableMm += assignment.cable(run, assignment.portOf[run]!);
  return { portOf: assignment.portOf, portsUsed, cableMm, fullestShare };
}
