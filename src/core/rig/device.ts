import { joinedBytes } from '../units/bytes';
import { plainOrder } from '../colours/order';
import { colourPlan } from '../devices/colourOrders';
import { universesOfController } from '../devices/universeSizes';
import { portsOfController, spansOfRun } from '../plan/planIndex';
import type { Plan, Span } from '../plan/planned';
import type { DeviceState, OwnTest, PortState, RowState, Segment } from '../devices/deviceState';
import { rowsOfPort, type PortRow } from '../devices/portRows';
import { tellingOfController } from '../devices/tellingOn';
import { ChannelReader, type Counting } from './channelReader';
import type { Sent } from './sending';
import { itemAt } from '../units/there';
import { runAt } from '../plan/records';

/** A device that holds just what is planned. */
export function plannedDevice(plan: Plan, controller: number): DeviceState {
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
    ports: portsOfController(plan, controller).map((port) => {
      const rows = rowsOfPort(plan, port).map((row) => plannedRow(plan, row));
      return { port: port.port, isEnabled: true, chatter: 0, ...itemAt(rows, 0), moreRows: rows.slice(1) };
    }),
  };
}

function plannedRow(plan: Plan, { stretches }: PortRow): RowState {
  return {
    pixels: null,
    direction: 'forward',
    start: null,
    segments: stretches.map(({ run, firstPixel, pixels, hidden }) => ({
      run,
      firstPixel,
      hidden,
      pixels,
      colourOrder: colourPlan(plan, run).controller,
    })),
  };
}

/** Bytes that a device puts on the wire of a port for a frame, in the order of the wire. */
export function wireOf(plan: Plan, device: DeviceState, port: PortState, coming: Sent): Uint8Array {
  const isSilent = !device.isPowered || !device.isOutputEnabled || !port.isEnabled;
  if (isSilent) return new Uint8Array(0);
  const reading = readingFor(plan, device, coming);
  if (port.moreRows.length === 0) return wireOfRow(plan, device, port, reading);
  return joinedBytes([port, ...port.moreRows].map((row) => wireOfRow(plan, device, row, reading)));
}

/** All that a device needs to read what comes in. */
interface Reading {
  sent: Sent;
  counting: Counting;
  /** It counts otherwise than planned as a whole. */
  isShifted: boolean;
  /** Its rows in order where it counts on over all of them and one is not as planned, which moves those behind it. */
  countedOn: readonly RowState[] | null;
}

function readingFor(plan: Plan, device: DeviceState, coming: Sent): Reading {
  const { controller, universeChannels } = device;
  const sizes = universesOfController(plan, controller);
  const { starts, universeSizes } = tellingOfController(plan, controller);
  const usual = universeChannels ?? Math.max(1, ...sizes.values());
  const isShifted = universeChannels !== null || device.universeShift !== 0 || device.channelShift !== 0;
  const rows =
    starts.value === 'device' ? device.ports.flatMap((port): RowState[] => [port, ...port.moreRows]) : [];
  return {
    sent: listenedTo(device, coming, [...sizes.keys()][0]),
    counting: {
      sizeOf: (universe) => universeChannels ?? sizes.get(universe) ?? usual,
      keepsPixelsWhole: universeChannels === null && universeSizes.value === 'wholePixels',
    },
    isShifted,
    countedOn:
      rows.length > 0 && (isShifted || rows.some((row) => !isCountedAsPlanned(plan, row))) ? rows : null,
  };
}

/** Whether what lies behind a row is where it is planned. */
const isCountedAsPlanned = (plan: Plan, row: RowState) =>
  row.start === null &&
  !isOtherwiseWide(plan, row) &&
  (row.pixels === null || row.pixels === row.segments.reduce((sum, { pixels }) => sum + pixels, 0));

/** Whether it is told pixels of another number of channels. */
const isOtherwiseWide = (plan: Plan, { segments }: RowState) =>
  segments.some(({ run, colourOrder }) => colourOrder.length !== runAt(plan, run).channelsPerPixel);

function wireOfRow(plan: Plan, device: DeviceState, row: RowState, reading: Reading): Uint8Array {
  const { sent, isShifted } = reading;
  const counts = countsOf(row);
  const made = new Uint8Array(
    row.segments.reduce(
      (sum, segment, i) =>
        sum + (hiddenIn(segment, itemAt(counts, i)) + itemAt(counts, i)) * segment.colourOrder.length,
      0,
    ),
  );
  let at = 0;
  // Counted otherwise than planned, a row reads on from one start over all that is on it.
  const readsOn = row.start !== null || isShifted || reading.countedOn !== null || isOtherwiseWide(plan, row);
  let reader = device.ownTest ? null : readerBefore(plan, device, row, reading);
  row.segments.forEach((segment, index) => {
    const order = segment.colourOrder;
    const pixels = itemAt(counts, index);
    // Hidden ones are dark.
    at += hiddenIn(segment, pixels) * order.length;
    const own = device.ownTest ? ownColour(device.ownTest, order) : null;
    const start = own ? undefined : startOf(plan, segment);
    const plain = plainOrder(order);
    const places = [...order].map((letter) => plain.indexOf(letter));
    const gains = [...order].map((letter) => device.brightness * device.gains['RGBW'.indexOf(letter)]!);
    const isByRun = !readsOn && pixels <= segment.pixels;
    const width = order.length;
    // Data comes in in the plain order, and goes out in that of the chips.
    let incoming: Uint8Array | null = null;
    if (own) incoming = Uint8Array.from(own);
    else if (start && device.isReached) {
      if (isByRun) incoming = channelsOfSegment(plan, segment, device.controller, sent, pixels * width);
      else {
        if (!readsOn || !reader) reader = readerAt(device, row.start ?? placeOf(start), reading);
        incoming = reader.take(pixels, width);
      }
    }
    if (incoming)
      for (let j = 0; j < width; j += 1)
        // A test of its own is the same for each of them.
        spread(incoming, itemAt(places, j), own ? 0 : width, made, at + j, width, pixels, itemAt(gains, j));
    at += pixels * width;
  });
  return row.direction === 'forward' ? made : turned(made, row.segments.at(-1)?.colourOrder.length ?? 3);
}

type Place = NonNullable<RowState['start']>;

const placeOf = ({ universe, startChannel }: Pick<Span, 'universe' | 'startChannel'>): Place => ({
  universe,
  channel: startChannel,
});

const readerAt = (device: DeviceState, { universe, channel }: Place, { sent, counting }: Reading) =>
  new ChannelReader(
    sent,
    device.controller,
    counting,
    addShift(universe, device.universeShift),
    channel - 1 + device.channelShift,
  );

/** On a device that counts on over its ports: a reader that has read all rows before one. Null on others, and for the first row. */
function readerBefore(
  plan: Plan,
  device: DeviceState,
  row: RowState,
  reading: Reading,
): ChannelReader | null {
  const rows = reading.countedOn ?? [];
  const [first] = rows;
  const start = first?.segments[0] && startOf(plan, first.segments[0]);
  if (!first || !start || row === first) return null;
  const reader = readerAt(device, first.start ?? placeOf(start), reading);
  for (const before of rows.slice(0, rows.indexOf(row)))
    countsOf(before).forEach((pixels, i) =>
      reader.take(pixels, itemAt(before.segments, i).colourOrder.length),
    );
  return reader;
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

/** Dark pixels before a segment: none where its count ends before it. */
const hiddenIn = ({ hidden }: Segment, pixels: number) => (pixels === 0 ? 0 : hidden);

/** Number of pixels that a row counts of each of its segments. Counts beyond the last run go on in its channels. */
function countsOf({ segments, pixels }: RowState): number[] {
  let left = pixels ?? Infinity;
  return segments.map((segment, index) => {
    const own = Math.min(segment.pixels, left);
    const counted = index === segments.length - 1 && pixels !== null ? Math.max(0, left) : own;
    left -= own;
    return counted;
  });
}

const addShift = (universe: number | null, by: number) => (universe === null ? null : universe + by);

/** Channels of its run before a segment. */
const channelsBefore = (plan: Plan, { run, firstPixel }: Segment) =>
  firstPixel * runAt(plan, run).channelsPerPixel;

/** The planned place of the first channel of a segment. */
function startOf(plan: Plan, segment: Segment): Pick<Span, 'universe' | 'startChannel'> | undefined {
  const spans = spansOfRun(plan, segment.run);
  if (segment.firstPixel === 0) return spans[0];
  const before = channelsBefore(plan, segment);
  const span = spans.find(({ runChannel, channelCount }) => runChannel + channelCount > before);
  return span && { ...span, startChannel: span.startChannel + before - span.runChannel };
}

/** The channels of a segment as they came in, one after another: as the plan has them. What did not come in is dark. */
function channelsOfSegment(
  plan: Plan,
  segment: Segment,
  controller: number,
  sent: Sent,
  count: number,
): Uint8Array {
  const made = new Uint8Array(count);
  let skip = segment.firstPixel === 0 ? 0 : channelsBefore(plan, segment) + skippedChannels(plan, segment);
  let at = 0;
  for (const { universe, startChannel, channelCount } of spansOfRun(plan, segment.run)) {
    if (at >= count) break;
    if (channelCount <= skip) {
      skip -= channelCount;
      continue;
    }
    const bytes = universe === null ? sent.flat.get(controller) : sent.universes.get(universe);
    const from = startChannel - 1 + skip;
    const own = Math.min(channelCount - skip, count - at);
    if (bytes) made.set(bytes.subarray(from, from + own), at);
    at += own;
    skip = 0;
  }
  return made;
}

/** Channels of the skipped pixels of a run, where they have some. */
const skippedChannels = (plan: Plan, { run }: Segment) =>
  -Math.min(0, spansOfRun(plan, run)[0]?.runChannel ?? 0);

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
