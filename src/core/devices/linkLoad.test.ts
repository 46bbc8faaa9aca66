import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { SHIPPED_CONTROLLER_TYPES } from '../catalogue/controllerType';
import type { Controller } from '../catalogue/controller';
import { formulaInFigures } from '../figures/explained';
import { planShow } from '../plan/plan';
import { linkLoad } from './linkLoad';

function loadOf(pixels: number, change: Partial<Controller>, rateHz: number) {
  const show = onPorts(
    aShow({
      props: [pixels <= 10_000 ? aLine('rail', pixels) : aGrid('net', 512, pixels / 512)],
      controllers: [aController({ mostPixelsPerPort: 1_000_000, ...change })],
      controllerTypes: [...SHIPPED_CONTROLLER_TYPES],
    }),
    [pixels <= 10_000 ? 'rail' : 'net', 1, 1],
  );
  return linkLoad(planShow(show), 0, rateHz);
}

it('counts universes whole: 704 byte times each by E1.31, 596 by Art-Net', () => {
  // 340 RGB pixels are two universes of 510.
  expect(loadOf(340, {}, 40).mbits.value).toBeCloseTo((2 * 704 * 8 * 40) / 1e6);
  expect(loadOf(340, { protocol: 'artnet' }, 40).mbits.value).toBeCloseTo((2 * 596 * 8 * 40) / 1e6);
  expect(loadOf(340, {}, 40).packets!.value).toBe(2);
});

it('counts the bytes of DDP, and its packets: 2,000 pixels are about 1 Mbit/s, 700 two packets', () => {
  const { mbits, packets } = loadOf(2000, { protocol: 'ddp' }, 20);
  expect(packets!.value).toBe(5);
  expect(mbits.value).toBeCloseTo(((6000 + 5 * 76) * 8 * 20) / 1e6);
  expect(formulaInFigures(mbits, undefined)).toBe(
    '(6,000 bytes + 5 × 76 bytes) × 8 × 20 ÷ 1,000,000 = 1.02 Mbit/s',
  );
  expect(loadOf(700, { protocol: 'ddp' }, 30).packets!.value).toBe(2);
});

it('counts the raw frames of a receiver card: 98,304 pixels at 30 pictures a second are 70.8 Mbit/s', () => {
  const { mbits, packets } = loadOf(98_304, { typeId: 'panel-card' }, 30);
  expect(mbits.value).toBeCloseTo(70.78, 2);
  expect(packets).toBeNull();
  expect(loadOf(98_304, { typeId: 'panel-card' }, 60).mbits.value).toBeCloseTo(141.56, 2);
});
