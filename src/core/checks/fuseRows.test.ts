import { NO_FACTS } from '../show/facts';
import { aFeed, aSupply, drawing, toPixel, typed } from '../../../tests/unit/power';
import { aLine, aShow } from '../../../tests/unit/shows';
import type { FuseRow } from '../catalogue/supply';
import { planShow } from '../plan/plan';
import { powerReport } from '../power/report';
import { FULL_WHITE } from '../power/shown';
import { applyEdit } from '../show/edits/registry';
import type { Show } from '../show/schema';
import { fuseRows } from './fuseRows';

const rgb = aShow().pixelTypes.find((type) => type.id === 'rgb')!;

/** Leads of 3.2 A each, fused with 5 A, that begin at a row of fuses 1 m from a supply of 12 V. */
const rowOf = (leads: number, fuseRow: Partial<FuseRow>): Show =>
  aShow({
    props: Array.from({ length: leads }, (_, i) => aLine(`p${i}`, 32)),
    pixelTypes: aShow().pixelTypes.map((each) => (each.id === 'rgb' ? drawing(rgb, 100) : each)),
    supplies: [
      aSupply({
        ratedAmps: typed(100),
        fuseRow: { positions: 6, wire: 'mm2-2.5', lengthMm: 1000, ...fuseRow },
      }),
    ],
    feeds: Array.from({ length: leads }, (_, i) => aFeed([toPixel(`p${i}`, 1)], { fuseAmps: 5 })),
  });
const found = (show: Show) => fuseRows.find(planShow(show), NO_FACTS);

it('drops volts in the pair of wires that all leads share', () => {
  const { supplies, runs } = powerReport(planShow(rowOf(4, {})), FULL_WHITE);
  const [row] = supplies.map((supply) => supply.fuseRow);
  // 12.8 A through 2 x 7.98 mOhm; 16 A with two more leads of 3.2 A.
  expect(row).toMatchObject({ spare: 2, fusesAmps: 20, carriesAmps: 16 });
  expect(row!.wantedAmps).toBeCloseTo(12.8, 6);
  expect(row!.fullAmps).toBeCloseTo(19.2, 6);
  expect(row!.dropVolts).toBeCloseTo(0.2043, 4);
  // A pair of next to no length has the resistance of a joint, 0.1 mOhm a conductor.
  const apart = powerReport(planShow(rowOf(4, { wire: 'awg10', lengthMm: 1 })), FULL_WHITE).runs;
  runs.forEach((run, i) =>
    expect(apart[i]!.lowestVolts! - run.lowestVolts!).toBeCloseTo(0.2043 - 0.00256, 4),
  );
});

it('counts spare positions against the pair that feeds the row, and mends it', () => {
  const show = rowOf(4, {});
  const [one] = found(show);
  expect(one).toMatchObject({ rank: 'worthKnowing' });
  expect(one!.message).toContain('12.8 A at full white; with its 2 spare positions');
  expect(one!.mends.map(({ label }) => label)).toEqual(['Take AWG\u00a012']);
  const after = applyEdit(show, one!.mends[0]!.edit);
  // It carries 20 A, and four fuses of 5 A let 20 A through.
  expect(found(after)).toEqual([]);
});

it('counts no more for spare positions than the supply is rated for', () => {
  const show = rowOf(4, {});
  const supplies = show.supplies.map((supply) => ({ ...supply, ratedAmps: typed(15) }));
  expect(found({ ...show, supplies })).toEqual([expect.objectContaining({ rank: 'canBurn' })]);
  expect(found({ ...show, supplies })[0]!.message).toContain('let 20 A through');
});

it.each([
  ['more leads than positions', 4, { positions: 3 }, 'canBurn', '4 leads on a row of 3 fuses'],
  ['a pair that is too thin now', 6, {}, 'canBurn', 'It gets hot'],
  ['a fuse above its wires', 2, { positions: 2, fuseAmps: 25 as const }, 'canBurn', 'does not protect it'],
  ['a fuse that opens', 2, { positions: 2, fuseAmps: 5 as const }, 'willNotLight', 'want 6.4 A'],
  [
    'a fuse that is warm for hours',
    2,
    { positions: 2, fuseAmps: 7.5 as const },
    'worthKnowing',
    'carries 6 A for hours',
  ],
  ['branches that let more through', 4, { positions: 4 }, 'canBurn', 'let 20 A through'],
])('finds %s', (_, leads, row, rank, words) => {
  const [one] = found(rowOf(leads, row));
  expect(one).toMatchObject({ rank });
  expect(one!.message).toContain(words);
});
