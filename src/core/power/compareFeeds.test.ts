import { aSupply, drawing } from '../../../tests/unit/power';
import { aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import type { Prop } from '../props/registry';
import { screen } from '../props/screen';
import { compareFeeds, type FeedScheme } from './compareFeeds';
import { FULL_WHITE } from './shown';

const shape = { ...screen.starter().shape, start: 'bottomMiddle' as const };

const plan = planShow(
  aShow({
    pixelTypes: [
      drawing({ id: 'strip', name: 'Strip', chip: 'WS2812B', colourOrder: 'GRB', volts: 5, bodyMm: 5 }, 60),
    ],
    supplies: [aSupply({ volts: 5 })],
    controllers: [],
    patch: [],
    props: [
      {
        id: 'club',
        name: 'Club screen',
        placeId: 'site',
        pixelTypeId: 'strip',
        kind: 'screen',
        shape,
        threading: { runs: 1 },
      } as Prop,
    ],
  }),
);
const schemes = compareFeeds(plan, 0, {
  shown: FULL_WHITE,
  leastVolts: 3.5,
  reach: 'loops',
  supplyId: 's',
  leadMm: 1500,
  wire: 'mm2-1.5',
});
const of = (id: FeedScheme['id']) => schemes.find((each) => each.id === id)!;

it('feeds a screen at both of its ends, which lie beside each other, or at each of its pieces', () => {
  expect(of('ends').words).toMatch(/^Both ends, 16\.9 mm apart$/);
  expect(of('ends').taps).toBe(2);
  expect(of('pieces').words).toBe('Each piece at its start');
  // The bottom is parted where the data begins: five pieces.
  const pixels = of('pieces').feeds.map(({ pieces: [piece] }) => (piece!.to as { pixel: number }).pixel);
  expect(pixels).toEqual([1, 28, 57, 111, 140]);
});

it('gives no less with more leads, and counts what they take', () => {
  const volts = (id: FeedScheme['id']) => of(id).lowestVolts ?? 0;
  expect(volts('ends')).toBeGreaterThan(volts('start'));
  expect(volts('middle')).toBeGreaterThan(volts('ends'));
  expect(volts('loops')).toBeGreaterThanOrEqual(volts('pieces') - 1e-9);
  expect(of('pieces').solderJoints).toBe(10);
  expect(of('pieces').wireMm).toBe(5 * 2 * 1500);
});
