import { aFeed, aSupply, drawing, toPixel, typed } from '../../../tests/unit/power';
import { aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { FULL_WHITE } from '../power/shown';
import { safeLevel } from '../power/safeLevel';
import type { Show } from '../show/schema';
import { NO_FACTS } from '../show/facts';
import { leadFuses } from './leadFuses';

const base = aShow();
/** Pixels of 60 mA, on rails that carry anything. */
const showOf = (change: Partial<Show>): Show =>
  aShow({
    pixelTypes: base.pixelTypes.map((type) =>
      type.id === 'rgb'
        ? drawing(type, 60, { rail: { kind: 'copper', ohmPerM: typed(0.02), carriesAmps: typed(50) } })
        : type,
    ),
    supplies: [aSupply()],
    ...change,
  });
const found = (show: Show) => leadFuses.find(planShow(show), NO_FACTS).map(({ message }) => message);

it('names the later piece of a tapped lead that is too thin, and what flows there', () => {
  const tapped = (wire: 'awg22' | 'awg18') =>
    showOf({
      props: [aLine('eave', 100), aLine('door', 100)],
      feeds: [aFeed([toPixel('eave', 50), toPixel('door', 50, { wire, lengthMm: 1000 })], { fuseAmps: 15 })],
    });
  const [thin] = found(tapped('awg22'));
  expect(thin).toContain('6 A flow in the plus of its piece to door run 1');
  expect(thin).toContain('AWG\u00a022 carries 3 A');
  // The piece carries its load now, but the fuse at the source is for both.
  const [fused] = found(tapped('awg18'));
  expect(fused).toContain('though less flows there');
  expect(safeLevel(planShow(tapped('awg22')), FULL_WHITE).percent).toBeLessThan(51);
});

it('finds a ground that carries the return of another zone', () => {
  // Plus is cut behind pixel 10, so that the lead at 1 feeds ten pixels; ground goes on, and the lead at 100 is long.
  const show = showOf({
    props: [aLine('eave', 100)],
    cuts: [{ id: 'c', propId: 'eave', run: 1, afterPixel: 10 }],
    feeds: [
      aFeed([toPixel('eave', 1, { wire: 'awg22', lengthMm: 300 })], { fuseAmps: 3 }),
      aFeed([toPixel('eave', 100, { wire: 'awg16', lengthMm: 9000 })], { fuseAmps: 7.5 }),
    ],
  });
  const [ground] = found(show);
  expect(ground).toMatch(/4\.\d+ A flow in the ground, and/);
  expect(ground).toContain('AWG\u00a022 carries 3 A');
});
