import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { aFeed, aSupply, drawing, toPixel } from '../../../tests/unit/power';
import { planShow } from '../plan/plan';
import { reportOf, standingReports } from '../power/report';
import { safeLevel } from '../power/safeLevel';
import { FULL_WHITE } from '../power/shown';
import { solvePower } from '../power/solvePower';
import { applyEdit } from '../show/edits/registry';
import type { Show } from '../show/schema';
import { usual } from '../figures/figure';
import { findingsOf } from './registry';

/** Bullets of 60 mA on AWG 20, 100 mm apart, that draw as much however low the volts. */
const bullets = (count: number, pixels: number[], change: Partial<Show> = {}): Show =>
  aShow({
    pixelTypes: aShow().pixelTypes.map((type) =>
      type.id === 'rgb'
        ? drawing(type, 60, { rail: { kind: 'wire', wire: 'awg20', pitchMm: 100 }, leastVolts: usual(1) })
        : type,
    ),
    props: [aLine('rail', count)],
    controllers: [aController()],
    supplies: [aSupply({ ratedAmps: usual(50) })],
    feeds: pixels.map((pixel) => aFeed([toPixel('rail', pixel)], { fuseAmps: 15 })),
    ...change,
  });
const conductorsOf = (show: Show) =>
  findingsOf(planShow(show)).filter(({ check }) => check === 'string-conductors');
const railOf = (show: Show) => standingReports(planShow(show)).worst.runs[0]!.rail!;

it('finds what flows from pixel to pixel beyond what the wires of a string carry: 100 bullets on one lead', () => {
  const show = bullets(100, [1]);
  // All but the first: 99 × 60 mA, in a wire that carries 5 A up to the 83rd from the far end.
  expect(railOf(show).amps).toBeCloseTo(5.94, 6);
  expect(railOf(show)).toMatchObject({ afterPixel: 1, carries: { value: 5 }, hot: 2 * (99 - 83) });
  const [finding] = conductorsOf(show);
  expect(finding).toMatchObject({ rank: 'canBurn', propId: 'rail' });
  expect(finding!.message).toContain('5.94 A flow in its own plus conductor after pixel 1 at full white');
  expect(finding!.message).toContain('AWG\u00a020 in open air');
});

it('takes 83 pixels one way from a lead, and no more', () => {
  expect(conductorsOf(bullets(84, [1]))).toEqual([]);
  expect(conductorsOf(bullets(85, [1]))).toHaveLength(1);
  expect(conductorsOf(bullets(167, [84]))).toEqual([]);
  expect(conductorsOf(bullets(169, [84]))).toHaveLength(1);
});

it('offers leads that are enough, and after which nothing of it is left', () => {
  for (const count of [100, 250]) {
    const show = bullets(count, [1]);
    const [mend] = conductorsOf(show)[0]!.mends;
    expect(conductorsOf(applyEdit(show, mend!.edit))).toEqual([]);
  }
});

it('looks at ground by itself: what is fed with plus alone elsewhere brings it all back one way', () => {
  const show = bullets(100, [1, 100]);
  // Plus is cut in the middle, so each half has its own; ground goes on.
  const cut = { ...show, cuts: [{ id: 'cut', propId: 'rail', run: 1, afterPixel: 10, order: 'a0' }] };
  const report = reportOf(planShow(cut), FULL_WHITE, solvePower(planShow(cut), FULL_WHITE));
  // 90 pixels on the second lead: its plus carries 89 of them, and the ground of the first takes a share of that.
  expect(report.runs[0]!.rail).toMatchObject({ conductor: 'plus', afterPixel: 99 });
  expect(report.runs[0]!.rail!.amps).toBeCloseTo(89 * 0.06, 6);
});

it('goes by what somebody says that a rail carries, by the wire and by the copper of a strip', () => {
  const typed = (rail: object) =>
    railOf(
      bullets(100, [1], {
        pixelTypes: aShow().pixelTypes.map((type) =>
          type.id === 'rgb' ? drawing(type, 60, { rail: rail as never, leastVolts: usual(1) }) : type,
        ),
      }),
    ).carries.value;
  expect(typed({ kind: 'wire', wire: 'awg18', pitchMm: 100 })).toBe(7.5);
  expect(typed({ kind: 'copper', ohmPerM: usual(0.165) })).toBe(3);
  // Twice as thick: by the root of its section.
  expect(typed({ kind: 'copper', ohmPerM: usual(0.0825) })).toBe(4.2);
  expect(typed({ kind: 'copper', ohmPerM: usual(0.165), carriesAmps: usual(3.5) })).toBe(3.5);
});

it('holds the level back at which the conductors of a string carry what flows', () => {
  const { percent, heldBackBy } = safeLevel(planShow(bullets(100, [1])), { light: 'white', whiteBy: 'all' });
  // 5 A of 5.94 A: 84 %, rounded down.
  expect(percent).toBe(84);
  expect(heldBackBy).toBe('the conductors of rail run 1');
});
