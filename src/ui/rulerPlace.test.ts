import { aController, aLine, aShow, onPorts } from '../../tests/unit/shows';
import { planShow } from '@/core/plan/plan';
import { placeAt } from './rulerPlace';

const plan = planShow(
  onPorts(aShow({ props: [aLine('rail', 200)], controllers: [aController({ firstUniverse: 7 })] }), [
    'rail',
    1,
    1,
  ]),
);

it('is the universe and channel of the pixel that a show channel belongs to', () => {
  expect(placeAt(plan, 1, 3)).toEqual({ universe: 7, channel: 1, showChannel: 1 });
  // Channels 4, 5 and 6 are the second pixel.
  for (const channel of [4, 5, 6])
    expect(placeAt(plan, channel, 3)).toEqual({ universe: 7, channel: 4, showChannel: 4 });
  // 510 channels a universe: the 511th is the first of the next.
  expect(placeAt(plan, 511, 3)).toEqual({ universe: 8, channel: 1, showChannel: 511 });
});

it('is the first one before the beginning, and none past the end or without universes', () => {
  expect(placeAt(plan, -50, 3)).toMatchObject({ universe: 7, channel: 1 });
  expect(placeAt(plan, 100_000, 3)).toBeNull();
  expect(placeAt(planShow(aShow()), 1, 3)).toBeNull();
  const flat = planShow(
    onPorts(aShow({ props: [aLine('rail', 5)], controllers: [aController({ protocol: 'ddp' })] }), [
      'rail',
      1,
      1,
    ]),
  );
  expect(placeAt(flat, 1, 3)).toBeNull();
});
