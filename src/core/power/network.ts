/**
 * Part of what a load draws: nothing up to the cutoff, all of it from the knee on, and evenly more between them. A colour of a pixel is
 * one such part, and so is what its chip takes while it is dark.
 */
export interface Ramp {
  cutoffV: number;
  /** Above the cutoff. */
  kneeV: number;
  /** From the knee on. */
  amps: number;
}

/** A network of wires, supplies and loads. Nodes are numbered from 0; each conductor has nodes of its own, so that the ground rail lifts too. */
export interface Network {
  nodeCount: number;
  /** Pieces of conductor, from node to node. */
  wires: { from: Int32Array; to: Int32Array; ohm: Float64Array };
  /** Each holds its plus so far above its minus, whatever flows. */
  supplies: readonly { plus: number; minus: number; volts: number }[];
  /** Loads between two nodes, each of one of the kinds. */
  loads: { plus: Int32Array; minus: Int32Array; kind: Uint16Array };
  /** Current of a load of each kind, as the sum of its ramps. */
  kinds: readonly (readonly Ramp[])[];
}

/** Something that no network can have, with its place in the list. */
export class NetworkError extends Error {
  constructor(
    message: string,
    readonly part: 'wire' | 'supply' | 'load' | 'kind',
    readonly index: number,
  ) {
    super(message);
  }
}

const MOST_VOLTS = 60;

/** Throws a `NetworkError` that names the first part that cannot be. */
export function checkNetwork({ nodeCount, wires, supplies, loads, kinds }: Network): void {
  const isNode = (node: number) => Number.isInteger(node) && node >= 0 && node < nodeCount;
  for (let i = 0; i < wires.ohm.length; i += 1) {
    const ohm = wires.ohm[i]!;
    if (!(ohm > 0 && ohm < Infinity))
      throw new NetworkError(`A piece of wire has a resistance above 0 ohm; this one has ${ohm}.`, 'wire', i);
    if (!isNode(wires.from[i]!) || !isNode(wires.to[i]!) || wires.from[i] === wires.to[i])
      throw new NetworkError('A piece of wire goes from one place to another.', 'wire', i);
  }
  supplies.forEach(({ plus, minus, volts }, i) => {
    if (!(volts > 0 && volts <= MOST_VOLTS))
      throw new NetworkError(
        `A supply of a display gives up to ${MOST_VOLTS} V; this one would give ${volts}.`,
        'supply',
        i,
      );
    if (!isNode(plus) || !isNode(minus) || plus === minus)
      throw new NetworkError('A supply has a plus and a minus.', 'supply', i);
  });
  for (let i = 0; i < loads.plus.length; i += 1)
    if (!isNode(loads.plus[i]!) || !isNode(loads.minus[i]!) || !kinds[loads.kind[i]!])
      throw new NetworkError('A load stands between two places and is of a kind.', 'load', i);
  kinds.forEach((ramps, i) => {
    for (const { cutoffV, kneeV, amps } of ramps)
      if (!(cutoffV >= 0 && kneeV > cutoffV && kneeV < Infinity && amps >= 0 && amps < Infinity))
        throw new NetworkError(
          `A load draws nothing up to its cutoff and all from its knee on, which is above it; this one has ${cutoffV} V and ${kneeV} V.`,
          'kind',
          i,
        );
  });
}

/** Current of a load of a kind at a voltage, in amps. */
export function ampsAt(ramps: readonly Ramp[], volts: number): number {
  let amps = 0;
  for (const ramp of ramps) {
    if (volts >= ramp.kneeV) amps += ramp.amps;
    else if (volts > ramp.cutoffV) amps += (ramp.amps * (volts - ramp.cutoffV)) / (ramp.kneeV - ramp.cutoffV);
  }
  return amps;
}

/** Slope of that current, in amps a volt. */
export function siemensAt(ramps: readonly Ramp[], volts: number): number {
  let siemens = 0;
  for (const ramp of ramps)
    if (volts > ramp.cutoffV && volts < ramp.kneeV) siemens += ramp.amps / (ramp.kneeV - ramp.cutoffV);
  return siemens;
}
