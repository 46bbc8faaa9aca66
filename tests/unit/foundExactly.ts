import type { Counting } from '@/core/devices/counting';
import type { FoundSettings } from '@/core/devices/found';
import type { DeviceSettings } from '@/core/devices/settings/registry';

/** Reads a device that holds just what is to be typed, off a screen that counts in its own way. */
export function foundExactly(
  settings: DeviceSettings,
  counting: Counting = {},
  startsBy: 'universe' | 'device' = 'universe',
): FoundSettings {
  const universe = (told: number) => told + (counting.universesShifted ?? 0);
  const channel = (told: number) => told - (counting.channelsFrom === 0 ? 1 : 0);
  return {
    controllerId: settings.controllerId,
    where: 'controller',
    foundAt: 'on Friday',
    counting,
    ...(settings.firstUniverse !== null && { firstUniverse: universe(settings.firstUniverse) }),
    ...(typeof settings.universes === 'number' && { universes: settings.universes }),
    ...(typeof settings.channelsPerUniverse === 'number' && {
      channelsPerUniverse: settings.channelsPerUniverse,
    }),
    ports: settings.ports.map((port) => ({
      port: port.port,
      ...(port.part > 1 && { part: port.part }),
      ...(port.pixels !== null && { pixels: port.pixels + (counting.hiddenCounted ? port.hiddenPixels : 0) }),
      hiddenPixels: port.hiddenPixels,
      ...(port.direction !== null && { direction: port.direction }),
      ...(startsBy === 'device' &&
        port.deviceChannel !== null && { deviceChannel: channel(port.deviceChannel) }),
      ...(startsBy === 'universe' &&
        port.universe !== null && { universe: universe(port.universe), channel: channel(port.channel!) }),
      ...(port.colourOrder !== null && !port.colourOrder.includes('+') && { colourOrder: port.colourOrder }),
    })),
  };
}
