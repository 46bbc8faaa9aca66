import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { NetworkBuilder, WHITE_12V_GROUPS, WHITE_5V, anyNetwork, steady } from '../../../tests/unit/networks';
import { hasNgspice, voltsByNgspice } from '../../../tests/unit/ngspice';
import { NetworkError, type Network } from './network';
import { NetworkSolver, solveNetwork } from './solve';

const chainOf = (count: number, railOhm: number, ramps = WHITE_5V, cutAfter: number[] = []) =>
  new NetworkBuilder().chain('p', count, railOhm, ramps, cutAfter);
/** A feed so short that it loses nothing. */
const AT_ONCE = 1e-9;
const lowest = (volts: Float64Array) => volts.reduce((least, each) => Math.min(least, each), Infinity);

describe('closed forms, where each pixel draws the same however low the volts', () => {
  // A 12 V string of 150 pixels of 60 mA, 2.5 mOhm from pixel to pixel on each of its rails.
  const string = () => chainOf(150, 0.0025, steady(0.06)).supply('s', 12);
  const lost = (network: Network) => 12 - lowest(solveNetwork(network).loadVolts);

  it('fed at pixel 1 the end loses i r n (n - 1) / 2', () => {
    expect(lost(string().lead('s', 'p1', AT_ONCE).build())).toBeCloseTo((0.06 * 0.005 * 150 * 149) / 2, 4);
    expect((0.06 * 0.005 * 150 * 149) / 2).toBeCloseTo(3.3525, 4);
  });
  it('with a piece of rail before it n (n + 1) / 2', () => {
    expect(lost(string().lead('s', 'p1', 0.0025).build())).toBeCloseTo((0.06 * 0.005 * 150 * 151) / 2, 4);
  });
  it('fed at both ends, and in the middle as well', () => {
    const both = string().lead('s', 'p1', AT_ONCE).lead('s', 'p150', AT_ONCE);
    // 148 pixels between the feeds; the middle carries 74 to each side.
    expect(lost(both.build())).toBeCloseTo((0.06 * 0.005 * 74 * 75) / 2, 4);
    expect(lost(both.lead('s', 'p75', AT_ONCE).build())).toBeCloseTo(0.2109, 4);
  });
  it('lifts the ground as far as it lowers the plus', () => {
    const network = string().lead('s', 'p1', AT_ONCE);
    const { nodeVolts } = solveNetwork(network.build());
    expect(nodeVolts[network.node('p150-')]).toBeCloseTo(3.3525 / 2, 4);
  });
});

describe('what always holds', () => {
  it('every node is balanced, whatever hangs on it, and what supplies give is what wires and loads take', () => {
    fc.assert(
      fc.property(anyNetwork, (network) => {
        const solved = solveNetwork(network);
        expect(solved.imbalanceAmps).toBeLessThan(1e-6);
        const { wires, loads, supplies } = network;
        const into = new Float64Array(network.nodeCount);
        wires.ohm.forEach((ohm, i) => {
          const amps = (solved.nodeVolts[wires.from[i]!]! - solved.nodeVolts[wires.to[i]!]!) / ohm;
          into[wires.to[i]!]! += amps;
          into[wires.from[i]!]! -= amps;
        });
        loads.plus.forEach((plus, i) => {
          into[plus]! -= solved.loadAmps[i]!;
          into[loads.minus[i]!]! += solved.loadAmps[i]!;
        });
        supplies.forEach(({ plus, minus }, i) => {
          into[plus]! += solved.supplyAmps[i]!;
          into[minus]! -= solved.supplyAmps[i]!;
        });
        const scale = 1 + solved.wireAmps.reduce((most, amps) => Math.max(most, Math.abs(amps)), 0);
        for (const amps of into) expect(Math.abs(amps)).toBeLessThan(1e-6 * scale);
        const given = supplies.reduce((sum, { volts }, i) => sum + volts * solved.supplyAmps[i]!, 0);
        const heat = wires.ohm.reduce((sum, ohm, i) => sum + solved.wireAmps[i]! ** 2 * ohm, 0);
        const taken = solved.loadVolts.reduce((sum, volts, i) => sum + volts * solved.loadAmps[i]!, 0);
        expect(Math.abs(given - heat - taken)).toBeLessThan(1e-4 * (1 + given));
        for (const list of [solved.nodeVolts, solved.loadVolts, solved.loadAmps, solved.wireAmps])
          expect(list.every(Number.isFinite)).toBe(true);
      }),
      { numRuns: tries(300) },
    );
  });

  it('no voltage falls below 0 on one supply', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.double({ min: 1e-4, max: 0.5, noNaN: true }),
        (count, ohm) => {
          const network = chainOf(count, ohm).supply('s', 5).lead('s', 'p1', ohm).build();
          expect(lowest(solveNetwork(network).loadVolts)).toBeGreaterThanOrEqual(-1e-9);
        },
      ),
      { numRuns: tries(40) },
    );
  });

  it('a solver that is asked again says what a new one says', () => {
    const network = chainOf(200, 0.02).supply('s', 5).lead('s', 'p1', 0.05).build();
    const solver = new NetworkSolver(network);
    for (const level of [1, 0.1, 0, 0.7, 1]) {
      const kinds = [WHITE_5V.map((ramp) => ({ ...ramp, amps: ramp.amps * level }))];
      const fresh = solveNetwork({ ...network, kinds });
      solver.solve(kinds).loadVolts.forEach((volts, i) => expect(volts).toBeCloseTo(fresh.loadVolts[i]!, 6));
    }
  });

  it('with nothing starved more level lowers every pixel, and one feed more raises every one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 120 }),
        fc.integer({ min: 1, max: 119 }),
        fc.double({ min: 0.001, max: 0.2, noNaN: true }),
        fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
        (count, at, leadOhm, levels) => {
          const [low, high] = levels[0] < levels[1] ? levels : [levels[1], levels[0]];
          // Far above the knee, so that none starves.
          const fed = (level: number, also?: number) => {
            const builder = chainOf(count, 0.0005, steady(0.06 * level))
              .supply('s', 12)
              .lead('s', 'p1', leadOhm);
            if (also !== undefined) builder.lead('s', `p${also}`, leadOhm);
            return solveNetwork(builder.build()).loadVolts;
          };
          const [dim, bright] = [fed(low), fed(high)];
          const more = fed(high, 1 + (at % count));
          for (let i = 0; i < count; i += 1) {
            expect(bright[i]!).toBeLessThanOrEqual(dim[i]! + 1e-9);
            expect(more[i]!).toBeGreaterThanOrEqual(bright[i]! - 1e-9);
          }
        },
      ),
    );
  });

  it('is the same from both sides where both sides are the same', () => {
    const { loadVolts } = solveNetwork(
      chainOf(101, 0.01).supply('s', 5).lead('s', 'p1', 0.02).lead('s', 'p101', 0.02).build(),
    );
    loadVolts.forEach((volts, i) => expect(volts).toBeCloseTo(loadVolts[100 - i]!, 9));
  });
});

describe('what no supply reaches', () => {
  it('stays dark behind a cut, and says so', () => {
    const { loadVolts, unfed } = solveNetwork(
      chainOf(10, 0.01, WHITE_5V, [5]).supply('s', 5).lead('s', 'p1', 0.01).build(),
    );
    expect([...unfed]).toEqual([0, 0, 0, 0, 0, 1, 1, 1, 1, 1]);
    expect(loadVolts[5]).toBe(0);
  });
  it('has no way back where the grounds of two zones are not joined', () => {
    const builder = new NetworkBuilder()
      .supply('s', 5)
      .supply('t', 5)
      .load('p1', WHITE_5V)
      .load('p2', WHITE_5V);
    builder.wire('s+', 'p1+', 0.01).wire('s-', 'p1-', 0.01).wire('p1-', 'p2-', 0.01).wire('t+', 'p2+', 0.01);
    expect([...solveNetwork(builder.build()).unfed]).toEqual([0, 1]);
    expect([...solveNetwork(builder.wire('t-', 's-', 0.01).build()).unfed]).toEqual([0, 0]);
  });
});

it.each<[string, (good: NetworkBuilder) => NetworkBuilder, string]>([
  ['no resistance', (good) => good.wire('p1+', 'p2+', 0), 'wire'],
  ['a negative resistance', (good) => good.wire('p1+', 'p2+', -1), 'wire'],
  ['a piece from a place to itself', (good) => good.wire('p1+', 'p1+', 1), 'wire'],
  ['1,000 V', (good) => good.supply('t', 1000), 'supply'],
  ['two supplies at one place', (good) => good.supply('s', 12), 'supply'],
  ['a knee below its cutoff', (good) => good.load('x', [{ cutoffV: 3, kneeV: 2, amps: 1 }]), 'kind'],
])('%s is refused with its place', (_, spoil, part) => {
  const good = chainOf(3, 0.01).supply('s', 5).lead('s', 'p1', 0.1);
  expect(() => solveNetwork(good.build())).not.toThrow();
  const refused = () => solveNetwork(spoil(good).build());
  expect(refused).toThrow(NetworkError);
  try {
    refused();
  } catch (error) {
    expect((error as NetworkError).part).toBe(part);
  }
});

(hasNgspice ? describe : describe.skip)('ngspice finds the same', () => {
  const RGBW = [...WHITE_5V, { cutoffV: 2.8, kneeV: 3.5, amps: 0.02 }];
  const both = (network: NetworkBuilder, ends: [string, string], ohm = 0.02) =>
    network.supply('s', 5).lead('s', ends[0], ohm).lead('s', ends[1], ohm);
  const NETWORKS: [string, () => NetworkBuilder][] = [
    ['a ladder', () => chainOf(60, 0.008).supply('s', 5).lead('s', 'p1', 0.03)],
    ['both ends', () => both(chainOf(120, 0.008), ['p1', 'p120'])],
    ['the middle as well', () => both(chainOf(150, 0.008), ['p1', 'p150']).lead('s', 'p75', 0.05)],
    [
      'branches',
      () =>
        chainOf(40, 0.01)
          .chain('q', 30, 0.02, WHITE_5V)
          .chain('r', 30, 0.01, WHITE_5V)
          .supply('s', 5)
          .lead('s', 'hub', 0.02)
          .lead('hub', 'p1', 0.01)
          .lead('hub', 'q1', 0.03)
          .lead('p20', 'r1', 0.005),
    ],
    ['a ring', () => chainOf(100, 0.006).lead('p100', 'p1', 0.006).supply('s', 5).lead('s', 'p30', 0.02)],
    [
      'zones with a common ground',
      () =>
        chainOf(120, 0.01, WHITE_5V, [60])
          .supply('s', 5)
          .supply('t', 5.1)
          .lead('s', 'p1', 0.02)
          .lead('t', 'p120', 0.03),
    ],
    [
      'two supplies whose plus is joined',
      () => chainOf(80, 0.01).supply('s', 5).supply('t', 4.8).lead('s', 'p1', 0.02).lead('t', 'p80', 0.02),
    ],
    ['long leads', () => both(chainOf(100, 0.008), ['p1', 'p100'], 0.6)],
    ['starved, its colours gone', () => chainOf(300, 0.02).supply('s', 5).lead('s', 'p1', 0.02)],
    ['white on four channels', () => both(chainOf(100, 0.01, RGBW), ['p1', 'p100'])],
    ['12 V groups', () => chainOf(200, 0.05, WHITE_12V_GROUPS).supply('s', 12).lead('s', 'p1', 0.1)],
    [
      'one lead with many taps',
      () =>
        chainOf(200, 0.01)
          .supply('s', 5)
          .lead('s', 'p1', 0.02)
          .lead('p1', 'p50', 0.03)
          .lead('p50', 'p100', 0.03)
          .lead('p100', 'p150', 0.03),
    ],
    [
      'panels on pairs of leads, and a controller that passes on',
      () => {
        const builder = new NetworkBuilder().supply('s', 5).lead('s', 'box', 0.01).load('box', steady(0.4));
        const panel = [{ cutoffV: 2.8, kneeV: 3.5, amps: 3.2 }];
        for (let i = 0; i < 12; i += 2)
          builder
            .lead('s', `a${i}`, 0.016)
            .load(`a${i}`, panel)
            .lead(`a${i}`, `a${i + 1}`, 0.004)
            .load(`a${i + 1}`, panel);
        return builder.chain('p', 50, 0.01, WHITE_5V).lead('box', 'p1', 0.05);
      },
    ],
  ];
  it.each(NETWORKS)('%s', (_, build) => {
    const network = build().build();
    const ours = solveNetwork(network);
    const theirs = voltsByNgspice(network);
    ours.nodeVolts.forEach((volts, node) => expect(Math.abs(volts - theirs[node]!)).toBeLessThan(1e-3));
  });
});
