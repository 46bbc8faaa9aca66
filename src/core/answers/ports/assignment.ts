import { itemAt, valueIn } from '../../units/there';
export const GOALS = ['fewestPorts', 'leastCable', 'evenLoad'] as const;
export type Goal = (typeof GOALS)[number];

interface ProposalRun {
  /** Places on the wire, skipped pixels counted. */
  pixels: number;
  /** Runs of different groups never share a port. */
  group: string;
  /** Cable from each controller, in millimetres; 0 where nobody knows. */
  cableMm: readonly number[];
}

interface ProposalPort {
  /** Index into `cableMm` of the runs. */
  controller: number;
  /** The most pixels, by group: the controller's limit and what the wanted rate allows. */
  capacity: (group: string) => number;
  /** Pixels on it already that stay. */
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

/** Runs on ports while they are being put there: what fits, what is full, what it is worth. */
export class Assignment {
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
    return valueIn(this.capacities, group)[port]!;
  }

  fits(run: number, port: number): boolean {
    const { pixels, group } = itemAt(this.input.runs, run);
    const there = this.group[port];
    if (there !== null && there !== group) return false;
    if (this.load[port]! + pixels > this.capacity(port, group)) return false;
    return this.room[itemAt(this.input.ports, port).controller]! >= pixels;
  }

  put(run: number, port: number): void {
    const { pixels, group } = itemAt(this.input.runs, run);
    this.portOf[run] = port;
    this.load[port]! += pixels;
    this.group[port] = group;
    this.count[port]! += 1;
    this.room[itemAt(this.input.ports, port).controller]! -= pixels;
  }

  takeOff(run: number): number {
    const port = this.portOf[run]!;
    const { pixels } = itemAt(this.input.runs, run);
    this.portOf[run] = -1;
    this.load[port]! -= pixels;
    this.count[port]! -= 1;
    if (this.count[port] === 0) this.group[port] = itemAt(this.input.ports, port).group;
    this.room[itemAt(this.input.ports, port).controller]! += pixels;
    return port;
  }

  isUsed(port: number): boolean {
    return this.count[port]! > 0 || itemAt(this.input.ports, port).usedPixels > 0;
  }

  share(port: number, group: string, more = 0): number {
    return (this.load[port]! + more) / Math.max(1, this.capacity(port, group));
  }

  cable(run: number, port: number): number {
    return itemAt(this.input.runs, run).cableMm[itemAt(this.input.ports, port).controller] ?? 0;
  }

  /** Puts every run where it was. */
  restore(portOf: Int32Array): void {
    const moved = Array.from(portOf.keys()).filter((run) => this.portOf[run] !== portOf[run]);
    for (const run of moved) if (this.portOf[run] !== -1) this.takeOff(run);
    for (const run of moved) if (portOf[run] !== -1) this.put(run, portOf[run]!);
  }

  measure(): Omit<Proposal, 'portOf'> {
    const { ports, runs } = this.input;
    let [portsUsed, cableMm, fullestShare] = [0, 0, 0];
    for (let port = 0; port < ports.length; port += 1) {
      if (!this.isUsed(port)) continue;
      portsUsed += 1;
      if (this.count[port]! > 0) fullestShare = Math.max(fullestShare, this.share(port, this.group[port]!));
    }
    for (let run = 0; run < runs.length; run += 1)
      if (this.portOf[run] !== -1) cableMm += this.cable(run, this.portOf[run]!);
    return { portsUsed, cableMm, fullestShare };
  }

  /** Cost of an assignment; less is better. */
  value(): number {
    const { portsUsed, cableMm, fullestShare } = this.measure();
    return { fewestPorts: portsUsed, leastCable: cableMm, evenLoad: fullestShare }[this.input.goal];
  }

  /** Pixels of runs that are on no port. */
  leftPixels(): number {
    return this.input.runs.reduce(
      (sum, { pixels }, run) => (this.portOf[run] === -1 ? sum + pixels : sum),
      0,
    );
  }
}
