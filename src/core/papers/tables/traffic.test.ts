import { aController, aLine, aShow } from '../../../../tests/unit/shows';
import { trafficOf } from '../../answers/traffic';
import type { Controller } from '../../catalogue/controller';
import { SHIPPED_CONTROLLER_TYPES } from '../../catalogue/controllerType';
import { planShow } from '../../plan/plan';
import type { Plan } from '../../plan/planned';
import { switchWords, trafficTable } from './traffic';

/** A line on the first port of each of some controllers. */
function planOf(
  lines: { pixels: number; on: Partial<Controller> }[],
  wantedRateHz = 40,
  controllerTypes = SHIPPED_CONTROLLER_TYPES,
): Plan {
  const show = aShow();
  return planShow(
    aShow({
      addressing: { ...show.addressing, wantedRateHz },
      props: lines.map(({ pixels }, i) => aLine(`line-${i}`, pixels)),
      controllers: lines.map(({ on }, i) =>
        aController({
          id: `c${i}`,
          name: `Box ${i}`,
          label: 'ABCDEF'[i]!,
          firstUniverse: i === 0 ? 1 : null,
          mostPixelsPerPort: 100_000,
          ...on,
        }),
      ),
      controllerTypes: [...controllerTypes],
      patch: lines.map((_, i) => ({
        propId: `line-${i}`,
        run: 1,
        controllerId: `c${i}`,
        port: 1,
        skippedPixels: 0,
      })),
    }),
  );
}
const ip = (last: number, casting: 'unicast' | 'multicast'): Controller['network'] => ({
  ip: `10.0.0.${last}`,
  maskBits: 24,
  given: 'fixed',
  storedBy: '',
  casting,
});

it('says how long a port takes, and how many pixels have to go where that is too long', () => {
  const [fits, slow] = trafficOf(
    planOf([
      { pixels: 800, on: {} },
      { pixels: 1000, on: {} },
    ]),
  ).devices;
  // 24 bits of 1.25 us a pixel.
  expect(fits!.slowest!.frameTime.value / 1000).toBeCloseTo(24.3, 1);
  expect([fits!.rateHz, fits!.bottleneck]).toEqual([40, null]);
  expect(slow!.rateHz).toBeCloseTo(33, 0);
  expect(slow!.bottleneck).toBe('wire');
  expect(slow!.change).toMatch(/^Move 17\d pixels of B1 to another port: 82\d fit at 40 a second\.$/);
});

it('names the speed of a serial line that reaches the rate', () => {
  const [screen] = trafficOf(planOf([{ pixels: 154, on: { typeId: 'serial-1' } }])).devices;
  // 10 bits for each of 6 + 3 * 154 bytes: 24.6 pictures at 115,200 baud, 49.2 at 230,400.
  expect(screen!.rateHz).toBeCloseTo(24.6, 1);
  expect([screen!.bottleneck, screen!.change]).toEqual(['line', '230,400 baud reach it, if both ends can.']);
});

it('adds up what floods a switch, and names the links that are too slow for it', () => {
  const plan = planOf(
    [
      { pixels: 98_304, on: { typeId: 'panel-card' } },
      { pixels: 300, on: { typeId: 'wifi-2', network: ip(20, 'unicast') } },
      { pixels: 3000, on: { typeId: 'ethernet-16', network: ip(21, 'multicast') } },
    ],
    30,
  );
  const traffic = trafficOf(plan);
  expect(traffic.flood.rawMbits).toBeCloseTo(70.8, 1);
  expect(traffic.flooded.map(({ controller }) => controller)).toEqual([1]);
  const words = switchWords(plan, traffic).join(' ');
  expect(words).toContain('70.8 Mbit/s of it are frames for cards without an address');
  expect(words).toMatch(/links of Box 1 \(\d+ of 5 Mbit\/s\) carry less/);
  const table = trafficTable(plan, traffic);
  expect(table.columns[0]!.of(traffic.devices[0]!, 0)).toEqual({
    text: 'Box 0',
    note: 'raw frames, no address',
  });
});

it('asks for a cable where a link is too slow for its own load', () => {
  // 750 pixels are five universes: 1.1 Mbit/s at 40 a second.
  const slow = SHIPPED_CONTROLLER_TYPES.map((type) =>
    type.id === 'wifi-2' ? { ...type, linkMbits: { value: 1, basis: 'measured' as const } } : type,
  );
  const [node] = trafficOf(
    planOf([{ pixels: 750, on: { typeId: 'wifi-2', network: ip(20, 'unicast') } }], 40, slow),
  ).devices;
  expect([node!.bottleneck, node!.change]).toEqual([
    'link',
    'A link of 100 Mbit/s carries it: a cable in the place of Wi-Fi.',
  ]);
  expect(node!.rateHz).toBeLessThan(40);
});
