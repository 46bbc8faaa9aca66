import { deviceSettings } from '@/core/devices/deviceSettings';
import { deviceValuesTable, portSettingsTable } from '@/core/papers/tables/addresses';
import { portsOfController } from '@/core/plan/planIndex';
import type { Plan } from '@/core/plan/planned';
import { runAt } from '@/core/plan/records';
import type { Show } from '@/core/show/schema';
import { basisOf } from '@/core/devices/settings/basis';
import { rowsOf, typed, type Lights, type Tile } from './typedDevice';

/** The channels that the sender sends each light of a port, as the device calls them; null for hidden ones. */
function sentTo(plan: Plan, controller: number, port: number): Lights {
  const device = plan.show.controllers[controller]!;
  const lights: Lights = [];
  for (const run of portsOfController(plan, controller).find((each) => each.port === port)!.runs) {
    const { wire, channelsPerPixel } = runAt(plan, run);
    const channels: string[] = [];
    for (const span of plan.spans.filter((each) => each.run === run))
      for (let i = 0; i < span.channelCount; i += 1)
        channels.push(
          span.universe === null
            ? `byte ${span.startChannel - 1 + i}`
            : `${span.universe + (device.protocol === 'artnet' ? device.artNetOffset : 0)}.${span.startChannel + i}`,
        );
    // Those that the device hides by itself have no channels.
    if (!device.skippedPixelsTakeChannels) for (let i = 0; i < wire!.skippedPixels; i += 1) lights.push(null);
    for (let at = 0; at < channels.length; at += channelsPerPixel)
      lights.push(channels.slice(at, at + channelsPerPixel));
  }
  return lights;
}

/** Sizes of the tiles of a device, by the names of their rows. */
export function tilesOf(plan: Plan, controller: number): Map<string, Tile> {
  const { ports } = deviceSettings(plan, controller);
  return new Map(
    basisOf(plan, controller).ports.flatMap(({ port: { isTile, stretches } }, i): [string, Tile][] =>
      isTile
        ? [
            [
              ports[i]!.name,
              { pixels: stretches[0]!.pixels, channels: runAt(plan, stretches[0]!.run).channelsPerPixel },
            ],
          ]
        : [],
    ),
  );
}

/** Ports of a controller on which a light reads other channels than it is sent, with what is typed from its sheet alone. */
export function wrongPorts(show: Show, plan: Plan, controller: number): string[] {
  const device = show.controllers[controller]!;
  const settings = deviceSettings(plan, controller);
  const manual = show.controllerTypes.find(({ id }) => id === device.typeId) ?? {};
  const read = typed(
    manual,
    rowsOf(deviceValuesTable(show, device, settings)),
    rowsOf(portSettingsTable(device, settings.ports)),
    tilesOf(plan, controller),
  );
  return portsOfController(plan, controller).flatMap(({ port }) => {
    const name = `${device.label}${port}`;
    const own = read.get(name)!;
    const sent = sentTo(plan, controller, port);
    return JSON.stringify(own) === JSON.stringify(sent) ? [] : [name];
  });
}
