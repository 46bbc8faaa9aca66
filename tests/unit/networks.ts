import fc from 'fast-check';
import type { Network, Ramp } from '@/core/power/network';

/** 5 V one-wire pixels at full white: what the chip takes, red, green, blue. */
export const WHITE_5V: readonly Ramp[] = [
  { cutoffV: 0, kneeV: 2, amps: 0.001 },
  { cutoffV: 1.9, kneeV: 2.4, amps: 0.0197 },
  { cutoffV: 2.7, kneeV: 3.4, amps: 0.0197 },
  { cutoffV: 2.8, kneeV: 3.5, amps: 0.0197 },
];
export const WHITE_12V_GROUPS: readonly Ramp[] = [
  { cutoffV: 0, kneeV: 2, amps: 0.001 },
  { cutoffV: 5.6, kneeV: 7, amps: 0.018 },
  { cutoffV: 8.2, kneeV: 10.2, amps: 0.018 },
  { cutoffV: 8.4, kneeV: 10.4, amps: 0.018 },
];
/** As near as a load can come to one that draws the same at any voltage. */
export const steady = (amps: number): readonly Ramp[] => [{ cutoffV: 0, kneeV: 0.001, amps }];

/** Puts a network together by names of places. */
export class NetworkBuilder {
  private readonly nodes = new Map<string, number>();
  private readonly from: number[] = [];
  private readonly to: number[] = [];
  private readonly ohm: number[] = [];
  private readonly plus: number[] = [];
  private readonly minus: number[] = [];
  private readonly kind: number[] = [];
  private readonly kinds: (readonly Ramp[])[] = [];
  private readonly supplies: { plus: number; minus: number; volts: number }[] = [];

  node(name: string): number {
    const known = this.nodes.get(name);
    if (known !== undefined) return known;
    this.nodes.set(name, this.nodes.size);
    return this.nodes.size - 1;
  }
  wire(from: string, to: string, ohm: number): this {
    this.from.push(this.node(from));
    this.to.push(this.node(to));
    this.ohm.push(ohm);
    return this;
  }
  /** Both conductors of a lead between two places. */
  lead(from: string, to: string, ohm: number): this {
    return this.wire(`${from}+`, `${to}+`, ohm).wire(`${from}-`, `${to}-`, ohm);
  }
  supply(name: string, volts: number): this {
    this.supplies.push({ plus: this.node(`${name}+`), minus: this.node(`${name}-`), volts });
    return this;
  }
  load(name: string, ramps: readonly Ramp[]): this {
    let kind = this.kinds.indexOf(ramps);
    if (kind === -1) kind = this.kinds.push(ramps) - 1;
    this.plus.push(this.node(`${name}+`));
    this.minus.push(this.node(`${name}-`));
    this.kind.push(kind);
    return this;
  }
  /** Pixels one after another on two rails; `cutAfter` parts the plus behind a pixel. */
  chain(
    name: string,
    count: number,
    railOhm: number,
    ramps: readonly Ramp[],
    cutAfter: readonly number[] = [],
  ): this {
    for (let i = 1; i <= count; i += 1) {
      this.load(`${name}${i}`, ramps);
      if (i === 1) continue;
      this.wire(`${name}${i - 1}-`, `${name}${i}-`, railOhm);
      if (!cutAfter.includes(i - 1)) this.wire(`${name}${i - 1}+`, `${name}${i}+`, railOhm);
    }
    return this;
  }
  build(): Network {
    return {
      nodeCount: this.nodes.size,
      wires: {
        from: Int32Array.from(this.from),
        to: Int32Array.from(this.to),
        ohm: Float64Array.from(this.ohm),
      },
      supplies: this.supplies,
      loads: {
        plus: Int32Array.from(this.plus),
        minus: Int32Array.from(this.minus),
        kind: Uint16Array.from(this.kind),
      },
      kinds: this.kinds,
    };
  }
}

const ohms = fc.double({ min: 0.0005, max: 2, noNaN: true });

/** Any of what a network may hold: trees and rings of wire, several supplies, loads that starve, parts that nothing feeds. */
export const anyNetwork: fc.Arbitrary<Network> = fc
  .record({
    places: fc.integer({ min: 2, max: 40 }),
    isWhole: fc.boolean(),
    more: fc.array(fc.tuple(fc.nat(), fc.nat(), ohms), { maxLength: 12 }),
    rails: fc.array(ohms, { minLength: 40, maxLength: 40 }),
    branches: fc.array(fc.nat(), { minLength: 40, maxLength: 40 }),
    supplies: fc.array(fc.tuple(fc.nat(), fc.constantFrom(3.3, 5, 12, 24), ohms), {
      minLength: 1,
      maxLength: 3,
    }),
    ramps: fc.array(
      fc.array(
        fc
          .tuple(
            fc.double({ min: 0, max: 8, noNaN: true }),
            fc.double({ min: 0.01, max: 4, noNaN: true }),
            fc.double({ min: 0, max: 3, noNaN: true }),
          )
          .map(([cutoffV, wide, amps]) => ({ cutoffV, kneeV: cutoffV + wide, amps })),
        { maxLength: 4 },
      ),
      { minLength: 1, maxLength: 4 },
    ),
    cut: fc.array(fc.boolean(), { minLength: 40, maxLength: 40 }),
  })
  .map(({ places, isWhole, more, rails, branches, supplies, ramps, cut }) => {
    const builder = new NetworkBuilder();
    for (let i = 0; i < places; i += 1) {
      builder.load(`p${i}`, ramps[i % ramps.length]!);
      if (i === 0) continue;
      const before = `p${branches[i]! % i}`;
      if (isWhole || !cut[i]) builder.wire(`${before}+`, `p${i}+`, rails[i]!);
      builder.wire(`${before}-`, `p${i}-`, rails[places - i]!);
    }
    for (const [from, to, ohm] of more)
      if (from % places !== to % places) builder.lead(`p${from % places}`, `p${to % places}`, ohm);
    supplies.forEach(([at, volts, ohm], i) =>
      builder.supply(`s${i}`, volts).lead(`s${i}`, `p${at % places}`, ohm),
    );
    return builder.build();
  });
