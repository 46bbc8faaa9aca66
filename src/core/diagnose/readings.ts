import { STARVED, UNPOWERED } from '../rig/chain';
import type { DeviceState } from '../devices/deviceState';
import type { Rig } from '../rig/rig';
import type { SenderState } from '../rig/sending';
import type { LookId } from './trials';
import { itemAt } from '../units/there';

/** Readings of a meter at a pixel. */
const VOLTS = { planned: 0, none: 1, low: 2, comeAndGo: 3 };
/** Fewer than this share of the volts are too few at full white. */
const LOW_BELOW = 0.9;
/** The code for a page that does not come up. */
const UNREADABLE = 1;

/** Values read on devices and in the sender, as codes: 0 for each that is as planned. */
export class Readings {
  /** Codes for what is read, in the order in which it came up. */
  private readonly codes = new Map<string, number>();

  /**
   * @param controllers indices of the devices that are looked at
   * @param ends indices in the table of the plan of the last pixel of each run
   * @param plannedV what its pixels are for
   */
  constructor(
    private readonly planned: Rig,
    private readonly controllers: ReadonlySet<number>,
    private readonly ends: readonly number[],
    private readonly plannedV: number,
  ) {}

  /** Two bytes for each thing that is read. */
  read(rig: Rig, id: LookId): Uint8Array {
    if (id === 'volts') return this.volts(rig);
    const { devices, sender } = rig;
    const codes: number[] = [];
    const read = (now: readonly unknown[], planned: readonly unknown[]) =>
      planned.forEach((each, i) => codes.push(this.codeOf(JSON.stringify(now[i]), JSON.stringify(each))));
    for (const controller of this.controllers) {
      const device = itemAt(devices, controller);
      const planned = itemAt(this.planned.devices, controller);
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

  /** Volts at the last pixel of each run: right, none, too few, or some that come and go. */
  private volts(rig: Rig): Uint8Array {
    return Uint8Array.from(this.ends, (end) => {
      const chain = rig.chains.find(({ pixel }) => pixel.includes(end));
      const place = chain ? chain.pixel.indexOf(end) : -1;
      if (!chain || place < 0) return VOLTS.planned;
      if (chain.state[place] === UNPOWERED) return VOLTS.none;
      if (chain.sagsAbove !== null) return VOLTS.comeAndGo;
      const { volts } = chain;
      const isLow =
        volts !== null && chain.state[place] === STARVED && volts.fullV[place]! < LOW_BELOW * this.plannedV;
      return isLow ? VOLTS.low : VOLTS.planned;
    });
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

/** Values to read on the page of a device, one by one. */
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
    ...ports.flatMap((port) => [
      port.isEnabled,
      ...[port, ...port.moreRows].flatMap(({ segments, pixels, direction, start }) => [
        segments.map(({ colourOrder }) => colourOrder),
        [pixels, segments.map(({ hidden, pixels: own }) => [hidden, own])],
        direction,
        start,
      ]),
    ]),
  ];
}

/** Values to read in the sender about one controller, one by one. */
function senderFor(sender: SenderState, controller: number): unknown[] {
  return [
    sender.silentTo.has(controller),
    sender.universeChannels.get(controller) ?? null,
    [sender.universeShift.get(controller) ?? 0, sender.channelShift.get(controller) ?? 0],
    [...sender.colourOrders],
    sender.gains,
  ];
}
