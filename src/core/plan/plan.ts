import { START_REASONS, layOut, type Layout } from '../addressing/layout';
import type { WiredRun } from '../addressing/wiredRun';
import { policyOf } from '../addressing/policyOf';
import { keepsStrandsWhole } from '../catalogue/packing';
import { channelsPerPixel } from '../catalogue/pixelType';
import type { Controller } from '../catalogue/controller';
import { isInUniverses } from '../catalogue/link';
import { startsByTile } from '../catalogue/controllers/telling';
import { fixturePixelsOf, threadProp } from '../props/registry';
import type { PatchEntry, Show } from '../show/schema';
import type { Threaded } from '../threading/thread';
import { plugIn, type PlannedPort } from '../patch/plug';
import { PlanCache } from './cache';
import { emptyPixelTable, fillAddresses } from './pixelTable';
import type { LaidShow, PixelTable, Plan, PlannedProp, PlannedRun, PlannedSpace, Span } from './planned';
import { itemAt, valueIn } from '../units/there';

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
  const laid = layThreaded(show, threaded);
  progress(0.7);
  return { ...laid, pixels: tablePixels(laid, threaded) };
}

/** The table of the pixels of a show, made anew: for a thread that has handed its own over. */
export function pixelsOfLaid(laid: LaidShow, cache: PlanCache): PixelTable {
  return tablePixels(laid, cache.threadAll(laid.show.props, threadProp));
}

function tablePixels(laid: LaidShow, threaded: readonly Threaded[]): PixelTable {
  const pixels = emptyPixelTable(laid.pixelCount);
  fillGeometry(pixels, laid.props, laid.runs, threaded);
  fillAddresses(pixels, laid.runs, laid.spans);
  return pixels;
}

/** As `planShow`, for questions that no single pixel answers. */
export function layShow(show: Show, cache: PlanCache = new PlanCache()): LaidShow {
  return layThreaded(show, cache.threadAll(show.props, threadProp));
}

function layThreaded(show: Show, threaded: readonly Threaded[]): LaidShow {
  const typeChannels = new Map(show.pixelTypes.map((type) => [type.id, channelsPerPixel(type)]));

  const props: PlannedProp[] = [];
  const runs: PlannedRun[] = [];
  let pixelCount = 0;
  let channelCount = 0;
  show.props.forEach((prop, index) => {
    const geometry = itemAt(threaded, index);
    const channels = valueIn(typeChannels, prop.pixelTypeId);
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

  const { ports, wires, staleEntries } = plugIn(show, props, runs);
  wires.forEach((wire, index) => (itemAt(runs, index).wire = wire));
  const layout = layOut(wiredControllers(show, ports, props, runs), show.addressing.showChannelsPerUniverse);
  const { spaces, spans } = spansOf(layout, show.addressing.firstShowChannel ?? 1);
  for (const [run, offset] of layout.flatOffsetOfRun) itemAt(runs, run).wire!.flatOffset = offset;
  for (const [run, { reason, after }] of layout.startOfRun) {
    const wire = itemAt(runs, run).wire!;
    wire.startReason = START_REASONS.indexOf(reason);
    wire.laidAfter = after;
  }

  const lastSpace = spaces[spaces.length - 1];
  return {
    show,
    pixelCount,
    channelCount,
    lastShowChannel: lastSpace ? lastSpace.startShowChannel + lastSpace.channelCount - 1 : 0,
    props,
    runs,
    ports,
    spans,
    spaces,
    staleEntries,
    runsWithoutAddress: layout.runsWithoutAddress,
  };
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
  const entryOf = entriesOf(show);
  return show.controllers.map((controller: Controller, index) => {
    const type = show.controllerTypes.find(({ id }) => id === controller.typeId);
    const isByTile = startsByTile(type);
    const wired = (portsOf.get(index) ?? []).flatMap((port) => {
      return port.runs.map((runIndex): WiredRun => {
        const run = itemAt(runs, runIndex);
        const prop = itemAt(show.props, run.prop);
        const entry = valueIn(entryOf, `${prop.id} ${run.number}`);
        const policy = policyOf(show.addressing, controller, port.port, prop, entry);
        return {
          run: runIndex,
          port: port.port,
          pixels: run.pixelCount,
          channelsPerPixel: run.channelsPerPixel,
          ...policy,
          // On other devices tiles are pixels like others, unless each is to begin a universe.
          fixturePixels: isByTile || policy.newUniverse === 'fixture' ? fixturePixelsOf(prop) : 1,
          strandPixels:
            policy.newUniverse === 'strand' || keepsStrandsWhole(policy.newUniverse)
              ? strandPixelsOf(itemAt(props, run.prop), run)
              : [],
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
      usesUniverses: isInUniverses(show, controller),
      firstUniverse: controller.firstUniverse,
      runs: wired,
    };
  });
}

const entries = new WeakMap<Show['patch'], Map<string, PatchEntry>>();

/** The entries of the patch by prop and run; a patch is never written to, so what is found in it once holds. */
function entriesOf({ patch }: Show): Map<string, PatchEntry> {
  let found = entries.get(patch);
  if (!found)
    entries.set(patch, (found = new Map(patch.map((entry) => [`${entry.propId} ${entry.run}`, entry]))));
  return found;
}

/** Packing of the channels of a run that is on a port. `index` is the run's in the plan. */
export function policyOfRun({ show, runs }: LaidShow, index: number): ReturnType<typeof policyOf> {
  const { prop: propIndex, number, wire } = itemAt(runs, index);
  const prop = itemAt(show.props, propIndex);
  const entry = valueIn(entriesOf(show), `${prop.id} ${number}`);
  return policyOf(show.addressing, itemAt(show.controllers, wire!.controller), wire!.port, prop, entry);
}

function strandPixelsOf(prop: PlannedProp, run: PlannedRun): number[] {
  const first = run.firstPixel - prop.firstPixel;
  return prop.strands
    .filter((strand) => strand.firstPixel >= first && strand.firstPixel < first + run.pixelCount)
    .map((strand) => strand.pixelCount);
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
    startShowChannel: valueIn(startOfSpace, spaceKey(block.universe, block.controller)) + block.slot,
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
    const geometry = itemAt(threaded, i);
    table.xMm.set(geometry.xMm, prop.firstPixel);
    table.yMm.set(geometry.yMm, prop.firstPixel);
    table.zMm.set(geometry.zMm, prop.firstPixel);
    table.strand.set(geometry.strandOfPixel, prop.firstPixel);
  });
  runs.forEach((run, index) => table.run.fill(index, run.firstPixel, run.firstPixel + run.pixelCount));
}
