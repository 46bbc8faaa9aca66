import { painted, patternById } from '../patterns/registry';
import { stretchesOf } from '../patterns/selection';
import { controllersOfProp } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { isPanelled } from '../props/registry';
import { isSound, lightPlaces, type Chain } from '../rig/chain';
import type { DeviceState, PortState } from '../devices/deviceState';
import { tellingOfController } from '../devices/tellingOn';
import { wireOf } from '../rig/device';
import { withFaults, type Fault } from '../rig/faults/registry';
import { afterPowerCut, plannedRig, wiresOfDevice, type Rig } from '../rig/rig';
import { send, type SenderState, type Sent } from '../rig/sending';
import { Numbers } from './numbers';
import { SEEN_DARK, UNKNOWN } from './perceive';
import { perceivePlaces, picturesOf, shifted, UNREACHED } from './placeCodes';
import { Readings } from './readings';
import { trialsOf, type LookId, type Trial } from './trials';
import { itemAt, lastOf } from '../units/there';
import { propAt, plannedAt } from '../plan/records';

/** Codes that somebody sees in a trial: one for each pixel at each moment, or for each value that is read. */
export type Seen = Uint8Array;

const NOTHING: Sent = { universes: new Map(), flat: new Map() };

/** Lights of a wall that are looked at, over all of it, and as many at its end: a fault of a panel shows on many. */
const LOOKED_AT = 4096;
const AT_THE_END = 64;
/** Not the width of any panel, so that not only some of its columns are looked at. */
const STRIDES = [7, 11, 13, 17, 19, 23, 29, 31, 37, 41, 43, 47, 53, 59, 61, 127, 251, 509, 1021];

/** The prop that is searched, every trial on it, and the picture of each fault. */
export class Scope {
  readonly trials: readonly Trial[];
  /** Indices of the controllers that drive it. */
  readonly controllers: ReadonlySet<number>;
  /** Number of pixels looked at. */
  readonly count: number;
  readonly planned: Rig;
  /** Indices of its pixels in the table of the plan. */
  private readonly first: number;
  /** Index of each pixel among those looked at; -1 where it is not. */
  private readonly slots: Int32Array;
  /** The pictures that are wanted, by trial and moment: four bytes for each pixel of the plan. */
  private readonly wanted = new Map<string, Uint8Array>();
  /** Channels sent for each trial. Most faults leave the sender alone. */
  private readonly sent = new WeakMap<SenderState, Map<string, Sent>>();
  /** Bytes that devices put on each wire, by their causes. Most faults leave most ports alone. */
  private readonly wires = new Map<string, Uint8Array>();
  /** Colours at the places of a wire, by their causes; some faults only move them elsewhere. */
  private readonly shown = new Map<string, Uint8Array>();
  private readonly places = new WeakMap<Int32Array, Int32Array>();
  private readonly plannedPixels: ReadonlySet<Int32Array>;
  private readonly numbers = new Numbers();
  private readonly heads = new WeakMap<DeviceState, object>();
  private readonly readings: Readings;

  /** @param isWhole all of its lights are looked at, however many there are */
  constructor(
    readonly plan: Plan,
    readonly prop: number,
    isWhole = false,
  ) {
    const { firstPixel, pixelCount, firstRun, runCount } = plannedAt(plan, prop);
    this.first = firstPixel;
    // On a string each single light may be the one with which something is the matter.
    const isThinned = !isWhole && isPanelled(propAt(plan, prop));
    this.slots = slotsOf(pixelCount, isThinned ? LOOKED_AT : Infinity);
    this.count = this.slots.reduce((sum, slot) => sum + (slot < 0 ? 0 : 1), 0);
    this.planned = plannedRig(plan);
    this.controllers = controllersOfProp(plan, prop);
    this.plannedPixels = new Set(this.planned.chains.map(({ pixel }) => pixel));
    this.trials = trialsOf(plan, prop);
    const type = plan.show.pixelTypes.find(({ id }) => id === propAt(plan, prop).pixelTypeId);
    const ends = plan.runs
      .slice(firstRun, firstRun + runCount)
      .flatMap((run) => (run.wire && run.pixelCount > 0 ? [run.firstPixel + run.pixelCount - 1] : []));
    this.readings = new Readings(this.planned, this.controllers, ends, type?.volts ?? 5);
  }

  trial(id: string): Trial | undefined {
    return this.trials.find((each) => each.id === id);
  }

  rigWith(faults: readonly Fault[]): Rig {
    return faults.length === 0 ? this.planned : withFaults(this.planned, faults);
  }

  /** Index of a pixel of the plan among those looked at; -1 where it is not. */
  slotOf(pixel: number): number {
    const at = pixel - this.first;
    return at >= 0 && at < this.slots.length ? this.slots[at]! : -1;
  }

  /** A description of a trial by somebody; lights that are not named stay open. A picture that moves cannot be described so. */
  described(trial: Trial, stretches: readonly { from: number; to: number; code: number }[]): Seen {
    const seen = new Uint8Array(trial.moments.length * this.count).fill(UNKNOWN);
    if (trial.moments.length > 1 || trial.how === 'look') return seen;
    for (const { from, to, code } of stretches)
      for (let light = Math.max(1, from); light <= Math.min(to, this.slots.length); light += 1) {
        const slot = this.slots[light - 1]!;
        if (slot >= 0) seen[slot] = code;
      }
    return seen;
  }

  /** The picture of a trial on a display. */
  see(of: Rig, trial: Trial): Seen {
    if (trial.how === 'look') return this.readings.read(of, trial.id as LookId);
    const rig = trial.isAfterCut ? afterPowerCut(of) : of;
    const { count } = this;
    const moments = trial.moments.length;
    const seen = new Uint8Array(moments * count);
    for (const chain of rig.chains) {
      const places = this.placesOf(chain);
      if (places.length === 0) continue;
      const codes = this.shownBy(rig, chain, trial);
      const { pixel } = chain;
      for (let moment = 0; moment < moments; moment += 1)
        for (let k = 0; k < places.length; k += 1) {
          const place = places[k]!;
          const code = codes[moment * pixel.length + place]!;
          if (code !== UNREACHED) seen[moment * count + this.slotOf(pixel[place]!)] = code;
        }
    }
    for (const { controller, from, to } of rig.copies)
      if (this.controllers.has(controller)) this.copy(rig, trial, from, to, seen);
    return seen;
  }

  /** Pixels that show what others show, whatever is theirs. */
  private copy(rig: Rig, trial: Trial, from: Int32Array, to: Int32Array, seen: Seen): void {
    const { count } = this;
    // A copied pixel may be looked at nowhere else.
    const sources = new Set<number>();
    to.forEach((pixel, i) => {
      if (this.slotOf(pixel) >= 0) sources.add(from[i]!);
    });
    for (const chain of rig.chains) {
      if (!this.controllers.has(chain.controller)) continue;
      const { pixel } = chain;
      const places = Int32Array.from(Array.from(pixel.keys()).filter((place) => sources.has(pixel[place]!)));
      if (places.length === 0) continue;
      const codes = this.codesOf(rig, chain, trial, places);
      const at = new Map(Array.from(places, (place) => [pixel[place]!, place]));
      to.forEach((target, i) => {
        const slot = this.slotOf(target);
        const place = slot < 0 ? undefined : at.get(from[i]!);
        if (place === undefined) return;
        for (let moment = 0; moment < trial.moments.length; moment += 1) {
          const code = codes[moment * pixel.length + place]!;
          seen[moment * count + slot] = code === UNREACHED ? SEEN_DARK : code;
        }
      });
    }
  }

  /** Codes of the places of a chain, moment after moment; UNREACHED for those to which nothing is sent. */
  private shownBy(rig: Rig, chain: Chain, trial: Trial): Uint8Array {
    const device = itemAt(rig.devices, chain.controller);
    const port = device.ports.find((each) => each.port === chain.port);
    // A limiter adds up all wires of its device.
    if (!port || device.limiter) return this.codesOf(rig, chain, trial, this.placesOf(chain));
    const { numbers } = this;
    const { pixel, state, order, orders, volts, sagsAbove } = chain;
    const isHungOtherwise = isSound(chain) && !this.plannedPixels.has(pixel);
    const key = [
      trial.id,
      this.headOf(device),
      numbers.ofContent(port),
      numbers.ofThing(rig.sender),
      numbers.ofThing(state),
      numbers.ofThing(order),
      numbers.ofContent(orders),
      numbers.ofThing(volts),
      sagsAbove,
      // All sound ones that hang elsewhere are worked out at once, for whatever way they hang.
      isHungOtherwise ? 'all' : numbers.ofThing(pixel),
    ].join(' ');
    let known = this.shown.get(key);
    if (!known)
      this.shown.set(
        key,
        (known = this.codesOf(rig, chain, trial, isHungOtherwise ? null : this.placesOf(chain))),
      );
    return known;
  }

  /**
   * Codes of places of a chain, moment after moment; UNREACHED for those that are not asked for.
   *
   * @param rig as it is when the trial is seen
   * @param places from 0; null for all
   * @param bytesLate so many bytes late the data comes; below zero early
   */
  codesOf(rig: Rig, chain: Chain, trial: Trial, places: Int32Array | null, bytesLate = 0): Uint8Array {
    const device = itemAt(rig.devices, chain.controller);
    // A limiter adds up all wires of its device.
    const own = device.limiter
      ? rig.chains.filter(({ controller }) => controller === chain.controller)
      : [chain];
    const number = own.indexOf(chain);
    const { length } = chain.pixel;
    const frames = picturesOf(device, chain);
    const codes = new Uint8Array(trial.moments.length * length).fill(UNREACHED);
    trial.moments.forEach((_, moment) => {
      const wireAt = this.wireAt(rig, trial, moment);
      for (let frame = 0; frame < frames; frame += 1) {
        const wire = wiresOfDevice(this.plan, device, own, wireAt, frame, trial.how === 'own')[number];
        if (!wire) continue;
        const light = new Uint8Array(4 * length);
        const late = bytesLate === 0 ? wire : shifted(wire, bytesLate);
        const reached = lightPlaces(chain, late, light, frame, places);
        const ofMoment = codes.subarray(moment * length, (moment + 1) * length);
        perceivePlaces(places, light, reached, 255 * trial.level, ofMoment, frame);
      }
    });
    return codes;
  }

  /** Places of a chain whose lights are looked at. */
  placesOf({ pixel }: Chain): Int32Array {
    let known = this.places.get(pixel);
    if (!known) {
      const found: number[] = [];
      for (let i = 0; i < pixel.length; i += 1) if (this.slotOf(pixel[i]!) >= 0) found.push(i);
      this.places.set(pixel, (known = Int32Array.from(found)));
    }
    return known;
  }

  /** Bytes that a device puts on the wire of a port at a moment of a trial. */
  private wireAt(
    rig: Rig,
    trial: Trial,
    moment: number,
  ): (device: DeviceState, port: PortState) => Uint8Array {
    const { timeS, step } = itemAt(trial.moments, moment);
    return (device, port) => {
      // A link that is too slow still has an older picture.
      const held = device.holdHz === null ? timeS : Math.floor(timeS * device.holdHz) / device.holdHz;
      const { numbers } = this;
      const key = `${trial.id} ${held} ${step} ${this.headOf(device)} ${numbers.ofContent(port)} ${numbers.ofThing(rig.sender)}`;
      let known = this.wires.get(key);
      if (!known) {
        const fill = Math.round(255 * trial.level);
        known =
          trial.how === 'own'
            ? wireOf(this.plan, { ...device, ownTest: { colour: [fill, fill, fill, 0] } }, port, NOTHING)
            : wireOf(this.plan, device, port, this.sentAt(rig.sender, trial, held, step));
        this.wires.set(key, known);
      }
      return known;
    };
  }

  /** A number for a device without its ports, but where a count on one of them moves the others. */
  private headOf(device: DeviceState): number {
    let head = this.heads.get(device);
    if (!head) {
      const { ports, afterCut: _, ...rest } = device;
      const countsOn = tellingOfController(this.plan, device.controller).starts.value === 'device';
      this.heads.set(device, (head = countsOn ? { ...rest, ports } : rest));
    }
    return this.numbers.ofContent(head);
  }

  private sentAt(sender: SenderState, trial: Trial, timeS: number, step: number | null): Sent {
    const key = `${trial.pattern} ${trial.level} ${timeS} ${step}`;
    let known = this.sent.get(sender);
    if (!known) this.sent.set(sender, (known = new Map()));
    let sent = known.get(key);
    if (!sent) {
      let wanted = this.wanted.get(key);
      if (!wanted) {
        const propId = propAt(this.plan, this.prop).id;
        wanted = painted(patternById(trial.pattern)!, {
          plan: this.plan,
          stretches: stretchesOf(this.plan, { on: 'prop', propId }),
          timeS,
          step,
          level: trial.level,
          colour: [255, 255, 255, 0],
        });
        this.wanted.set(key, wanted);
      }
      known.set(key, (sent = send(this.plan, sender, wanted, this.controllers)));
    }
    return sent;
  }
}

/** Indices of the pixels looked at: about so many spread over the prop, and those at the end. */
function slotsOf(count: number, most: number): Int32Array {
  const stride = count <= most ? 1 : (STRIDES.find((each) => count / each <= most) ?? lastOf(STRIDES));
  let slots = 0;
  return Int32Array.from({ length: count }, (_, i) =>
    i % stride === 0 || i >= count - AT_THE_END ? slots++ : -1,
  );
}
