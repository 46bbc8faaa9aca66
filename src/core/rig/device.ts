import { plainOrder } from '../colours/order';
import { colourPlan } from '../devices/colourOrders';
import { universesOfController } from '../devices/universeSizes';
import { portsOfController, spansOfRun } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import type { DeviceState, OwnTest, PortState } from '../devices/deviceState';
import type { Sent } from './sending';
import { itemAt } from '../units/there';
import { controllerAt, runAt, wireOfRun } from '../plan/records';

/** A device that holds just what is planned. */
export function plannedDevice(plan: Plan, controller: number): DeviceState {
  const device = controllerAt(plan, controller);
  return {
    controller,
    isPowered: true,
    isReached: true,
    isOutputEnabled: true,
    universeChannels: null,
    universeCount: null,
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
        const { skippedPixels } = wireOfRun(plan, run);
        // The sender gives dark channels to skipped pixels that take some, and to the device they are pixels like others.
        const own = device.skippedPixelsTakeChannels ? 0 : skippedPixels;
        return {
          run,
          hidden: own,
          pixels: runAt(plan, run).pixelCount + skippedPixels - own,
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

  /** The next channels; what did not come in is dark. */
  take(count: number): Uint8Array {
    const made = new Uint8Array(count);
    let at = 0;
    while (at < count) {
      if (this.universe !== null)
        while (this.channel >= this.sizeOf(this.universe)) {
          this.channel -= this.sizeOf(this.universe);
          this.universe += 1;
        }
      const left = count - at;
      const own = this.universe === null ? left : Math.min(left, this.sizeOf(this.universe) - this.channel);
      const bytes =
        this.universe === null ? this.sent.flat.get(this.controller) : this.sent.universes.get(this.universe);
      // A start before the first channel reads nothing there.
      const before = Math.min(own, Math.max(0, -this.channel));
      if (bytes) made.set(bytes.subarray(this.channel + before, this.channel + own), at + before);
      this.channel += own;
      at += own;
    }
    return made;
  }
}

/** Bytes that a device puts on the wire of a port for a frame, in the order of the wire. */
export function wireOf(plan: Plan, device: DeviceState, port: PortState, coming: Sent): Uint8Array {
  const isSilent = !device.isPowered || !device.isOutputEnabled || !port.isEnabled;
  if (isSilent) return new Uint8Array(0);
  const sizes = universesOfController(plan, device.controller);
  const sent = listenedTo(device, coming, [...sizes.keys()][0]);
  const usual = device.universeChannels ?? Math.max(1, ...sizes.values());
  const sizeOf = (universe: number) => device.universeChannels ?? sizes.get(universe) ?? usual;
  const isShifted =
    device.universeChannels !== null || device.universeShift !== 0 || device.channelShift !== 0;
  const counts = countsOf(port);
  const made = new Uint8Array(
    port.segments.reduce(
      (sum, { hidden, colourOrder }, i) => sum + (hidden + itemAt(counts, i)) * colourOrder.length,
      0,
    ),
  );
  let at = 0;
  let reader: ChannelReader | null = null;
  port.segments.forEach((segment, index) => {
    const order = segment.colourOrder;
    const pixels = itemAt(counts, index);
    // Hidden ones are dark.
    at += segment.hidden * order.length;
    const own = device.ownTest ? ownColour(device.ownTest, order) : null;
    const start = own ? undefined : spansOfRun(plan, segment.run)[0];
    const plain = plainOrder(order);
    const places = [...order].map((letter) => plain.indexOf(letter));
    const gains = [...order].map((letter) => device.brightness * device.gains['RGBW'.indexOf(letter)]!);
    const isByRun = !isShifted && !port.start && pixels <= segment.pixels;
    const width = order.length;
    // Data comes in in the plain order, and goes out in that of the chips.
    let incoming: Uint8Array | null = null;
    if (own) incoming = Uint8Array.from(own);
    else if (start && device.isReached) {
      if (isByRun) incoming = channelsOfRun(plan, segment.run, device.controller, sent, pixels * width);
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
        incoming = reader.take(pixels * width);
      }
    }
    if (incoming)
      for (let j = 0; j < width; j += 1)
        // A test of its own is the same for each of them.
        spread(incoming, itemAt(places, j), own ? 0 : width, made, at + j, width, pixels, itemAt(gains, j));
    at += pixels * width;
  });
  return port.direction === 'forward' ? made : turned(made, port.segments.at(-1)?.colourOrder.length ?? 3);
}

/** The universes of a picture that a device listens to, by how many it is told of. @param first its first one as planned */
function listenedTo({ universeCount, universeShift }: DeviceState, sent: Sent, first = 1): Sent {
  if (universeCount === null) return sent;
  const from = first + universeShift;
  const universes = [...sent.universes].filter(([each]) => each >= from && each < from + universeCount);
  return { ...sent, universes: new Map(universes) };
}

/** One colour of each pixel from where it came in to where it goes out. @param gain what is left of it, 0 to 1 */
function spread(
  source: Uint8Array,
  first: number,
  step: number,
  target: Uint8Array,
  firstTo: number,
  stepTo: number,
  count: number,
  gain: number,
): void {
  let [from, to] = [first, firstTo];
  if (gain === 1) for (let i = 0; i < count; i += 1, from += step, to += stepTo) target[to] = source[from]!;
  else
    for (let i = 0; i < count; i += 1, from += step, to += stepTo)
      target[to] = Math.round(source[from]! * gain);
}

/** Number of pixels that a port counts of each of its segments. Counts beyond the last run go on in its channels. */
function countsOf({ segments, pixels }: PortState): number[] {
  let left = pixels ?? Infinity;
  return segments.map((segment, index) => {
    const own = Math.min(segment.pixels, left);
    const counted = index === segments.length - 1 && pixels !== null ? Math.max(0, left) : own;
    left -= own;
    return counted;
  });
}

const addShift = (universe: number | null, by: number) => (universe === null ? null : universe + by);

/** The channels of a run as they came in, one after another: as the plan has them. What did not come in is dark. */
function channelsOfRun(plan: Plan, run: number, controller: number, sent: Sent, count: number): Uint8Array {
  const made = new Uint8Array(count);
  let at = 0;
  for (const { universe, startChannel, channelCount } of spansOfRun(plan, run)) {
    if (at >= count) break;
    const bytes = universe === null ? sent.flat.get(controller) : sent.universes.get(universe);
    const end = startChannel - 1 + Math.min(channelCount, count - at);
    if (bytes) made.set(bytes.subarray(startChannel - 1, end), at);
    at += channelCount;
  }
  return made;
}

/** The bytes of one pixel, in the plain order. */
function ownColour({ colour }: OwnTest, order: string): number[] {
  return [...plainOrder(order)].map((letter) => colour['RGBW'.indexOf(letter)]!);
}

function turned(wire: Uint8Array, step: number): Uint8Array {
  const made = new Uint8Array(wire.length);
  const pixels = Math.floor(wire.length / step);
  for (let i = 0; i < pixels; i += 1)
    made.set(wire.subarray(i * step, (i + 1) * step), (pixels - 1 - i) * step);
  return made;
}
