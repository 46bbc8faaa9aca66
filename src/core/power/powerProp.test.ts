import fc from 'fast-check';
import { aGrid, aLine, aShow } from '../../../tests/unit/shows';
import { aSupply, typed } from '../../../tests/unit/power';
import { tries } from '../../../tests/unit/tries';
import { isProblem } from '../checks/rank';
import { findingsOf } from '../checks/registry';
import { fuseOhm } from '../catalogue/fuse';
import { isSoldClosed, largestClosed, supplyFor } from '../catalogue/supply';
import { planShow } from '../plan/plan';
import type { Prop } from '../props/registry';
import type { Show } from '../show/schema';
import { powerProp, type PropPowerPlan } from './powerProp';
import type { PowerWish } from './propDraft';
import { propNeed } from './propNeed';
import { powerReport } from './report';
import { FULL_WHITE } from './shown';
import { showNeed, waysToPower } from './waysToPower';
import { zonesOf } from './zones';

const base = aShow();
const bullets = {
  ...base.pixelTypes.find(({ id }) => id === 'rgb')!,
  volts: 12,
  electric: { build: 'bullet12' as const },
};
const showOf = (prop: Prop): Show =>
  aShow({
    props: [prop],
    pixelTypes: base.pixelTypes.map((type) => (type.id === 'rgb' ? bullets : type)),
  });
const wish = (change: Partial<PowerWish> = {}): PowerWish => ({
  reach: 'any',
  leadMm: 5700,
  wire: 'mm2-2.5',
  supplyId: null,
  shortOpens: true,
  ...change,
});
const taken = (show: Show, { supplies, feeds, cuts, replaces }: PropPowerPlan): Show => ({
  ...show,
  supplies: [...show.supplies.filter(({ id }) => !replaces.supplyIds.includes(id)), ...supplies],
  feeds: [...show.feeds.filter(({ id }) => !replaces.feedIds.includes(id)), ...feeds],
  cuts: [...show.cuts.filter(({ id }) => !replaces.cutIds.includes(id)), ...cuts],
});
const places = ({ feeds }: PropPowerPlan) =>
  feeds.map(({ pieces: [piece] }) => (piece!.to.kind === 'pixel' ? piece!.to.pixel : 0));

describe('a roof line of 300 bullets', () => {
  // Wires between bullets of AWG 20, 6.7 mOhm a pixel both ways; 60 mA each.
  const plan = planShow(showOf(aLine('eave', 300)));

  it('says what it takes before anything is fed', () => {
    const { amps, watts } = propNeed(plan, 0);
    expect([amps, watts]).toEqual([expect.closeTo(18, 9), expect.closeTo(216, 9)]);
  });

  it('takes two injections, or four so that a short opens the fuse', () => {
    const fewest = powerProp(plan, 0, wish({ shortOpens: false }))!;
    expect(places(fewest)).toEqual([75, 225]);
    expect(fewest.feeds.map(({ fuseAmps }) => fuseAmps)).toEqual([15, 15]);
    expect(fewest.farShort).toMatchObject({ fuseAmps: 15, opens: false });
    // 12 V over 2 x 5.7 m of 2.5 mm² and 75 pixels of 6.66 mOhm.
    expect(fewest.farShort!.amps).toBeCloseTo(20, 0);
    expect(fewest.lowestVolts).toBeCloseTo(10, 1);
    expect(fewest.lowestWithMargin).toBeCloseTo(9.3, 0);

    const opens = powerProp(plan, 0, wish())!;
    expect(places(opens)).toEqual([37, 112, 187, 262]);
    expect(opens.feeds.map(({ fuseAmps }) => fuseAmps)).toEqual([7.5, 7.5, 7.5, 7.5]);
    expect(opens.farShort).toMatchObject({ fuseAmps: 7.5, opens: true });
  });

  it('hangs on two closed supplies of 150 W, with plus cut between them', () => {
    const { supplies, cuts, feeds, lacks } = powerProp(plan, 0, wish())!;
    expect(supplies.map(({ ratedAmps }) => ratedAmps.value)).toEqual([12.5, 12.5]);
    expect(cuts).toMatchObject([{ propId: 'eave', run: 1, afterPixel: 150 }]);
    expect(feeds.map(({ from }) => (from.kind === 'supply' ? from.supplyId : ''))).toEqual([
      supplies[0]!.id,
      supplies[0]!.id,
      supplies[1]!.id,
      supplies[1]!.id,
    ]);
    expect(lacks).toEqual([]);
  });

  it('says what is missing where no place within reach is enough', () => {
    expect(powerProp(plan, 0, wish({ reach: 'ends' }))!.lacks).toContain('rail');
    const thin = powerProp(plan, 0, wish({ leadMm: 60_000, wire: 'mm2-4' }))!;
    expect(thin.lacks).toEqual([]);
    expect(thin.feeds.length).toBeGreaterThan(4);
  });
});

it('puts a whole run on each of four supplies rather than cut one', () => {
  // 16 runs of 50 pixels: 48 A.
  const plan = planShow(showOf(aGrid('tree', 50, 16, { runs: 16 })));
  const { supplies, cuts } = powerProp(plan, 0, wish())!;
  expect(supplies.map(({ ratedAmps }) => ratedAmps.value)).toEqual([16.7, 16.7, 16.7, 16.7]);
  expect(cuts).toEqual([]);
});

it('hangs on a supply of the show only where that carries it beside what it has', () => {
  const bare = showOf(aLine('eave', 100));
  const show = { ...bare, supplies: [aSupply({ ratedAmps: typed(16.7) })] };
  const alone = powerProp(planShow(show), 0, wish({ supplyId: 's' }))!;
  expect([alone.supplies, alone.lacks]).toEqual([[], []]);
  const others = [{ name: 'Computer', amps: typed(8) }];
  const beside = { ...show, supplies: [{ ...show.supplies[0]!, others }] };
  expect(powerProp(planShow(beside), 0, wish({ supplyId: 's' }))!.lacks).toEqual(['supply']);
});

it('names a way with fewer injections, and one closed supply with a limiter', () => {
  const ways = waysToPower(planShow(showOf(aLine('eave', 300))), 0, wish())!;
  expect([places(ways.best).length, places(ways.fewer!).length]).toEqual([4, 2]);
  // 16.7 A at 80 % are 13.36 A, of which 0.3 A are not dimmed.
  expect(ways.limited).toEqual({ ratedAmps: 16.7, percent: Math.floor((100 * (13.36 - 0.3)) / (18 - 0.3)) });
});

it('says what a whole show takes by its volts, and what nothing feeds', () => {
  const show = showOf(aLine('eave', 300));
  const { byVolts, unfed } = showNeed(planShow(show));
  expect(byVolts).toEqual([{ volts: 12, amps: expect.closeTo(18, 9), watts: expect.closeTo(216, 9) }]);
  expect(unfed.map(({ prop }) => prop)).toEqual([0]);
  const fed = taken(show, powerProp(planShow(show), 0, wish())!);
  expect(showNeed(planShow(fed)).unfed).toEqual([]);
});

it('takes the place of the leads and cuts that the prop has', () => {
  const show = showOf(aLine('eave', 300));
  const once = taken(show, powerProp(planShow(show), 0, wish({ shortOpens: false }))!);
  const twice = taken(once, powerProp(planShow(once), 0, wish())!);
  expect(twice.feeds).toHaveLength(4);
  expect(twice.cuts).toHaveLength(1);
  // Nothing but this prop hung on the first two supplies; one with something else on it stays.
  expect(twice.supplies.map(({ name }) => name)).toEqual(['eave supply', 'eave supply 2']);
  const [first, ...rest] = once.supplies;
  const kept = { ...once, supplies: [{ ...first!, others: [{ name: 'Clock', amps: typed(0.1) }] }, ...rest] };
  expect(powerProp(planShow(kept), 0, wish())!.replaces.supplyIds).toEqual([rest[0]!.id]);
});

it('leaves no problem where it lacks nothing, solved anew', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.integer({ min: 1, max: 400 }).map((count) => aLine('eave', count)),
        fc
          .tuple(
            fc.integer({ min: 2, max: 30 }),
            fc.integer({ min: 2, max: 12 }),
            fc.integer({ min: 1, max: 2 }),
          )
          .map(([columns, rows, runs]) => aGrid('net', columns, rows, { runs, pattern: 'serpentine' })),
      ),
      fc.constantFrom(5, 12),
      fc.constantFrom('any', 'loops', 'ends'),
      fc.constantFrom('mm2-0.75', 'mm2-2.5', 'awg18', 'awg14'),
      fc.integer({ min: 100, max: 9000 }),
      fc.boolean(),
      (prop, volts, reach, wire, leadMm, shortOpens) => {
        const made = showOf(prop);
        const show = {
          ...made,
          pixelTypes: made.pixelTypes.map((type) =>
            type.id === 'rgb'
              ? {
                  ...type,
                  volts,
                  electric:
                    volts === 12
                      ? type.electric!
                      : {
                          build: 'strip5' as const,
                          rail: { kind: 'copper' as const, ohmPerM: typed(0.165) },
                        },
                }
              : type,
          ),
        };
        const power = powerProp(planShow(show), 0, wish({ reach, wire, leadMm, shortOpens }))!;
        const after = planShow(taken(show, power));
        const { runs, leads, supplies } = powerReport(after, FULL_WHITE);
        expect(Math.min(...runs.map((run) => run.lowestVolts!))).toBeCloseTo(power.lowestVolts, 6);
        for (const { fuse, feed } of leads)
          if (!power.lacks.includes('fuse')) expect(after.show.feeds[feed]!.fuseAmps).toBe(fuse);
        if (power.lacks.length > 0) return;
        expect(power.lowestWithMargin).toBeGreaterThanOrEqual(power.leastVolts - 1e-6);
        expect(supplies.some(({ isOver }) => isOver)).toBe(false);
        expect(
          findingsOf(after)
            .filter(({ rank, stage }) => stage === 'power' && isProblem(rank))
            .map(({ message }) => message),
        ).toEqual([]);
      },
    ),
    { numRuns: tries(20) },
  );
});

it('parts a load among closed supplies of one size, and loses none of it', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 300 }), { minLength: 1, maxLength: 20 }),
      fc.constantFrom(3.3, 5, 12, 24, 36, 48),
      (counts, volts) => {
        const runs = counts.map((count, run) => ({ run, amps: new Float64Array(count).fill(0.06) }));
        const { stretches, count, ratedAmps } = zonesOf(runs, volts);
        const pixels = counts.map((_, run) =>
          stretches.filter((each) => each.run === run).flatMap(({ from, to }) => to - from + 1),
        );
        expect(pixels.map((each) => each.reduce((sum, own) => sum + own, 0))).toEqual(counts);
        expect(stretches.every(({ zone }) => zone >= 0 && zone < count)).toBe(true);
        expect(ratedAmps !== null && isSoldClosed(volts, ratedAmps)).toBe(true);
      },
    ),
  );
});

it('knows the sizes in which supplies are sold, and which of them closed', () => {
  expect([largestClosed(5), largestClosed(12), largestClosed(24)]).toEqual([15, 16.7, 8.3]);
  expect([isSoldClosed(5, 60), isSoldClosed(12, 29)]).toEqual([false, false]);
  // 24 V are sold by watts: 150 W are 6.2 A.
  expect(supplyFor(24, 4.9)).toBe(6.2);
});

it('knows what a fuse and its holder resist, between the usual sizes as well', () => {
  expect(fuseOhm(1)).toBeCloseTo(0.1265, 6);
  expect(fuseOhm(10)).toBeCloseTo(0.0111, 6);
  expect(fuseOhm(4)).toBeLessThan(fuseOhm(3));
  expect(fuseOhm(4)).toBeGreaterThan(fuseOhm(5));
  expect(fuseOhm(40)).toBeLessThan(fuseOhm(30));
  // A fuse of any size loses 45 to 100 mV at 80 % of its rating.
  for (const amps of [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30]) {
    const lost = 0.8 * amps * (fuseOhm(amps) - 0.0035);
    expect(lost).toBeGreaterThan(0.044);
    expect(lost).toBeLessThan(0.101);
  }
});
