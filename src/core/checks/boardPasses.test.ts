import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { aFeed, aSupply, drawing, toPixel, typed } from '../../../tests/unit/power';
import type { BoardPower } from '../catalogue/boardPower';
import { planShow } from '../plan/plan';
import { powerReport } from '../power/report';
import { safeLevel, tooMuch } from '../power/safeLevel';
import type { Show } from '../show/schema';
import { usual } from '../figures/figure';
import { findingsOf } from './registry';

/** Conductors that carry all of it. */
const rail = { kind: 'copper' as const, ohmPerM: usual(0.001), carriesAmps: usual(20) };

/** A string of 60 mA a pixel, however low its volts, on the first port of a board that passes its power on. */
const onPort = (count: number, power: BoardPower, fuseAmps?: 5): Show =>
  aShow({
    pixelTypes: aShow().pixelTypes.map((type) =>
      type.id === 'rgb' ? drawing(type, 60, { rail, leastVolts: usual(1) }) : type,
    ),
    props: [aLine('rail', count)],
    controllers: [aController({ power: { ownAmps: typed(0), ...power } })],
    supplies: [aSupply({ ratedAmps: usual(50) })],
    feeds: [
      aFeed([{ lengthMm: 1, wire: 'awg10', to: { kind: 'controller', controllerId: 'a' } }], {
        fuseAmps: 20,
      }),
      aFeed([toPixel('rail', 1)], {
        from: { kind: 'port', controllerId: 'a', port: 1 },
        ...(fuseAmps && { fuseAmps }),
      }),
    ],
  });
const said = (show: Show, check: string) => findingsOf(planShow(show)).filter((each) => each.check === check);
const safe = (show: Show) => safeLevel(planShow(show), { light: 'white', whiteBy: 'all' });

it('holds a port to 80 % of its fuse, as a lead is, and the safe level with it', () => {
  expect(said(onPort(66, { portFuseAmps: typed(5) }), 'board-passes')).toEqual([]);
  // 81 pixels are 4.86 A; a fuse of 5 A carries 4 A for hours, and opens above 5 A.
  const near = onPort(81, { portFuseAmps: typed(5) });
  expect(said(near, 'board-passes')).toMatchObject([{ rank: 'worthKnowing', controllerId: 'a' }]);
  expect(said(near, 'board-passes')[0]!.message).toContain('A1 of Box A gives 4.86 A at full white');
  expect(safe(near)).toEqual({ percent: 82, heldBackBy: 'the fuse of port 1 of Box A' });
  expect(said(onPort(84, { portFuseAmps: typed(5) }), 'board-passes')).toMatchObject([
    { rank: 'willNotLight' },
  ]);
});

it('is safe only up to what a board passes on', () => {
  const show = onPort(60, { passesAmps: typed(1) }, 5);
  expect(said(show, 'board-passes')).toMatchObject([{ rank: 'canBurn' }]);
  // 1 A of 3.6 A.
  expect(safe(show)).toEqual({ percent: 27, heldBackBy: 'what Box A passes on' });
});

it('does not ask for a fuse where the port has one, but for one that protects the lead', () => {
  expect(said(onPort(40, { portFuseAmps: typed(5) }), 'lead-fuses')).toEqual([]);
  expect(said(onPort(40, {}), 'lead-fuses')[0]!.message).toContain('has no fuse');
  const thin = onPort(30, { portFuseAmps: typed(5) });
  const pieces = [toPixel('rail', 1, { wire: 'awg24', lengthMm: 2000 })];
  const [found] = said({ ...thin, feeds: [thin.feeds[0]!, { ...thin.feeds[1]!, pieces }] }, 'lead-fuses');
  expect(found).toMatchObject({ rank: 'canBurn' });
});

it('is the highest level at which nothing is too much, looked for one by one', () => {
  for (const show of [
    onPort(81, { portFuseAmps: typed(5) }),
    onPort(60, { passesAmps: typed(1) }, 5),
    onPort(20, { portFuseAmps: typed(5) }),
  ]) {
    const plan = planShow(show);
    const at = (percent: number) =>
      tooMuch(plan, powerReport(plan, { light: 'white', whiteBy: 'all', level: percent / 100 }));
    const fits = Array.from({ length: 101 }, (_, percent) => at(percent) === null);
    expect(safe(show).percent).toBe(fits.lastIndexOf(true));
    expect(fits.slice(0, safe(show).percent + 1).every(Boolean)).toBe(true);
  }
});
