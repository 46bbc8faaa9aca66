import { aFeed, aSupply, drawing, toPixel, typed } from '../../../tests/unit/power';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { SHIPPED_PANELS } from '../panels/panelType';
import { planShow } from '../plan/plan';
import { wall } from '../props/wall';
import type { Prop } from '../props/registry';
import type { Show } from '../show/schema';
import { propPower } from './propPower';
import { powerReport } from './report';
import { FULL_WHITE } from './shown';
import { solvePower, solveWithout } from './solvePower';

const types = aShow().pixelTypes;
const rgb = types.find((type) => type.id === 'rgb')!;
/** 60 mA each however low the volts, 5 mOhm from pixel to pixel both ways. */
const STRING = drawing(rgb, 60, { rail: { kind: 'copper', ohmPerM: typed(0.0025 / 0.05) } });
/** A line of 150 pixels 50 mm apart on a 12 V supply. */
const lineWith = (change: Partial<Show>, type = STRING): Show =>
  aShow({
    props: [aLine('rail', 150)],
    pixelTypes: types.map((each) => (each.id === 'rgb' ? type : each)),
    supplies: [aSupply()],
    ...change,
  });
const reportOf = (show: Show, shown = FULL_WHITE) => powerReport(planShow(show), shown);

describe('a long string of 150 pixels', () => {
  it.each([
    ['fed at 1', [1], 3.3525],
    ['at 1 and 150', [1, 150], 0.8325],
    ['at 1, 75 and 150', [1, 75, 150], 0.2109],
  ])('%s', (_, at, lost) => {
    const [run] = reportOf(lineWith({ feeds: at.map((pixel) => aFeed([toPixel('rail', pixel)])) })).runs;
    expect(run!.lowestVolts).toBeCloseTo(12 - lost, 2);
    expect(run!.amps).toBeCloseTo(9, 2);
    expect(run!.standsOn).toBe('typed in');
  });

  it('loses in its lead what the lead’s copper takes on both conductors', () => {
    const report = reportOf(
      lineWith({ feeds: [aFeed([toPixel('rail', 1, { lengthMm: 3000, wire: 'mm2-2.5' })])] }),
    );
    const [lead] = report.leads;
    expect(lead!.amps).toBeCloseTo(report.runs[0]!.amps, 6);
    // 3 m of 7.98 mOhm a metre there and back.
    expect(lead!.pieces[0]!.dropVolts).toBeCloseTo(lead!.amps * 2 * 3 * 0.00798, 6);
    expect(lead!.pieces[0]!.voltsAtEnd).toBeCloseTo(12 - lead!.pieces[0]!.dropVolts, 6);
    expect(lead!.weakest).toEqual({ words: 'its wire of 2.5\u00a0mm²', amps: 16 });
    // 9 A ask for 11.25 A.
    expect(lead!.fuse).toBe(15);
    expect(report.supplies[0]).toMatchObject({
      amps: expect.closeTo(lead!.amps, 6),
      leads: 1,
      carriesAmps: expect.closeTo(23.2, 6),
    });
  });

  it('is judged by its weakest part: no fuse protects a thin plug under 9 A', () => {
    const [lead] = reportOf(
      lineWith({ feeds: [aFeed([toPixel('rail', 1, { wire: 'awg10' })], { connector: 'pigtail' })] }),
    ).leads;
    expect(lead!.weakest).toEqual({ words: 'its 3-pin waterproof pigtail', amps: 3 });
    expect(lead!.fuse).toBeNull();
  });

  it('shares a tapped lead’s load over its pieces', () => {
    const show = lineWith({
      feeds: [
        aFeed([
          toPixel('rail', 1),
          toPixel('rail', 75, { lengthMm: 4000 }),
          toPixel('rail', 150, { lengthMm: 4000 }),
        ]),
      ],
    });
    const [lead] = reportOf(show).leads;
    const [first, second, third] = lead!.pieces.map((piece) => piece.amps);
    expect(first).toBeCloseTo(9, 1);
    expect(first!).toBeGreaterThan(second!);
    expect(second!).toBeGreaterThan(third!);
  });

  it('is dark behind a cut in its plus, until that zone has a supply of its own', () => {
    const cuts = [{ id: 'c', propId: 'rail', run: 1, afterPixel: 100 }];
    const one = lineWith({ feeds: [aFeed([toPixel('rail', 1)])], cuts });
    expect(reportOf(one).runs[0]).toMatchObject({ unfed: 50, count: 150 });
    const two = {
      ...one,
      supplies: [...one.supplies, aSupply({ id: 't', name: 'Supply 2', volts: 11.9 })],
      feeds: [...one.feeds, aFeed([toPixel('rail', 150)], { from: { kind: 'supply', supplyId: 't' } })],
    };
    const report = reportOf(two);
    expect(report.runs[0]!.unfed).toBe(0);
    expect(report.supplies.map((supply) => Math.round(supply.amps))).toEqual([6, 3]);
  });

  it('says what is overloaded when one fuse is open', () => {
    const plan = planShow(lineWith({ feeds: [1, 150].map((pixel) => aFeed([toPixel('rail', pixel)])) }));
    const [solved] = solvePower(plan, FULL_WHITE);
    const { wiring, solution } = solveWithout(plan, solved!.group, 1, FULL_WHITE);
    expect(solution.wireAmps[wiring.pieces[0]!.plusWire]).toBeCloseTo(9, 2);
  });
});

it('a measured metre changes every amp', () => {
  const at = (fullMa: number) =>
    reportOf(lineWith({ feeds: [aFeed([toPixel('rail', 1)])] }, drawing(rgb, fullMa))).amps;
  expect(at(30)).toBeCloseTo(at(60) / 2, 1);
});

it('a prop that no lead goes to is said to be fed by nothing', () => {
  expect(reportOf(lineWith({})).unfedProps).toEqual([0]);
  expect(propPower(planShow(lineWith({})), 0, FULL_WHITE)).toBeNull();
});

it('a controller passes power on, and takes its own', () => {
  const show = lineWith({
    controllers: [aController({ power: { ownAmps: typed(0.4) } })],
    feeds: [
      aFeed([{ lengthMm: 1000, wire: 'mm2-2.5', to: { kind: 'controller', controllerId: 'a' } }]),
      aFeed([toPixel('rail', 1)], { from: { kind: 'port', controllerId: 'a', port: 1 } }),
    ],
  });
  const { leads, runs } = reportOf(show);
  expect(leads[0]!.amps).toBeCloseTo(runs[0]!.amps + 0.4, 6);
  expect(leads[1]!.amps).toBeCloseTo(runs[0]!.amps, 6);
});

it('twelve panels on pairs of leads draw 6.4 A a lead, which a fuse of 10 A and 2 m of 2.5 mm² take', () => {
  const starter = wall.starter();
  const panel = { ...SHIPPED_PANELS[0]!, ampsFullWhite: typed(3.2) };
  const board = aLine('board', 1, {
    kind: 'wall',
    ...starter,
    shape: { ...starter.shape, panel, columns: 6, rows: 2 },
  } as never) as Prop;
  const to = (column: number, row: number, lengthMm: number) => ({
    lengthMm,
    wire: 'mm2-2.5',
    to: { kind: 'panel' as const, propId: 'board', column, row },
  });
  const show = aShow({
    props: [board],
    supplies: [aSupply({ volts: 5, ratedAmps: typed(60) })],
    feeds: [1, 2, 3, 4, 5, 6].map((column) => aFeed([to(column, 1, 2000), to(column, 2, 1)])),
  });
  const report = reportOf(show);
  expect(report.leads.map((lead) => Math.round(lead.amps * 100) / 100)).toEqual(Array(6).fill(6.4));
  expect(report.leads[0]!.fuse).toBe(10);
  expect(report.leads[0]!.pieces[0]!.dropVolts).toBeCloseTo(0.2, 2);
  expect(report.supplies[0]!.amps).toBeCloseTo(38.4, 1);
  expect(report.supplies[0]!.carriesAmps).toBe(48);
});

it('white turns yellow, then red, where volts fall', () => {
  const strip = {
    ...rgb,
    volts: 5,
    colourOrder: 'GRB',
    electric: { build: 'strip5' as const, rail: { kind: 'copper' as const, ohmPerM: typed(1) } },
  };
  const plan = planShow(
    lineWith({ supplies: [aSupply({ volts: 5 })], feeds: [aFeed([toPixel('rail', 1)])] }, strip),
  );
  const { light, volts } = propPower(plan, 0, FULL_WHITE)!;
  expect([...light.slice(0, 4)]).toEqual([255, 255, 255, 0]);
  const seen = Array.from({ length: 150 }, (_, i) =>
    [...light.slice(4 * i, 4 * i + 3)].map((each) => Math.sign(each)).join(''),
  );
  // All three, then no blue, then red alone.
  expect(seen.indexOf('110')).toBeGreaterThan(0);
  expect(seen.indexOf('100')).toBeGreaterThan(seen.indexOf('110'));
  expect(seen.lastIndexOf('111')).toBeLessThan(seen.indexOf('110'));
  expect(volts[149]!).toBeLessThan(2.7);
});
