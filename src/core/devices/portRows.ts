import { fixturePixelsOf } from '../props/registry';
import { portName, type Controller } from '../catalogue/controller';
import { startsByTile } from '../catalogue/controllers/telling';
import { kindOfController, tellingOfController } from './tellingOn';
import type { PlannedPort } from '../patch/plug';
import type { LaidShow, Span } from '../plan/planned';
import { spansOfRun } from '../plan/planIndex';
import { controllerAt, plannedAt, propAt, propOfRun, runAt, wireOfRun } from '../plan/records';
import { runName } from '../plan/runName';
import { itemAt, lastOf } from '../units/there';
import { listOf } from '../units/words';

/** A run, or a tile of one, as far as it is told by one row. */
interface Stretch {
  /** Index of the run in the plan. */
  run: number;
  /** Number of its first pixel in the run, from 0. */
  firstPixel: number;
  /** To the device: skipped ones that have channels are pixels like others. */
  pixels: number;
  /** Dark pixels that the device puts before it by itself. */
  hidden: number;
  /** Places on the wire, dark ones included. */
  places: number;
}

/** A row of a device's table of ports: a port, or a part of one on devices that are told each part apart. */
export interface PortRow {
  port: number;
  /** From 1, along the wire. */
  part: number;
  /** Number of rows of its port. */
  parts: number;
  /** It is told on the menu of a tile. */
  isTile: boolean;
  stretches: readonly Stretch[];
  /** Indices of its runs in the plan. */
  runs: readonly number[];
  /** Places on the wire of its port before it. */
  placesBefore: number;
  places: number;
}

/** The rows by which a device is told a port, along its wire. */
export function rowsOfPort(plan: LaidShow, { controller, port, runs }: PlannedPort): PortRow[] {
  const starts = tellingOfController(plan, controller).starts.value;
  const skippedAreTold = controllerAt(plan, controller).skippedPixelsTakeChannels;
  const stretches = runs.map((run): Stretch => {
    const { skippedPixels } = wireOfRun(plan, run);
    const hidden = skippedAreTold ? 0 : skippedPixels;
    const places = runAt(plan, run).pixelCount + skippedPixels;
    return { run, firstPixel: 0, hidden, pixels: places - hidden, places };
  });
  const isByTile = startsByTile(kindOfController(plan, controller));
  const cut: Stretch[][] = [];
  let isOpen = false;
  for (const stretch of stretches) {
    const tiles = isByTile ? tilesOf(plan, stretch) : null;
    if (tiles) cut.push(...tiles.map((tile) => [tile]));
    else if (isOpen) lastOf(cut).push(stretch);
    else cut.push([stretch]);
    isOpen = tiles === null && starts !== 'run';
  }
  let placesBefore = 0;
  return cut.map((own, i): PortRow => {
    const places = own.reduce((sum, each) => sum + each.places, 0);
    const row = {
      port,
      part: i + 1,
      parts: cut.length,
      isTile: isByTile && own.some(({ run }) => tilePixels(plan, run) > 1),
      stretches: own,
      runs: own.map(({ run }) => run),
      placesBefore,
      places,
    };
    placesBefore += places;
    return row;
  });
}

const tilePixels = (plan: LaidShow, run: number) => fixturePixelsOf(propOfRun(plan, run));

/** The tiles of a run, skipped pixels before the first of them; null where it has none. */
function tilesOf(plan: LaidShow, whole: Stretch): Stretch[] | null {
  const pixels = tilePixels(plan, whole.run);
  if (pixels <= 1) return null;
  const lit = runAt(plan, whole.run).pixelCount;
  const skipped = whole.places - lit;
  return Array.from({ length: Math.ceil(lit / pixels) }, (_, i): Stretch => {
    const own = Math.min(pixels, lit - i * pixels);
    const before = i === 0 ? skipped : 0;
    const hidden = i === 0 ? whole.hidden : 0;
    return {
      run: whole.run,
      firstPixel: i * pixels,
      hidden,
      pixels: own + before - hidden,
      places: own + before,
    };
  });
}

/** The channels of a row, as the layout has them: parts of spans, in the order of the wire. */
export function spansOfRow(plan: LaidShow, { stretches }: Pick<PortRow, 'stretches'>): Span[] {
  return stretches.flatMap(({ run, firstPixel, hidden, pixels }) => {
    const width = runAt(plan, run).channelsPerPixel;
    const skippedTold = firstPixel === 0 ? wireOfRun(plan, run).skippedPixels - hidden : 0;
    const from = firstPixel * width - skippedTold * width;
    const to = from + pixels * width;
    return spansOfRun(plan, run).flatMap((span): Span[] => {
      const cut = Math.max(0, from - span.runChannel);
      const count = Math.min(span.channelCount, to - span.runChannel) - cut;
      return count <= 0
        ? []
        : [
            {
              ...span,
              startChannel: span.startChannel + cut,
              startShowChannel: span.startShowChannel + cut,
              runChannel: span.runChannel + cut,
              channelCount: count,
            },
          ];
    });
  });
}

/** Parts that a port is told in, at most: tiles in a chain. */
export const MOST_PARTS = 10_000;

/** A row by its port and, behind the first part of that, its part. */
export interface RowId {
  port: number;
  part?: number | undefined;
}

/** `3`, or `3.2` for the second part of a port: it stands in ids, which never change. */
export const rowKey = ({ port, part = 1 }: RowId): string => (part === 1 ? String(port) : `${port}.${part}`);

/** `A3`, or `A3, part 2` and `A3, place 2` where a port is told in parts; a tile has its place in the chain. */
export function rowName(
  device: Controller,
  { port, part = 1, parts = part, isTile = false }: RowId & { parts?: number; isTile?: boolean },
): string {
  const name = portName(device, port);
  return parts === 1 ? name : `${name}, ${isTile ? 'place' : 'part'} ${part}`;
}

/** The runs of a row, or its tile. */
export function partWords(plan: LaidShow, { isTile, stretches }: PortRow): string {
  if (!isTile) return listOf(stretches.map((each) => runName(plan, each.run)));
  const { run, firstPixel } = itemAt(stretches, 0);
  const { prop, firstPixel: first } = runAt(plan, run);
  const { firstPixel: ofProp, strands } = plannedAt(plan, prop);
  // All tiles of a prop have as many pixels.
  const tile = strands[Math.floor((first + firstPixel - ofProp) / tilePixels(plan, run))];
  return `${propAt(plan, prop).name}, tile ${tile?.number ?? '?'}`;
}
