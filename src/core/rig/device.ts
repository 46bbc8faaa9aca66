import { plainOrder } from '../colours/order';
import { colourPlan } from '../devices/colourOrders';
import { universesOfController } from '../devices/universeSizes';
import { portsOfController, spansOfRun } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import type { Direction } from '../devices/settings';
import type { Sent } from './sending';

/** A device as it is set: as planned, and what is otherwise. */
export interface DeviceState {
  /** Index in the show. */
  controller: number;
  isPowered: boolean;
  /** What is sent reaches it: cable, address and protocol are right. */
  isReached: boolean;
  isOutputEnabled: boolean;
  /** Channels that it counts in each universe; null as planned. */
  universeChannels: number | null;
  universeShift: number;
  channelShift: number;
  /** What is left of each byte, 0 to 1. */
  brightness: number;
  /** Of red, green, blue and white. */
  gains: readonly [number, number, number, number];
  /** It shows a test of its own, whatever comes in. */
  ownTest: OwnTest | null;
  /** Another sender sends it this colour at the same time. */
  rival: OwnTest['colour'] | null;
  /** So many pictures a second get through to it; null where all do. */
  holdHz: number | null;
  /** It dims what it takes to draw more than this. */
  limiter: { amps: number; pixelMa: number } | null;
  /** What of it is otherwise once its power was cut. */
  afterCut: Partial<Omit<DeviceState, 'controller' | 'afterCut'>>;
  ports: readonly PortState[];
}

/** Tests that devices have in themselves: a fill of every pixel that they count. */
export interface OwnTest {
  colour: readonly [red: number, green: number, blue: number, white: number];
}

/** A stretch of a port that one run is on. */
export interface Segment {
  /** Index of the run in the plan. */
  run: number;
  /** Dark pixels that the device puts before it by itself. */
  hidden: number;
  pixels: number;
  colourOrder: string;
}

export interface PortState {
  port: number;
  isEnabled: boolean;
  segments: readonly Segment[];
  /** Pixels that the device is told in all; null as planned. */
  pixels: number | null;
  direction: Direction;
  /** Where it begins to read, for all that is on it, by the count of the show; null where each run begins as planned. */
  start: { universe: number | null; channel: number } | null;
  /** So many of the first lights take other messages on the pin for theirs. */
  chatter: number;
}

/** A device that holds just what is planned. */
export function plannedDevice(plan: Plan, controller: number): DeviceState {
  const device = plan.show.controllers[controller]!;
  return {
    controller,
    isPowered: true,
    isReached: true,
    isOutputEnabled: true,
    universeChannels: null,
    universeShift: 0,
    channelShift: 0,
    brightness: 1,
    gains: [1, 1, 1, 1],
    ownTest: null,
    rival: null,
    holdHz: null,
    limiter: null,
    afterCut: {},
    ports: portsOfController(plan, controller).map(({ port, runs }) => ({
      port,
      isEnabled: true,
      pixels: null,
      direction: 'forward',
      start: null,
      chatter: 0,
      segments: runs.map((run) => {
        const { skippedPixels } = plan.runs[run]!.wire!;
        // Where skipped pixels take channels, the sender gives them dark ones, and to the device they are pixels as others.
        const own = device.skippedPixelsTakeChannels ? 0 : skippedPixels;
        return {
          run,
          hidden: own,
          pixels: plan.runs[run]!.pixelCount + skippedPixels - own,
          colourOrder: colourPlan(plan, run).controller,
        };
      }),
    })),
  };
}

/** Reads channels one after another, universe by universe, as a device counts them. */
class ChannelReader {
  constructor(
    private readonly sent: Sent,
    private readonly controller: number,
    private readonly sizeOf: (universe: number) => number,
    /** Null in a flat space. */
    private universe: number | null,
    /** From 0. */
    private channel: number,
  ) {}

  next(): number {
    if (this.universe === null) {
      const byte = this.sent.flat.get(this.controller)?.[this.channel];
      this.channel += 1;
      return byte ?? 0;
    }
    while (this.channel >= this.sizeOf(this.universe)) {
      this.channel -= this.sizeOf(this.universe);
      this.universe += 1;
    }
    const byte = this.sent.universes.get(this.universe)?.[this.channel];
    this.channel += 1;
    return byte ?? 0;
  }
}

/** What a device puts on the wire of a port for a picture that came in: bytes in the order of the wire. */
export function wireOf(plan: Plan, device: DeviceState, port: PortState, sent: Sent): Uint8Array {
  const made: number[] = [];
  const isSilent = !device.isPowered || !device.isOutputEnabled || !port.isEnabled;
  if (isSilent) return new Uint8Array(0);
  const sizes = universesOfController(plan, device.controller);
  const usual = device.universeChannels ?? Math.max(1, ...sizes.values());
  const sizeOf = (universe: number) => device.universeChannels ?? sizes.get(universe) ?? usual;
  const isShifted =
    device.universeChannels !== null || device.universeShift !== 0 || device.channelShift !== 0;
  let left = port.pixels ?? Infinity;
  let reader: ChannelReader | null = null;
  port.segments.forEach((segment, index) => {
    const isLast = index === port.segments.length - 1;
    const order = segment.colourOrder;
    const own = Math.min(segment.pixels, left);
    // What is counted beyond the last run goes on in its channels.
    const pixels = isLast && port.pixels !== null ? Math.max(0, left) : own;
    left -= own;
    for (let i = 0; i < segment.hidden * order.length; i += 1) made.push(0);
    const bytes = device.ownTest ? ownTestBytes(device.ownTest, order, pixels) : null;
    const start = bytes ? undefined : spansOfRun(plan, segment.run)[0];
    const plain = plainOrder(order);
    const places = [...order].map((letter) => plain.indexOf(letter));
    const letters = [...order].map((letter) => 'RGBW'.indexOf(letter));
    const gainOf = (letter: number) => device.brightness * device.gains[letter]!;
    const isByRun = !isShifted && !port.start && pixels <= segment.pixels;
    let read: (() => number) | null = null;
    if (!bytes && start && device.isReached) {
      if (isByRun) read = bySpans(plan, segment.run, device.controller, sent);
      else {
        // From a start of its own a port reads on over all that is on it.
        if (!port.start || !reader)
          reader = new ChannelReader(
            sent,
            device.controller,
            sizeOf,
            addShift(port.start ? port.start.universe : start.universe, device.universeShift),
            (port.start ? port.start.channel : start.startChannel) - 1 + device.channelShift,
          );
        const from: ChannelReader = reader;
        read = () => from.next();
      }
    }
    const pixel = new Uint8Array(order.length);
    for (let i = 0; i < pixels; i += 1) {
      for (let k = 0; k < order.length; k += 1)
        pixel[k] = bytes ? bytes[i * order.length + k]! : (read?.() ?? 0);
      // What comes in is in the plain order; what goes out in that of the chips.
      places.forEach((place, j) => {
        const gain = gainOf(letters[j]!);
        made.push(gain === 1 ? pixel[place]! : Math.round(pixel[place]! * gain));
      });
    }
  });
  const wire = Uint8Array.from(made);
  return port.direction === 'forward' ? wire : turned(wire, port.segments.at(-1)?.colourOrder.length ?? 3);
}

const addShift = (universe: number | null, by: number) => (universe === null ? null : universe + by);

/** The channels of a run, wherever its spans are: as the plan has them. */
function bySpans(plan: Plan, run: number, controller: number, sent: Sent): () => number {
  const spans = spansOfRun(plan, run);
  let [at, offset] = [0, 0];
  return () => {
    while (at < spans.length && offset >= spans[at]!.channelCount) [at, offset] = [at + 1, 0];
    const span = spans[at];
    if (!span) return 0;
    const bytes = span.universe === null ? sent.flat.get(controller) : sent.universes.get(span.universe);
    const byte = bytes?.[span.startChannel - 1 + offset];
    offset += 1;
    return byte ?? 0;
  };
}

function ownTestBytes({ colour }: OwnTest, order: string, pixels: number): Uint8Array {
  const plain = [...plainOrder(order)].map((letter) => colour['RGBW'.indexOf(letter)]!);
  return Uint8Array.from({ length: pixels * plain.length }, (_, i) => plain[i % plain.length]!);
}

function turned(wire: Uint8Array, step: number): Uint8Array {
  const made = new Uint8Array(wire.length);
  const pixels = Math.floor(wire.length / step);
  for (let i = 0; i < pixels; i += 1)
    made.set(wire.subarray(i * step, (i + 1) * step), (pixels - 1 - i) * step);
  return made;
}
