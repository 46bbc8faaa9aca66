import { layOut, type Layout, type WiredRun } from '../addressing/layout';
import { policyOf } from '../addressing/policyOf';
import { channelsPerPixel } from '../catalogue/pixelType';
import type { Controller } from '../catalogue/controller';
import { kindOf, threadProp } from '../props/registry';
import type { PatchEntry, Show } from '../show/schema';
import type { Threaded } from '../threading/thread';
import { PlanCache } from './cache';
import { emptyPixelTable, fillAddresses, type PixelTable } from './pixelTable';

/** A run of a prop and where it is plugged in. Indices lead into the lists of the plan and of the show. */
export interface PlannedRun {
  /** Index of its prop in the show. */
  prop: number;
  /** From 1, as the data order of the prop counts its runs. */
  number: number;
  /** Index of its first pixel in the pixel table. */
  firstPixel: number;
  pixelCount: number;
  channelsPerPixel: number;
  /** Null while it is on no port. */
  wire: RunOnWire | null;
}

export interface RunOnWire {
  /** Index of the controller in the show. */
  controller: number;
  /** From 1. */
  port: number;
  /** Its place behind the port, from 1. */
  chainPosition: number;
  skippedPixels: number;
  /** Place on the wire of its first pixel, from 1 at the port; the skipped pixels before it are counted. */
  firstPlace: number;
  /** Places on the wires of the controller's lower ports, for the continuous count of LEDs. */
  placesBeforePort: number;
  /** Byte of its first channel in the controller's flat count, from 0. */
  flatOffset: number;
}

export interface PlannedProp {
  /** Index of its first pixel in the pixel table. */
  firstPixel: number;
  pixelCount: number;
  /** Index of its first run in the plan. */
  firstRun: number;
  runCount: number;
  strands: Threaded['strands'];
  /** Pixels are counted from the prop's first. */
  jumpers: Threaded['jumpers'];
  /** On the wire but not seen; counted from the prop's first pixel. */
  hiddenPixels: Threaded['hiddenPixels'];
}

/** Consecutive channels of one run in one universe (or, under DDP, in the controller's flat space). */
export interface Span {
  run: number;
  controller: number;
  universe: number | null;
  /** 1..512 in a universe; byte + 1 in a flat space. */
  startChannel: number;
  channelCount: number;
  /** From 1. */
  startShowChannel: number;
  /** Channel of the run at which the span starts, from 0; below zero in the skipped pixels before the run. */
  runChannel: number;
}

/** A universe, or a flat space, and the show channels it stands for. */
export interface PlannedSpace {
  universe: number | null;
  controller: number;
  startShowChannel: number;
  channelCount: number;
}

export interface PlannedPort {
  controller: number;
  port: number;
  /** Indices of its runs in chain order. */
  runs: number[];
  /** Pixels lit; `places` adds the skipped ones. */
  pixels: number;
  places: number;
}

/**
 * The answer to every question about a show: what each pixel is, where it is, on which wire and at which address. A pure
 * function of the show: the same show gives the same plan.
 */
export interface Plan {
  show: Show;
  pixelCount: number;
  /** Channels that carry pixels; gaps and skipped pixels are not counted. */
  channelCount: number;
  /** The last show channel, gaps counted. */
  lastShowChannel: number;
  pixels: PixelTable;
  /** One for each prop of the show, in its order. */
  props: PlannedProp[];
  runs: PlannedRun[];
  /** Ports that hold something, by controller and number. */
  ports: PlannedPort[];
  /** In the order of the layout; within one controller by ascending universe and channel. */
  spans: Span[];
  /** In the order of show channels. */
  spaces: PlannedSpace[];
  /** Entries of the patch whose run does not exist any more. */
  staleEntries: PatchEntry[];
  /** Runs that found no universe below the last one. */
  runsWithoutAddress: number[];
}

/**
 * Plans a whole show.
 *
 * @param show a show that `readShow` accepted
 * @param cache geometry of props planned before; with it, only props whose shape or threading changed are threaded anew
 * @param progress told how much is done, from 0 to 1, a few times on the way
 */
export function planShow(
  show: Show,
  cache: PlanCache = new PlanCache(),
  progress: (part: number) => void = () => undefined,
): Plan {
  const threaded = cache.threadAll(show.props, threadProp, (part) => progress(part * 0.6));
  const typeChannels = new Map(show.pixelTypes.map((type) => [type.id, channelsPerPixel(type)]));

  const props: PlannedProp[] = [];
  const runs: PlannedRun[] = [];
  let pixelCount = 0;
  let channelCount = 0;
  show.props.forEach((prop, index) => {
    const geometry = threaded[index]!;
    const channels = typeChannels.get(prop.pixelTypeId)!;
    props.push({
      firstPixel: pixelCount,
      pixelCount: geometry.pixelCount,
      firstRun: runs.length,
      runCount: geometry.runs.length,
      strands: geometry.strands,
      jumpers: geometry.jumpers,
      hiddenPixels: geometry.hiddenPixels,
    });
    geometry.runs.forEach((run, i) =>
      runs.push({
        prop: index,
        number: i + 1,
        firstPixel: pixelCount + run.firstPixel,
        pixelCount: run.pixelCount,
        channelsPerPixel: channels,
        wire: null,
      }),
    );
    pixelCount += geometry.pixelCount;
    channelCount += geometry.pixelCount * channels;
  });

  const { ports, staleEntries } = plugIn(show, props, runs);
  const layout = layOut(wiredControllers(show, ports, props, runs));
  const { spaces, spans } = spansOf(layout, show.addressing.firstShowChannel ?? 1);
  for (const [run, offset] of layout.flatOffsetOfRun) runs[run]!.wire!.flatOffset = offset;

  progress(0.7);
  const pixels = emptyPixelTable(pixelCount);
  fillGeometry(pixels, props, runs, threaded);
  progress(0.85);
  fillAddresses(pixels, runs, spans);
  const lastSpace = spaces[spaces.length - 1];
  return {
    show,
    pixelCount,
    channelCount,
    lastShowChannel: lastSpace ? lastSpace.startShowChannel + lastSpace.channelCount - 1 : 0,
    pixels,
    props,
    runs,
    ports,
    spans,
    spaces,
    staleEntries,
    runsWithoutAddress: layout.runsWithoutAddress,
  };
}

/** Follows the patch: sets `wire` of every run that is on a port. */
function plugIn(show: Show, props: readonly PlannedProp[], runs: PlannedRun[]) {
  const propIndex = new Map(show.props.map((prop, i) => [prop.id, i]));
  const controllerIndex = new Map(show.controllers.map((controller, i) => [controller.id, i]));
  const staleEntries: PatchEntry[] = [];
  const portByKey = new Map<number, PlannedPort>();
  for (const entry of show.patch) {
    const prop = props[propIndex.get(entry.propId)!]!;
    const controller = controllerIndex.get(entry.controllerId)!;
    if (entry.run > prop.runCount) {
      staleEntries.push(entry);
      continue;
    }
    const key = controller * 1000 + entry.port;
    let port = portByKey.get(key);
    if (!port) portByKey.set(key, (port = { controller, port: entry.port, runs: [], pixels: 0, places: 0 }));
    const index = prop.firstRun + entry.run - 1;
    const run = runs[index]!;
    run.wire = {
      controller,
      port: entry.port,
      chainPosition: port.runs.length + 1,
      skippedPixels: entry.skippedPixels,
      firstPlace: port.places + entry.skippedPixels + 1,
      placesBeforePort: 0,
      flatOffset: 0,
    };
    port.runs.push(index);
    port.pixels += run.pixelCount;
    port.places += entry.skippedPixels + run.pixelCount;
  }
  const ports = [...portByKey.values()].sort((a, b) => a.controller - b.controller || a.port - b.port);
  let before = 0;
  ports.forEach((port, i) => {
    if (i > 0) before = ports[i - 1]!.controller === port.controller ? before + ports[i - 1]!.places : 0;
    for (const run of port.runs) runs[run]!.wire!.placesBeforePort = before;
  });
  return { ports, staleEntries };
}

/** Every controller with its runs as the layout wants them. */
function wiredControllers(
  show: Show,
  ports: readonly PlannedPort[],
  props: readonly PlannedProp[],
  runs: readonly PlannedRun[],
) {
  const portsOf = new Map<number, PlannedPort[]>();
  for (const port of ports) {
    const list = portsOf.get(port.controller);
    if (list) list.push(port);
    else portsOf.set(port.controller, [port]);
  }
  const entryOf = new Map(show.patch.map((entry) => [`${entry.propId} ${entry.run}`, entry]));
  return show.controllers.map((controller: Controller, index) => {
    const wired = (portsOf.get(index) ?? []).flatMap((port) => {
      return port.runs.map((runIndex): WiredRun => {
        const run = runs[runIndex]!;
        const prop = show.props[run.prop]!;
        const entry = entryOf.get(`${prop.id} ${run.number}`)!;
        const policy = policyOf(show.addressing, controller, port.port, prop, entry);
        return {
          run: runIndex,
          port: port.port,
          pixels: run.pixelCount,
          channelsPerPixel: run.channelsPerPixel,
          ...policy,
          fixturePixels: fixturePixelsOf(prop),
          strandPixels: policy.newUniverse === 'strand' ? strandPixelsOf(props[run.prop]!, run) : [],
          skippedWithChannels: controller.skippedPixelsTakeChannels ? run.wire!.skippedPixels : 0,
          spareChannels: entry.spareChannels ?? 0,
          pin: entry.pin ?? null,
        };
      });
    });
    // By props: in the order of the list, whatever port they are on.
    if (show.addressing.order === 'props') wired.sort((a, b) => a.run - b.run);
    return {
      controller: index,
      usesUniverses: controller.protocol !== 'ddp',
      firstUniverse: controller.firstUniverse,
      runs: wired,
    };
  });
}

/** How the channels of a run that is on a port fill universes. `index` is the run's in the plan. */
export function policyOfRun({ show, runs }: Plan, index: number): ReturnType<typeof policyOf> {
  const { prop: propIndex, number, wire } = runs[index]!;
  const prop = show.props[propIndex]!;
  const entry = show.patch.find((each) => each.propId === prop.id && each.run === number)!;
  return policyOf(show.addressing, show.controllers[wire!.controller]!, wire!.port, prop, entry);
}

function strandPixelsOf(prop: PlannedProp, run: PlannedRun): number[] {
  const first = run.firstPixel - prop.firstPixel;
  return prop.strands
    .filter((strand) => strand.firstPixel >= first && strand.firstPixel < first + run.pixelCount)
    .map((strand) => strand.pixelCount);
}

function fixturePixelsOf(prop: Show['props'][number]): number {
  return kindOf(prop).fixturePixels?.(prop.shape) ?? 1;
}

function spansOf(layout: Layout, firstShowChannel: number): { spaces: PlannedSpace[]; spans: Span[] } {
  const startOfSpace = new Map<string, number>();
  const spaces: PlannedSpace[] = [];
  let next = firstShowChannel;
  for (const space of layout.spaces) {
    spaces.push({
      universe: space.universe,
      controller: space.controller,
      startShowChannel: next,
      channelCount: space.channels,
    });
    startOfSpace.set(spaceKey(space.universe, space.controller), next);
    next += space.channels;
  }
  const spans = layout.blocks.map((block): Span => ({
    run: block.run,
    controller: block.controller,
    universe: block.universe,
    startChannel: block.slot + 1,
    channelCount: block.channels,
    startShowChannel: startOfSpace.get(spaceKey(block.universe, block.controller))! + block.slot,
    runChannel: block.runChannel,
  }));
  return { spaces, spans };
}

function spaceKey(universe: number | null, controller: number): string {
  return universe === null ? `controller ${controller}` : `universe ${universe}`;
}

function fillGeometry(
  table: PixelTable,
  props: readonly PlannedProp[],
  runs: readonly PlannedRun[],
  threaded: readonly Threaded[],
): void {
  props.forEach((prop, i) => {
    const geometry = threaded[i]!;
    table.xMm.set(geometry.xMm, prop.firstPixel);
    table.yMm.set(geometry.yMm, prop.firstPixel);
    table.zMm.set(geometry.zMm, prop.firstPixel);
    table.strand.set(geometry.strandOfPixel, prop.firstPixel);
  });
  runs.forEach((run, index) => table.run.fill(index, run.firstPixel, run.firstPixel + run.pixelCount));
}
