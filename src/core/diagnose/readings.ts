import type { DeviceState } from '../rig/device';
import type { Rig } from '../rig/rig';
import type { SenderState } from '../rig/sending';
import type { LookId } from './trials';

/** What stands for a page that does not come up. */
const UNREADABLE = 1;

/** What is read on devices and in the sender, as codes: 0 for each thing that is as planned. */
export class Readings {
  /** Codes for what is read, in the order in which it came up. */
  private readonly codes = new Map<string, number>();

  /** @param controllers indices of the devices that are looked at */
  constructor(
    private readonly planned: Rig,
    private readonly controllers: ReadonlySet<number>,
  ) {}

  /** Two bytes for each thing that is read. */
  read({ devices, sender }: Rig, id: LookId): Uint8Array {
    const codes: number[] = [];
    const read = (now: readonly unknown[], planned: readonly unknown[]) =>
      planned.forEach((each, i) => codes.push(this.codeOf(JSON.stringify(now[i]), JSON.stringify(each))));
    for (const controller of this.controllers) {
      const device = devices[controller]!;
      const planned = this.planned.devices[controller]!;
      switch (id) {
        case 'lamp':
          codes.push(device.isPowered ? 0 : UNREADABLE);
          break;
        case 'answers':
          codes.push(device.isPowered && device.isReached ? 0 : UNREADABLE);
          break;
        case 'settings':
          // A device without power shows no page.
          if (device.isPowered) read(settingsOf(device), settingsOf(planned));
          else codes.push(...settingsOf(planned).map(() => UNREADABLE));
          break;
        case 'sender':
          read(senderFor(sender, controller), senderFor(this.planned.sender, controller));
      }
    }
    return Uint8Array.from(codes.flatMap((code) => [code & 0xff, code >> 8]));
  }

  /** 0 where it is as planned, else a number that stands for what is read. */
  private codeOf(now: string | undefined, planned: string): number {
    if (now === planned) return 0;
    const key = String(now);
    let code = this.codes.get(key);
    if (code === undefined) this.codes.set(key, (code = this.codes.size + UNREADABLE + 1));
    return code;
  }
}

/** What can be read on the page of a device, thing by thing. */
function settingsOf({ ports, ...device }: DeviceState): unknown[] {
  const { isOutputEnabled, universeChannels, universeShift, channelShift, brightness, gains, limiter } =
    device;
  return [
    isOutputEnabled,
    universeChannels,
    [universeShift, channelShift],
    brightness,
    gains,
    limiter,
    device.ownTest,
    ...ports.flatMap(({ isEnabled, segments, pixels, direction, start }) => [
      isEnabled,
      segments.map(({ colourOrder }) => colourOrder),
      [pixels, segments.map(({ hidden, pixels: own }) => [hidden, own])],
      direction,
      start,
    ]),
  ];
}

/** What can be read in the sender about one controller, thing by thing. */
function senderFor(sender: SenderState, controller: number): unknown[] {
  return [
    sender.silentTo.has(controller),
    sender.universeChannels.get(controller) ?? null,
    [sender.universeShift.get(controller) ?? 0, sender.channelShift.get(controller) ?? 0],
    [...sender.colourOrders],
    sender.gains,
  ];
}
