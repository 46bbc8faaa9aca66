import fc from 'fast-check';
import { anyShow } from '../../../tests/unit/shows';
import { seenAtLeast, tries } from '../../../tests/unit/tries';
import { rowsOf, typed, type Lights } from '../../../tests/unit/typedDevice';
import { tilesOf } from '../../../tests/unit/wrongPorts';
import { colourPlan } from '../devices/colourOrders';
import { deviceSettings } from '../devices/deviceSettings';
import { linkOf } from '../catalogue/link';
import { basisOf } from '../devices/settings/basis';
import { universesOfController } from '../devices/universeSizes';
import { untellableOf } from '../devices/troubles';
import { deviceValuesTable, portSettingsTable } from '../papers/tables/addresses';
import { planShow } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { wireOf } from './device';
import { withSetups, type PortSetup } from './deviceSetup';
import { plannedRig } from './rig';
import type { Sent } from './sending';

/** Bytes for every channel that any device of the plan may read, from a simple generator. */
function noiseFor(plan: Plan, seed: number): Sent {
  let state = seed;
  const byte = () => (state = (state * 1_103_515_245 + 12_345) % 2 ** 31) % 251;
  const used = new Set(
    plan.spans.flatMap(({ universe }) => (universe === null ? [] : [universe, universe + 1, universe + 2])),
  );
  return {
    universes: new Map([...used].map((universe) => [universe, Uint8Array.from({ length: 512 }, byte)])),
    flat: new Map(
      plan.show.controllers.map((_, controller) => [controller, Uint8Array.from({ length: 20_000 }, byte)]),
    ),
  };
}

type Change = Partial<Record<'pixels' | 'universe' | 'channel', number>>;

/** The bytes on a wire: of each light its channels, which come in as red, green, blue, white and go out as its chips want them. */
function bytesOf(lights: Lights, orders: readonly string[], read: (address: string) => number): number[] {
  return lights.flatMap((channels, i) => {
    const order = orders[i] ?? orders.at(-1)!;
    if (channels === null) return [...order].map(() => 0);
    const plain = [...'RGBW'].filter((letter) => order.includes(letter));
    return [...order].map((letter) => read(channels[plain.indexOf(letter)]!));
  });
}

it('puts on its wires what a device does into which just the values of the sheet are typed, or others', () => {
  let [asPlanned, changed] = [0, 0];
  const anyChange = fc.record(
    { pixels: fc.integer({ min: 1, max: 60 }), channel: fc.integer({ min: 1, max: 500 }), up: fc.boolean() },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(
      anyShow,
      fc.nat(1_000_000),
      fc.option(anyChange, { nil: {} as { pixels?: number; channel?: number; up?: boolean } }),
      fc.nat(),
      (show, seed, change, at) => {
        const plan = planShow(show);
        if (plan.runsWithoutAddress.length > 0) return;
        const sent = noiseFor(plan, seed);
        show.controllers.forEach((device, controller) => {
          const { ports } = deviceSettings(plan, controller);
          if (
            ports.length === 0 ||
            linkOf(show, device) !== 'network' ||
            untellableOf(plan, controller).length > 0
          )
            return;
          const bases = basisOf(plan, controller).ports;
          const sizes = bases.map(
            ({ port }) => new Set(port.runs.map((run) => plan.runs[run]!.channelsPerPixel)),
          );
          const told = bases.map(
            ({ port }) => new Set(port.runs.map((run) => colourPlan(plan, run).controller)),
          );
          if ([...sizes, ...told].some(({ size }) => size > 1)) return;
          // One row is typed otherwise than planned.
          const row = at % ports.length;
          const want = ports[row]!;
          // A start behind the last channel of a universe is nowhere.
          const smallest = Math.min(512, ...universesOfController(plan, controller).values());
          const other: Change = {
            ...(change.pixels !== undefined && want.pixels !== null && { pixels: change.pixels }),
            ...(change.channel !== undefined &&
              want.channel !== null &&
              change.channel <= smallest && { channel: change.channel }),
            ...(change.up && want.universe !== null && { universe: want.universe + 1 }),
          };
          const rows = rowsOf(portSettingsTable(device, ports)).map((each, i) =>
            i === row
              ? {
                  ...each,
                  ...Object.fromEntries(
                    Object.entries(other).map(([field, value]) => [field, { text: String(value), note: '' }]),
                  ),
                }
              : each,
          );
          // The three parts of a start are another way to say it.
          if (other.universe !== undefined) delete rows[row]!['net-sub-net-universe'];
          const kind = show.controllerTypes.find(({ id }) => id === device.typeId);
          // Behind its sub-net such a device goes on at the first universe of it; the simulator goes straight on.
          if (Object.keys(other).length > 0 && (kind?.subNets?.value ?? 'free') !== 'free') return;
          let model: Map<string, Lights>;
          try {
            model = typed(
              kind ?? {},
              rowsOf(deviceValuesTable(show, device, deviceSettings(plan, controller))),
              rows,
              tilesOf(plan, controller),
            );
          } catch {
            // It reads universes of which its sheet says nothing.
            return;
          }
          const setup: PortSetup = { port: want.port, ...(want.part > 1 && { part: want.part }), ...other };
          const rig = withSetups(plannedRig(plan), [{ controllerId: device.id, ports: [setup] }]);
          const offset = device.protocol === 'artnet' ? device.artNetOffset : 0;
          const read = (address: string): number => {
            const [universe, channel] = address.split('.').map(Number);
            return address.startsWith('byte')
              ? (sent.flat.get(controller)![Number(address.slice(5))] ?? 0)
              : (sent.universes.get(universe! - offset)?.[channel! - 1] ?? 0);
          };
          if (Object.keys(other).length > 0) changed += 1;
          else asPlanned += 1;
          const simulated = rig.devices[controller]!;
          for (const port of simulated.ports) {
            const lights = model.get(`${device.label}${port.port}`)!;
            // Hidden ones have the width of what follows; all of a row are alike.
            const orders = [port, ...port.moreRows].flatMap(({ segments }) =>
              segments.flatMap(({ hidden, pixels, colourOrder }) =>
                Array.from({ length: hidden + pixels }, () => colourOrder),
              ),
            );
            const isOneOrder = new Set(orders).size === 1;
            if (!isOneOrder && other.pixels !== undefined) continue;
            expect([...wireOf(plan, simulated, port, sent)]).toEqual(bytesOf(lights, orders, read));
          }
        });
      },
    ),
    { numRuns: tries(1000), endOnFailure: true },
  );
  expect(asPlanned).toBeGreaterThanOrEqual(seenAtLeast(100));
  expect(changed).toBeGreaterThanOrEqual(seenAtLeast(100));
});
