import { aFeed, aSupply, toPixel } from '../../../tests/unit/power';
import { aLine, aShow } from '../../../tests/unit/shows';
import { starvedPixels } from '../checks/starvedPixels';
import { planShow } from '../plan/plan';
import { NO_FACTS } from '../show/facts';
import { electricOf, LIGHT_BUILDS } from './electric';
import { SHIPPED_PIXEL_TYPES } from './pixelType';

const [any] = SHIPPED_PIXEL_TYPES;

it('takes the figures of a type’s own voltage', () => {
  const of = (volts: number) =>
    electricOf({ ...any!, volts, chip: 'WS2811', bodyMm: 5, electric: undefined });
  expect([of(5), of(12), of(24)].map(({ build, leastVolts }) => [build, leastVolts.value])).toEqual([
    ['strip5', 3.5],
    ['group12', 10.4],
    ['group24', 20.8],
  ]);
});

it('says that a long strip of 24 V starves', () => {
  const base = aShow({ props: [aLine('rope', 350)] });
  const show = {
    ...base,
    pixelTypes: base.pixelTypes.map((type) => ({
      ...type,
      volts: 24,
      electric: { build: 'group24' as const },
    })),
    supplies: [aSupply({ volts: 24 })],
    feeds: [aFeed([toPixel('rope', 175, { lengthMm: 9000, wire: 'awg18' })])],
  };
  const [found] = starvedPixels.find(planShow(show), NO_FACTS);
  expect(found!.message).toContain('needs 20.80 V');
});

it('draws a little in every build while it is dark, and less than a colour does', () => {
  for (const build of LIGHT_BUILDS) {
    const { draw } = electricOf({ ...any!, electric: { build } });
    expect(draw.idle!.value).toBeGreaterThan(0);
    expect(draw.idle!.value).toBeLessThan(draw.R!.value);
  }
});
