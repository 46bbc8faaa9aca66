import { ampsAt, checkNetwork, NetworkError, siemensAt, type Network, type Ramp } from './network';
import { settle, type Settled } from './references';
import { SparseLdl } from './sparseLdl';
import { itemAt } from '../units/there';

/** Currents and volts with every node taking in as much as it gives. */
export interface Solution {
  /** Volts of each node above the minus of the first supply of its part of the network; 0 where no supply reaches. */
  nodeVolts: Float64Array;
  /** Between the two ends of each load. */
  loadVolts: Float64Array;
  loadAmps: Float64Array;
  /** In the direction in which each wire is written. */
  wireAmps: Float64Array;
  /** Out of the plus of each supply; below zero where another one feeds it. */
  supplyAmps: Float64Array;
  /** 1 for a load that no supply reaches, or from which no way leads back to it. */
  unfed: Uint8Array;
  /** The most by which what flows into a node differs from what flows out of it, in amps. */
  imbalanceAmps: number;
  iterations: number;
}

/** Below this every node is balanced: a thousandth of what Kirchhoff's law is wanted to. */
const BALANCED_AMPS = 1e-9;
const MOST_ITERATIONS = 400;

/**
 * Solves one network again and again, each time with other loads.
 *
 * What is sought is the least of F(u) = ½ uᵀGu − bᵀu + Σ ∫ i(v) dv over the voltages u of the nodes: its gradient is what Kirchhoff's
 * current law leaves over. Wires make G positive definite, and since no load draws less where there is more voltage, each integral is
 * convex: there is one answer, and Newton's method with a search along each step finds it from anywhere (as minimum content, Millar 1951).
 * Between the bends of the loads F is a quadratic, so that the last step is exact.
 */
export class NetworkSolver {
  private readonly settled: Settled;
  private readonly matrix: SparseLdl;
  /** Pair of the matrix for each wire and each load; -1 where both ends are one unknown or one is fixed. */
  private readonly pairOfWire: Int32Array;
  private readonly pairOfLoad: Int32Array;
  private readonly unknowns: Float64Array;
  private readonly rest: Float64Array;
  private readonly step: Float64Array;
  private readonly tried: Float64Array;
  private isStarted = false;

  /** @throws NetworkError for a network that cannot be. */
  constructor(private readonly network: Network) {
    checkNetwork(network);
    this.settled = settle(network);
    const { unknownOf, unknownCount, unfed } = this.settled;
    const { wires, loads } = network;
    const first = new Int32Array(wires.from.length + loads.plus.length);
    const second = new Int32Array(first.length);
    let pairs = 0;
    const pair = (a: number, b: number): number => {
      const left = unknownOf[a]!;
      const right = unknownOf[b]!;
      if (left < 0 || right < 0 || left === right) return -1;
      first[pairs] = left;
      second[pairs] = right;
      pairs += 1;
      return pairs - 1;
    };
    this.pairOfWire = new Int32Array(wires.from.length);
    for (let i = 0; i < wires.from.length; i += 1) this.pairOfWire[i] = pair(wires.from[i]!, wires.to[i]!);
    this.pairOfLoad = new Int32Array(loads.plus.length).fill(-1);
    for (let i = 0; i < loads.plus.length; i += 1)
      if (!unfed[i]) this.pairOfLoad[i] = pair(loads.plus[i]!, loads.minus[i]!);
    this.matrix = new SparseLdl(unknownCount, first.subarray(0, pairs), second.subarray(0, pairs));
    this.unknowns = new Float64Array(unknownCount);
    this.rest = new Float64Array(unknownCount);
    this.step = new Float64Array(unknownCount);
    this.tried = new Float64Array(unknownCount);
  }

  /** Numbers in the factor; what its memory is in proportion to. */
  get factorSize(): number {
    return this.matrix.factorSize;
  }

  /**
   * @param kinds what each kind of load draws now, in place of what it drew when the network was made.
   * @throws NetworkError where no balance is found, which no network that passes `checkNetwork` has shown.
   */
  solve(kinds: Network['kinds'] = this.network.kinds): Solution {
    if (kinds !== this.network.kinds) checkNetwork({ ...this.network, kinds });
    if (!this.isStarted) this.start(kinds);
    let imbalance = this.leftOver(this.unknowns, kinds, this.rest);
    let iterations = 0;
    while (imbalance > BALANCED_AMPS && iterations < MOST_ITERATIONS) {
      iterations += 1;
      this.assemble((i, volts) => siemensAt(itemAt(kinds, this.network.loads.kind[i]!), volts));
      this.step.set(this.rest);
      this.matrix.solve(this.step);
      const before = imbalance;
      imbalance = this.goAlong(kinds);
      // The rest is the rounding of the numbers themselves.
      if (imbalance <= 1e-7 && imbalance >= before / 2) break;
    }
    if (imbalance > 1e-6)
      throw new NetworkError('The currents of this network found no balance.', 'supply', 0);
    this.isStarted = true;
    return this.read(kinds, imbalance, iterations);
  }

  /** The start: each load as the resistor that takes its full current at the volts of the highest supply. */
  private start(kinds: Network['kinds']): void {
    const { supplies, loads } = this.network;
    const volts = supplies.reduce((most, supply) => Math.max(most, supply.volts), 0);
    if (volts === 0) return;
    const siemens = kinds.map((ramps) => ampsAt(ramps, volts) / volts);
    this.unknowns.fill(0);
    this.assemble((i) => siemens[loads.kind[i]!]!);
    this.leftOver(this.unknowns, [], this.rest);
    // Currents of the resistors at the offsets alone.
    for (let i = 0; i < loads.plus.length; i += 1) {
      if (this.settled.unfed[i]) continue;
      const amps = siemens[loads.kind[i]!]! * this.between(loads.plus[i]!, loads.minus[i]!, this.unknowns);
      this.flow(loads.plus[i]!, loads.minus[i]!, amps, this.rest);
    }
    this.unknowns.set(this.rest);
    this.matrix.solve(this.unknowns);
  }

  private between(a: number, b: number, unknowns: Float64Array): number {
    const { unknownOf, offset } = this.settled;
    const left = unknownOf[a]!;
    const right = unknownOf[b]!;
    return (left < 0 ? 0 : unknowns[left]!) + offset[a]! - (right < 0 ? 0 : unknowns[right]!) - offset[b]!;
  }

  private flow(from: number, to: number, amps: number, rest: Float64Array): void {
    const { unknownOf } = this.settled;
    const left = unknownOf[from]!;
    const right = unknownOf[to]!;
    if (left >= 0) rest[left]! -= amps;
    if (right >= 0) rest[right]! += amps;
  }

  /** The current into each unknown less the current out of it. @returns the most of it, in amps. No kinds: no loads. */
  private leftOver(unknowns: Float64Array, kinds: readonly (readonly Ramp[])[], rest: Float64Array): number {
    const { wires, loads } = this.network;
    const { unfed } = this.settled;
    rest.fill(0);
    for (let i = 0; i < wires.ohm.length; i += 1) {
      const from = wires.from[i]!;
      const to = wires.to[i]!;
      this.flow(from, to, this.between(from, to, unknowns) / wires.ohm[i]!, rest);
    }
    if (kinds.length > 0)
      for (let i = 0; i < loads.plus.length; i += 1) {
        if (unfed[i]) continue;
        const plus = loads.plus[i]!;
        const minus = loads.minus[i]!;
        this.flow(
          plus,
          minus,
          ampsAt(itemAt(kinds, loads.kind[i]!), this.between(plus, minus, unknowns)),
          rest,
        );
      }
    let most = 0;
    for (let i = 0; i < rest.length; i += 1) most = Math.max(most, Math.abs(rest[i]!));
    return most;
  }

  /** The matrix of the wires, and of each load as the conductance that is given for it. */
  private assemble(siemensOf: (load: number, volts: number) => number): void {
    const { wires, loads } = this.network;
    const { matrix, settled } = this;
    const { unknownOf, unfed } = settled;
    const add = (a: number, b: number, pair: number, siemens: number) => {
      const left = unknownOf[a]!;
      const right = unknownOf[b]!;
      if (left === right) return;
      if (left >= 0) matrix.addDiagonal(left, siemens);
      if (right >= 0) matrix.addDiagonal(right, siemens);
      if (pair >= 0) matrix.addPair(pair, -siemens);
    };
    matrix.clear();
    for (let i = 0; i < wires.ohm.length; i += 1)
      add(wires.from[i]!, wires.to[i]!, this.pairOfWire[i]!, 1 / wires.ohm[i]!);
    for (let i = 0; i < loads.plus.length; i += 1) {
      if (unfed[i]) continue;
      const plus = loads.plus[i]!;
      const minus = loads.minus[i]!;
      const siemens = siemensOf(i, this.between(plus, minus, this.unknowns));
      if (siemens > 0) add(plus, minus, this.pairOfLoad[i]!, siemens);
    }
    if (!matrix.factor())
      throw new NetworkError('The currents of this network found no balance.', 'supply', 0);
  }

  /**
   * Goes along the step to where F is about least: its slope there rises evenly or stays, so that what is sought lies between a point
   * where it falls and one where it rises. @returns the imbalance there.
   */
  private goAlong(kinds: Network['kinds']): number {
    const { unknowns, step, tried, rest } = this;
    const slope = () => {
      let sum = 0;
      for (let i = 0; i < step.length; i += 1) sum -= rest[i]! * step[i]!;
      return sum;
    };
    let imbalance = 0;
    const slopeAt = (share: number) => {
      for (let i = 0; i < step.length; i += 1) tried[i] = unknowns[i]! + share * step[i]!;
      imbalance = this.leftOver(tried, kinds, rest);
      return slope();
    };
    const first = slope();
    let [low, high] = [0, 1];
    let [falls, rises] = [first, slopeAt(1)];
    if (imbalance > BALANCED_AMPS && rises > 0.1 * -first)
      for (let i = 0; i < 40; i += 1) {
        // By the chord, kept away from the ends so that the span shrinks.
        const share = low + (high - low) * Math.min(0.9, Math.max(0.1, -falls / (rises - falls)));
        const here = slopeAt(share);
        if (Math.abs(here) <= 0.1 * -first || imbalance <= BALANCED_AMPS) break;
        if (here < 0) [low, falls] = [share, here];
        else [high, rises] = [share, here];
      }
    unknowns.set(tried);
    return imbalance;
  }

  private read(kinds: Network['kinds'], imbalanceAmps: number, iterations: number): Solution {
    const { wires, loads, supplies, nodeCount } = this.network;
    const { unknownOf, offset, isLive, unfed } = this.settled;
    const nodeVolts = new Float64Array(nodeCount);
    for (let node = 0; node < nodeCount; node += 1)
      if (isLive[node])
        nodeVolts[node] = (unknownOf[node]! < 0 ? 0 : this.unknowns[unknownOf[node]!]!) + offset[node]!;
    const out = new Float64Array(nodeCount);
    const wireAmps = new Float64Array(wires.ohm.length);
    for (let i = 0; i < wireAmps.length; i += 1) {
      const from = wires.from[i]!;
      const to = wires.to[i]!;
      wireAmps[i] = (nodeVolts[from]! - nodeVolts[to]!) / wires.ohm[i]!;
      out[from]! += wireAmps[i]!;
      out[to]! -= wireAmps[i]!;
    }
    const loadVolts = new Float64Array(loads.plus.length);
    const loadAmps = new Float64Array(loads.plus.length);
    for (let i = 0; i < loadVolts.length; i += 1) {
      if (unfed[i]) continue;
      const plus = loads.plus[i]!;
      const minus = loads.minus[i]!;
      loadVolts[i] = nodeVolts[plus]! - nodeVolts[minus]!;
      loadAmps[i] = ampsAt(itemAt(kinds, loads.kind[i]!), loadVolts[i]!);
      out[plus]! += loadAmps[i]!;
      out[minus]! -= loadAmps[i]!;
    }
    return {
      nodeVolts,
      loadVolts,
      loadAmps,
      wireAmps,
      supplyAmps: Float64Array.from(supplies, ({ plus }) => out[plus]!),
      unfed,
      imbalanceAmps,
      iterations,
    };
  }
}

/** Solves a network once. @throws NetworkError for a network that cannot be. */
export function solveNetwork(network: Network): Solution {
  return new NetworkSolver(network).solve();
}
