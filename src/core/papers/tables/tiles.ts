import { universesOf } from '../../protocols/registry';
import { toldUniverse } from '../../addressing/numbering';
import { portName } from '../../catalogue/controller';
import type { Plan } from '../../plan/planned';
import { tileTurn, type TileShape } from '../../props/tile';
import { columnsOf, type Table } from '../../pages/table';
import { plannedAt, runAt, controllerAt } from '../../plan/records';

/** One addressed tile: what is set on its menu, and how it hangs. */
interface TileRow {
  /** From 1, row by row from the top left. */
  tile: number;
  /** From 1, as seen from the front. */
  row: number;
  column: number;
  /** Its place in the data chain of its run, from 1. */
  place: number;
  port: string | null;
  universe: number | null;
  channel: number | null;
  endChannel: number | null;
  showChannel: number | null;
  /** Null where Art-Net is not spoken. */
  artNet: { net: number; subNet: number; universe: number } | null;
  turnDeg: number;
}

/** Every tile of a prop in the order of the data. @param index of the prop in the show */
export function tileRows(plan: Plan, index: number, shape: TileShape): TileRow[] {
  const { firstPixel, firstRun, runCount, strands } = plannedAt(plan, index);
  let run = firstRun;
  let place = 0;
  return strands.map((strand) => {
    const pixel = firstPixel + strand.firstPixel;
    if (run + 1 < firstRun + runCount && runAt(plan, run + 1).firstPixel <= pixel)
      [run, place] = [run + 1, 0];
    place += 1;
    const { wire, channelsPerPixel } = runAt(plan, run);
    const device = wire && controllerAt(plan, wire.controller);
    const universe = plan.pixels.universe[pixel] || null;
    const channel = plan.pixels.channel[pixel] || null;
    return {
      tile: strand.number,
      row: Math.floor((strand.number - 1) / shape.columns) + 1,
      column: ((strand.number - 1) % shape.columns) + 1,
      place,
      port: wire && portName(device!, wire.port),
      universe,
      channel,
      endChannel: channel && channel + strand.pixelCount * channelsPerPixel - 1,
      showChannel: plan.pixels.showChannel[pixel] || null,
      artNet: (device && universe && universesOf(device)?.partsOf?.(toldUniverse(device, universe))) || null,
      turnDeg: tileTurn(shape, strand.number),
    };
  });
}

/** Settings on the menu of every tile, a line a tile. */
export function tilesTable(propName: string, rows: readonly TileRow[]): Table<TileRow> {
  const speaksArtNet = rows.some((row) => row.artNet);
  const part = (id: 'net' | 'subNet' | 'universe', head: string, meaning: string) => ({
    id: id === 'subNet' ? 'sub-net' : id === 'universe' ? 'art-net-universe' : id,
    head,
    unit: 'Art-Net, from 0',
    meaning,
    as: 'figure' as const,
    of: (row: TileRow) => row.artNet?.[id] ?? null,
  });
  return {
    name: `Tiles of ${propName}`,
    rows,
    keyOf: (row) => row.tile,
    columns: columnsOf<TileRow>(
      { id: 'tile', head: 'Tile', meaning: 'row by row from the top left', as: 'key', of: (row) => row.tile },
      {
        id: 'at',
        head: 'Hangs at',
        unit: 'row.column',
        meaning: 'as seen from the front',
        of: (row) => `${row.row}.${row.column}`,
      },
      { id: 'port', head: 'Port', meaning: 'that feeds it', of: (row) => row.port },
      {
        id: 'place',
        head: 'Place',
        unit: 'in the chain',
        meaning: 'from the port on',
        as: 'figure',
        of: (row) => row.place,
      },
      {
        id: 'start',
        head: 'Start',
        unit: 'channel',
        meaning: 'to set on its menu',
        as: 'key',
        of: (row) => row.channel,
      },
      {
        id: 'end',
        head: 'End',
        unit: 'channel',
        meaning: 'its last channel: a check',
        as: 'figure',
        of: (row) => row.endChannel,
      },
      {
        id: 'universe',
        head: 'Universe',
        meaning: 'in the count of the show',
        as: 'figure',
        of: (row) => row.universe,
      },
      speaksArtNet && part('net', 'Net', 'of its port-address'),
      speaksArtNet && part('subNet', 'Sub-net', 'of its port-address'),
      speaksArtNet && part('universe', 'Universe', 'of its port-address'),
      {
        id: 'show-channel',
        head: 'Show channel',
        meaning: 'of its first channel, counted over the show',
        as: 'figure',
        of: (row) => row.showChannel,
      },
      {
        id: 'turned',
        head: 'Hangs',
        meaning: 'how it is turned, clockwise as seen from the front',
        of: (row) =>
          row.turnDeg === 0 ? 'upright' : row.turnDeg === 180 ? 'upside down' : `turned ${row.turnDeg}°`,
      },
    ),
  };
}
