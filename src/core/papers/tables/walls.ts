import type { ChainScheme } from '../../panels/compareChains';
import type { PictureTotals } from '../../panels/pictureMap';
import type { ViewSide } from '../../threading/view';
import { formatLength, type Lengths } from '../../units/length';
import { capitalised } from '../../units/words';
import type { Table } from '../../pages/table';
import type { WallSheet, WallValue } from '../wallSheet';

/** Ways to chain the panels of a wall, side by side. */
export function chainSchemesTable(
  propName: string,
  schemes: readonly ChainScheme[],
  lengths: Lengths,
): Table<ChainScheme> {
  return {
    name: `Ways to chain ${propName}`,
    rows: schemes,
    keyOf: (scheme) => scheme.words,
    columns: [
      {
        id: 'style',
        head: 'Style',
        meaning: 'how the panels follow one another behind an output',
        of: (scheme) => capitalised(scheme.words),
      },
      {
        id: 'outputs',
        head: 'Outputs',
        meaning: 'that are in use',
        as: 'figure',
        of: ({ outputs, fits }) => (fits ? outputs : { text: `${outputs} does not fit`, mood: 'bad' }),
      },
      {
        id: 'chain',
        head: 'Chain',
        unit: 'panels',
        meaning: 'the shortest and the longest chain',
        as: 'figure',
        of: ({ shortestChain, longestChain }) =>
          shortestChain === longestChain ? longestChain : `${shortestChain}–${longestChain}`,
      },
      {
        id: 'lead-ribbons',
        head: 'Ribbons',
        unit: 'from the driver',
        meaning: 'one to the first panel of each chain; measure them, they depend on where the driver hangs',
        as: 'figure',
        of: (scheme) => scheme.leadRibbons,
      },
      {
        id: 'stock-ribbons',
        head: 'Ribbons',
        unit: 'of the box',
        meaning: 'between panels, as they come with them',
        as: 'figure',
        of: (scheme) => scheme.stockRibbons,
      },
      {
        id: 'long-ribbons',
        head: 'Ribbons',
        unit: 'long',
        meaning: 'between panels, longer than those of the box',
        as: 'figure',
        of: (scheme) => scheme.longRibbons,
      },
      {
        id: 'longest-ribbon',
        head: 'Longest',
        unit: 'ribbon',
        meaning: 'signals get worse with its length',
        as: 'figure',
        of: ({ longestRibbonMm }) =>
          longestRibbonMm === 0 ? null : formatLength(Math.round(longestRibbonMm), lengths),
      },
      {
        id: 'ribbon-in-all',
        head: 'Ribbon',
        unit: 'between panels',
        meaning: 'all of them together, without those from the driver',
        as: 'figure',
        of: (scheme) => formatLength(Math.round(scheme.ribbonMm), lengths),
      },
      {
        id: 'turned',
        head: 'Turned',
        unit: 'panels',
        meaning: 'panels that hang upside down or on their side',
        as: 'figure',
        of: (scheme) => scheme.turnedPanels,
      },
      {
        id: 'refresh',
        head: 'Refresh',
        unit: 'Hz, estimated',
        meaning: 'of the longest chain',
        as: 'figure',
        of: (scheme) => Math.round(scheme.refreshHz),
      },
      {
        id: 'power-leads',
        head: 'Power',
        unit: 'leads',
        meaning: 'Y leads for pairs of panels',
        as: 'figure',
        of: (scheme) => scheme.powerLeads,
      },
    ],
  };
}

/** Values that a card utility, a player or a program asks for. */
export function wallValuesTable({ title, values }: WallSheet['groups'][number]): Table<WallValue> {
  return {
    name: title,
    forDevices: true,
    rows: values,
    keyOf: (value) => value.name,
    columns: [
      { id: 'name', head: 'Asked for', meaning: 'in neutral words', of: (value) => value.name },
      { id: 'value', head: 'Type', meaning: 'what to type', as: 'key', of: (value) => value.value },
      { id: 'scope', head: 'Of', meaning: 'what the value is about', of: (value) => value.scope },
      { id: 'meaning', head: 'Which means', meaning: 'how it is meant', of: (value) => value.meaning },
    ],
  };
}

type PackedPicture = PictureTotals & { words: string };

/** A wall’s picture under each packing. */
export function packingsTable(rows: readonly PackedPicture[]): Table<PackedPicture> {
  return {
    name: 'Packings compared',
    rows,
    keyOf: (row) => row.words,
    columns: [
      { id: 'packing', head: 'Packing', meaning: 'how channels fill universes', of: (row) => row.words },
      { id: 'pixels', head: 'Pixels', meaning: 'of the picture', as: 'figure', of: (row) => row.pixels },
      { id: 'channels', head: 'Channels', meaning: 'gaps counted', as: 'figure', of: (row) => row.channels },
      {
        id: 'universes',
        head: 'Universes',
        meaning: 'that it takes',
        as: 'figure',
        of: (row) => row.universes,
      },
      {
        id: 'last',
        head: 'Last universe',
        unit: 'holds',
        meaning: 'its last universe, and the channels in it',
        as: 'figure',
        of: (row) => `U${row.lastUniverse}: ${row.channelsInLast}`,
      },
      {
        id: 'next',
        head: 'Next free',
        meaning: 'where something else could begin',
        as: 'figure',
        of: (row) => `U${row.nextUniverse} ch ${row.nextChannel}`,
      },
      {
        id: 'straddling',
        head: 'Straddling',
        unit: 'pixels',
        meaning: 'pixels across two universes, which some receivers do not take',
        as: 'figure',
        of: (row) => row.straddlingCount,
      },
    ],
  };
}

export interface ChainedPanelRow {
  output: string;
  /** In the chain, from 1. */
  place: number;
  /** From 0 at the top left of the front. */
  column: number;
  row: number;
  /** Clockwise, seen from the front. */
  turnDeg: number;
  /** Panels across the wall. */
  columns: number;
}

const ARROW_WORDS: Record<number, string> = { 0: '↑ up', 90: '→ right', 180: '↓ down', 270: '← left' };

/** Every panel in the order of its chain, as one finds it from a side. */
export function chainedPanelsTable(
  propName: string,
  side: ViewSide,
  rows: readonly ChainedPanelRow[],
): Table<ChainedPanelRow> {
  const seen = `seen from the ${side}`;
  return {
    name: `Panels of ${propName}, ${seen}`,
    forDevices: true,
    rows,
    keyOf: ({ output, place }) => `${output}.${place}`,
    columns: [
      {
        id: 'panel',
        head: 'Panel',
        unit: 'output.place',
        meaning: 'its output and its place in the chain behind it',
        as: 'key',
        of: ({ output, place }) => `${output}.${place}`,
      },
      {
        id: 'across',
        head: 'Across',
        unit: `from the left, ${seen}`,
        meaning: `its column from 1, ${seen}`,
        as: 'figure',
        of: ({ column, columns }) => (side === 'front' ? column + 1 : columns - column),
      },
      {
        id: 'down',
        head: 'Down',
        unit: 'from the top',
        meaning: 'its row from 1',
        as: 'figure',
        of: ({ row }) => row + 1,
      },
      {
        id: 'arrow',
        head: 'Arrow points',
        unit: seen,
        meaning: `where the arrow on its back points, ${seen}`,
        // From behind a turn goes the other way round.
        of: ({ turnDeg }) => ARROW_WORDS[side === 'front' ? turnDeg : (360 - turnDeg) % 360]!,
      },
    ],
  };
}

export interface RibbonRow {
  /** Panels by output and place. */
  from: string;
  to: string;
  length: string;
  ofTheBox: boolean;
}

/** Every ribbon between panels. */
export function ribbonsTable(propName: string, rows: readonly RibbonRow[]): Table<RibbonRow> {
  return {
    name: `Ribbons of ${propName}`,
    rows,
    keyOf: ({ from }) => from,
    columns: [
      {
        id: 'from',
        head: 'From',
        unit: 'output.place',
        meaning: 'the panel whose outgoing socket it leaves',
        as: 'key',
        of: ({ from }) => from,
      },
      {
        id: 'to',
        head: 'To',
        unit: 'output.place',
        meaning: 'the panel whose data socket it enters',
        as: 'key',
        of: ({ to }) => to,
      },
      {
        id: 'length',
        head: 'Reaches',
        meaning: 'from socket to socket, with some slack',
        as: 'figure',
        of: ({ length }) => length,
      },
      {
        id: 'box',
        head: 'Ribbon',
        meaning: 'whether the one that came with the panel reaches',
        of: ({ ofTheBox }) => (ofTheBox ? 'of the box' : { text: 'a longer one', mood: 'bad' }),
      },
    ],
  };
}
