import { painted, patternById } from '../patterns/registry';
import { stretchesOf } from '../patterns/selection';
import type { Plan } from '../plan/planned';
import type { Chain } from '../rig/chain';
import { FLICKERING, NOISY } from '../rig/chain';
import { wireOf, type DeviceState, type PortState } from '../rig/device';
import { withFaults, type Fault } from '../rig/faults/registry';
import { afterPowerCut, lightOf, plannedRig, type Rig } from '../rig/rig';
import { send, type SenderState, type Sent } from '../rig/sending';
import { perceived, SEEN_FLICKER } from './perceive';
import { trialsOf, type LookId, type Trial } from './trials';

/** What somebody sees of a trial: a code for each pixel of the prop at each moment, or for each of what is read. */
export type Seen = Uint8Array;

const NOTHING: Sent = { universes: new Map(), flat: new Map() };

/** What is looked at, with all that can be tried on it and what each way of being broken shows of that. */
export class Scope {
  readonly trials: readonly Trial[];
  /** Indices of the controllers that drive it. */
  readonly controllers: ReadonlySet<number>;
  /** Of its pixels in the table of the plan. */
  readonly first: number;
  readonly count: number;
  readonly planned: Rig;
  /** The pictures that are wanted, by trial and moment: four bytes for each pixel of the plan. */
  private readonly wanted = new Map<string, Uint8Array>();
  /** What a sender makes of them. Most faults leave the sender alone. */
  private readonly sent = new WeakMap<SenderState, Map<string, Sent>>();
  /** What devices put on a wire of it. Most faults leave the device alone. */
  private readonly wires = new WeakMap<DeviceState, WeakMap<SenderState, Map<string, Uint8Array>>>();
  private readonly reduced = new WeakMap<Rig, Rig>();
  private readonly on = new WeakMap<Chain, boolean>();
  /** Codes for what is read, in the order in which it came up. */
  private readonly readings = new Map<string, number>();

  constructor(
    readonly plan: Plan,
    readonly prop: number,
  ) {
    const { firstPixel, pixelCount, firstRun, runCount } = plan.props[prop]!;
    this.first = firstPixel;
    this.count = pixelCount;
    this.planned = plannedRig(plan);
    this.controllers = new Set(
      plan.runs.slice(firstRun, firstRun + runCount).flatMap(({ wire }) => (wire ? [wire.controller] : [])),
    );
    this.trials = trialsOf(plan, prop);
  }

  trial(id: string): Trial | undefined {
    return this.trials.find((each) => each.id === id);
  }

  rigWith(faults: readonly Fault[]): Rig {
    return faults.length === 0 ? this.planned : withFaults(this.planned, faults);
  }

  /** Lights of a moment: four bytes for each pixel of the plan. */
  light(rig: Rig, trial: Trial, moment: number, frame: number): Uint8Array {
    return lightOf(
      this.ownChains(rig),
      this.wireAt(rig, trial, moment),
      frame,
      this.controllers,
      trial.how === 'own',
    );
  }

  /** The display with the wires alone on which the prop is. A limiter adds up all wires of its device, so those stay then. */
  private ownChains(rig: Rig): Rig {
    let known = this.reduced.get(rig);
    if (!known) {
      const isLimited = rig.devices.some(({ limiter }) => limiter !== null);
      known = isLimited ? rig : { ...rig, chains: rig.chains.filter((chain) => this.isOn(chain)) };
      this.reduced.set(rig, known);
    }
    return known;
  }

  private isOn(chain: Chain): boolean {
    let known = this.on.get(chain);
    if (known === undefined) {
      const end = this.first + this.count;
      known = chain.pixel.some((pixel) => pixel >= this.first && pixel < end);
      this.on.set(chain, known);
    }
    return known;
  }

  /** What a device has on the wire of a port at a moment of a trial. */
  wireAt(rig: Rig, trial: Trial, moment: number): (device: DeviceState, port: PortState) => Uint8Array {
    return (device, port) => {
      if (trial.how === 'own') {
        const fill = Math.round(255 * trial.level);
        return wireOf(this.plan, { ...device, ownTest: { colour: [fill, fill, fill, 0] } }, port, NOTHING);
      }
      // A link that is too slow still has an older picture.
      const { timeS, step } = trial.moments[moment]!;
      const held = device.holdHz === null ? timeS : Math.floor(timeS * device.holdHz) / device.holdHz;
      const key = `${trial.id} ${held} ${step} ${port.port}`;
      let bySender = this.wires.get(device);
      if (!bySender) this.wires.set(device, (bySender = new WeakMap()));
      let known = bySender.get(rig.sender);
      if (!known) bySender.set(rig.sender, (known = new Map()));
      let wire = known.get(key);
      if (!wire)
        known.set(key, (wire = wireOf(this.plan, device, port, this.sentAt(rig.sender, trial, held, step))));
      return wire;
    };
  }

  private sentAt(sender: SenderState, trial: Trial, timeS: number, step: number | null): Sent {
    const key = `${trial.pattern} ${trial.level} ${timeS} ${step}`;
    let known = this.sent.get(sender);
    if (!known) this.sent.set(sender, (known = new Map()));
    let sent = known.get(key);
    if (!sent) {
      let wanted = this.wanted.get(key);
      if (!wanted) {
        const stretches = stretchesOf(this.plan, {
          on: 'prop',
          propId: this.plan.show.props[this.prop]!.id,
        });
        const { level } = trial;
        wanted = painted(patternById(trial.pattern)!, {
          plan: this.plan,
          stretches,
          timeS,
          step,
          level,
          colour: [255, 255, 255, 0],
        });
        this.wanted.set(key, wanted);
      }
      known.set(key, (sent = send(this.plan, sender, wanted, this.controllers)));
    }
    return sent;
  }

  /** What is seen of a trial on a display. */
  see(of: Rig, trial: Trial): Seen {
    if (trial.how === 'look') return this.look(of, trial.id as LookId);
    const rig = trial.isAfterCut ? afterPowerCut(of) : of;
    const seen = new Uint8Array(trial.moments.length * this.count);
    const frames = picturesOf(rig);
    const fullest = 255 * trial.level;
    trial.moments.forEach((_, moment) => {
      const own = seen.subarray(moment * this.count, (moment + 1) * this.count);
      for (let frame = 0; frame < frames; frame += 1)
        this.codes(this.light(rig, trial, moment, frame), fullest, own, frame > 0);
    });
    return seen;
  }

  /** Codes of the lights of the prop; from the second picture on, what differs flickers. */
  private codes(light: Uint8Array, fullest: number, own: Uint8Array, isAgain: boolean): void {
    let at = 4 * this.first;
    for (let i = 0; i < own.length; i += 1, at += 4) {
      const code = perceived(light[at]!, light[at + 1]!, light[at + 2]!, light[at + 3]!, fullest);
      if (!isAgain) own[i] = code;
      else if (own[i] !== code) own[i] = SEEN_FLICKER;
    }
  }

  /** What is read on devices and in the sender: two bytes for each thing that is read, 0 where it is as planned. */
  private look({ devices, sender }: Rig, id: LookId): Seen {
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
    let code = this.readings.get(key);
    if (code === undefined) this.readings.set(key, (code = this.readings.size + UNREADABLE + 1));
    return code;
  }
}

/** What stands for a page that does not come up. */
const UNREADABLE = 1;

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

const flickering = new WeakMap<Chain, boolean>();

function flickersOnChain(chain: Chain): boolean {
  let known = flickering.get(chain);
  if (known === undefined) {
    known = chain.sagsAbove !== null || chain.state.some((state) => state === FLICKERING || state === NOISY);
    flickering.set(chain, known);
  }
  return known;
}

/** Pictures after which what flickers was seen to. */
const FLICKERS_WITHIN = 4;

/** How many pictures have to be looked at: one, where two of the same never differ. */
export function picturesOf({ devices, chains }: Rig): number {
  const mayDiffer =
    chains.some(flickersOnChain) ||
    devices.some(({ rival, ports }) => rival !== null || ports.some(({ chatter }) => chatter > 0));
  return mayDiffer ? FLICKERS_WITHIN : 1;
}
