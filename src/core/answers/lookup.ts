import { spansOfRun, spansInUniverse } from '../plan/planIndex';
import { portName } from '../catalogue/controller';
import { linkOf } from '../catalogue/link';
import type { Plan, Span } from '../plan/planned';
import type { MeasureFact } from '../props/kind';
import { kindOf } from '../props/registry';
import { colourPlan } from '../devices/colourOrders';
import type { RunOnWire } from '../patch/plug';
import { portAddressOn, universeOn } from '../addressing/numbering';
import { LAST_PORT_ADDRESS } from '../protocols/artNet';
import { itemAt } from '../units/there';
import { propAt, plannedAt, runAt, controllerAt } from '../plan/records';

const BYTE_COUNTS = { network: 'DDP', raw: 'Raw frames', serial: 'Serial line', own: 'Own program' } as const;

/** Everything that one pixel is called. Numbers count from 1 unless said otherwise. */
export interface PixelAddress {
  /** Index in the pixel table, from 0. */
  pixel: number;
  propId: string;
  propName: string;
  pixelInProp: number;
  run: number;
  pixelInRun: number;
  strand: number;
  pixelInStrand: number;
  xMm: number;
  yMm: number;
  zMm: number;
  channelsPerPixel: number;
  colourOrder: string;
  wire: WireAddress | null;
}

export interface WireAddress {
  controllerId: string;
  controllerName: string;
  portName: string;
  chainPosition: number;
  /** Place on the port's wire; skipped pixels are counted. */
  place: number;
  /** First channel in the count over the show; null where universes ran out. */
  showChannel: number | null;
  /** Null on a controller fed by DDP, and where universes ran out. */
  e131: { universe: number; channel: number; lastUniverse: number; lastChannel: number } | null;
  /** Null where there is no universe, or where the port-address is outside 0..32767. */
  artNet: { portAddress: number; channel: number } | null;
  /** Byte in the controller's flat count, from 0. */
  ddpOffset: number;
  /** The count that its bytes belong to: `DDP`, or what comes down a link that is no network. */
  byteCount: string;
  /** As the device's own screens count: from its first LED index, over all its ports. */
  ledIndex: number;
}

/** The thing at an address: a pixel, one channel of it, or a skipped pixel. */
export type Hit =
  | { kind: 'pixel'; pixel: number; /** Counted inside the pixel, from 0. */ channelOfPixel: number }
  | {
      kind: 'skipped';
      run: number;
      /** Number among the skipped pixels before the run, from 1. */ skippedPixel: number;
    };

/** The place of a pixel besides its strand, from its kind: its panel, its driver. */
export function pixelFactsOf(plan: Plan, pixel: number): MeasureFact[] {
  const { prop } = runAt(plan, plan.pixels.run[pixel]!);
  const own = propAt(plan, prop);
  return kindOf(own).pixelFacts?.(own.shape, own.threading, pixel - plannedAt(plan, prop).firstPixel) ?? [];
}

/** Every number of one pixel. `pixel` is an index of the pixel table. */
export function addressOf(plan: Plan, pixel: number): PixelAddress {
  const { pixels, show } = plan;
  const run = runAt(plan, pixels.run[pixel]!);
  const prop = plannedAt(plan, run.prop);
  const { id, name } = itemAt(show.props, run.prop);
  const strand = itemAt(prop.strands, pixels.strand[pixel]!);
  const pixelInProp = pixel - prop.firstPixel;
  return {
    pixel,
    propId: id,
    propName: name,
    pixelInProp: pixelInProp + 1,
    run: run.number,
    pixelInRun: pixel - run.firstPixel + 1,
    strand: strand.number,
    pixelInStrand: pixelInProp - strand.firstPixel + 1,
    xMm: pixels.xMm[pixel]!,
    yMm: pixels.yMm[pixel]!,
    zMm: pixels.zMm[pixel]!,
    channelsPerPixel: run.channelsPerPixel,
    colourOrder: itemAt(colourPlan(plan, pixels.run[pixel]!).chips, 0),
    wire: run.wire && wireAddress(plan, pixels.run[pixel]!, run.wire, pixel),
  };
}

function wireAddress(plan: Plan, runIndex: number, wire: RunOnWire, pixel: number): WireAddress {
  const run = runAt(plan, runIndex);
  const controller = controllerAt(plan, wire.controller);
  const inRun = pixel - run.firstPixel;
  const place = wire.firstPlace + inRun;
  const universe = plan.pixels.universe[pixel]!;
  const channel = plan.pixels.channel[pixel]!;
  const portAddress = portAddressOn(controller, universe);
  return {
    controllerId: controller.id,
    controllerName: controller.name,
    portName: portName(controller, wire.port),
    chainPosition: wire.chainPosition,
    place,
    showChannel: plan.pixels.showChannel[pixel]! || null,
    e131:
      universe === 0
        ? null
        : { universe, channel, ...lastChannelOf(plan, runIndex, inRun, universe, channel) },
    artNet:
      universe > 0 && portAddress >= 0 && portAddress <= LAST_PORT_ADDRESS ? { portAddress, channel } : null,
    ddpOffset: wire.flatOffset + inRun * run.channelsPerPixel,
    byteCount: BYTE_COUNTS[linkOf(plan.show, controller)],
    ledIndex: wire.placesBeforePort + place - 1 + controller.firstLedIndex,
  };
}

/** Address of a pixel's last channel: a pixel that straddles two universes ends in the second one. */
function lastChannelOf(plan: Plan, runIndex: number, inRun: number, universe: number, channel: number) {
  const last = (inRun + 1) * runAt(plan, runIndex).channelsPerPixel - 1;
  const span = spansOfRun(plan, runIndex).find(
    ({ runChannel, channelCount }) => runChannel <= last && last < runChannel + channelCount,
  );
  // Without a span, universes ran out inside the pixel.
  return span
    ? { lastUniverse: span.universe!, lastChannel: span.startChannel + last - span.runChannel }
    : { lastUniverse: universe, lastChannel: channel };
}

/** Pixel `pixelInRun` (from 1) of a run of a prop. */
export function findInRun(
  plan: Plan,
  propId: string,
  runNumber: number,
  pixelInRun: number,
): number | undefined {
  const index = plan.show.props.findIndex((prop) => prop.id === propId);
  const prop = plan.props[index];
  if (!prop || runNumber < 1 || runNumber > prop.runCount) return undefined;
  const run = runAt(plan, prop.firstRun + runNumber - 1);
  return pixelInRun >= 1 && pixelInRun <= run.pixelCount ? run.firstPixel + pixelInRun - 1 : undefined;
}

/** The pixel at a place of a port's wire: `A3 17`. Places count from 1 and include skipped pixels. */
export function findOnWire(plan: Plan, controller: number, port: number, place: number): Hit | undefined {
  const planned = plan.ports.find((each) => each.controller === controller && each.port === port);
  if (!planned || place < 1 || place > planned.places) return undefined;
  for (const index of planned.runs) {
    const run = runAt(plan, index);
    const { firstPlace, skippedPixels } = run.wire!;
    if (place >= firstPlace + run.pixelCount) continue;
    return place < firstPlace
      ? { kind: 'skipped', run: index, skippedPixel: place - (firstPlace - skippedPixels) + 1 }
      : { kind: 'pixel', pixel: run.firstPixel + place - firstPlace, channelOfPixel: 0 };
  }
  return undefined;
}

/** Devices that listen to a slot (1..512) of an E1.31 universe. More than one where two controllers claim it. */
export function findUniverseChannel(plan: Plan, universe: number, channel: number): Hit[] {
  return spansInUniverse(plan, universe)
    .filter((span) => channel >= span.startChannel && channel < span.startChannel + span.channelCount)
    .map((span) => hitAt(plan, span, channel - span.startChannel));
}

/** The pixel at a channel (from 1) counted over the show. */
export function findShowChannel(plan: Plan, showChannel: number): Hit[] {
  const space = spaceAt(plan, showChannel);
  if (!space) return [];
  const channel = showChannel - space.startShowChannel + 1;
  return space.universe !== null
    ? findUniverseChannel(plan, space.universe, channel)
    : findDdp(plan, space.controller, channel - 1);
}

/** Devices that listen to a channel (1..512) of an Art-Net port-address. Each controller has its own offset. */
export function findArtNet(plan: Plan, portAddress: number, channel: number): Hit[] {
  if (portAddress < 0 || portAddress > LAST_PORT_ADDRESS) return [];
  return plan.show.controllers.flatMap((controller, index) =>
    spansInUniverse(plan, universeOn(controller, portAddress))
      .filter((span) => span.controller === index)
      .filter((span) => channel >= span.startChannel && channel < span.startChannel + span.channelCount)
      .map((span) => hitAt(plan, span, channel - span.startChannel)),
  );
}

/** The pixel at a byte (from 0) of a controller's flat count. */
export function findDdp(plan: Plan, controller: number, byte: number): Hit[] {
  const takesChannels = plan.show.controllers[controller]?.skippedPixelsTakeChannels ?? false;
  for (const port of plan.ports) {
    if (port.controller !== controller) continue;
    for (const index of port.runs) {
      const run = runAt(plan, index);
      const lead = takesChannels ? run.wire!.skippedPixels * run.channelsPerPixel : 0;
      const inRun = byte - run.wire!.flatOffset;
      if (inRun >= -lead && inRun < run.pixelCount * run.channelsPerPixel)
        return [hitInRun(plan, index, inRun)];
    }
  }
  return [];
}

/** The pixel with a LED index on a controller's own screens. */
export function findLedIndex(plan: Plan, controller: number, ledIndex: number): Hit | undefined {
  let place = ledIndex - (plan.show.controllers[controller]?.firstLedIndex ?? 0) + 1;
  if (place < 1) return undefined;
  for (const port of plan.ports) {
    if (port.controller !== controller) continue;
    if (place <= port.places) return findOnWire(plan, controller, port.port, place);
    place -= port.places;
  }
  return undefined;
}

/** The universe or flat space that holds a show channel. */
function spaceAt(plan: Plan, showChannel: number) {
  let low = 0;
  let high = plan.spaces.length - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const space = itemAt(plan.spaces, middle);
    if (showChannel < space.startShowChannel) high = middle - 1;
    else if (showChannel >= space.startShowChannel + space.channelCount) low = middle + 1;
    else return space;
  }
  return undefined;
}

function hitAt(plan: Plan, span: Span, offset: number): Hit {
  return hitInRun(plan, span.run, span.runChannel + offset);
}

function hitInRun(plan: Plan, runIndex: number, runChannel: number): Hit {
  const run = runAt(plan, runIndex);
  if (runChannel < 0) {
    const skipped = run.wire!.skippedPixels;
    return {
      kind: 'skipped',
      run: runIndex,
      skippedPixel: skipped + Math.floor(runChannel / run.channelsPerPixel) + 1,
    };
  }
  return {
    kind: 'pixel',
    pixel: run.firstPixel + Math.floor(runChannel / run.channelsPerPixel),
    channelOfPixel: runChannel % run.channelsPerPixel,
  };
}
