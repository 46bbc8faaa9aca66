import type { FoundPort, FoundUniverse } from './found';
import type { Direction, PortField } from './settings';

/** Columns that a list of a device may have, by the heads that screens give them. */
const PORT_COLUMNS: readonly { field: 'port' | PortField; heads: RegExp; least: number; most: number }[] = [
  { field: 'port', heads: /^(port|output|out|string|#)$/i, least: 1, most: 256 },
  {
    field: 'hiddenPixels',
    heads: /^(hidden|null|skipped|dark|hidden pixels|null pixels|skipped pixels)$/i,
    least: 0,
    most: 10_000,
  },
  { field: 'pixels', heads: /^(pixels?|count|px|leds?|length|nodes?)$/i, least: 0, most: 4_000_000 },
  {
    field: 'universe',
    heads: /^(start\s*)?(universe|uni|u|port-?address)$/i,
    least: 0,
    most: 63_999,
  },
  { field: 'channel', heads: /^(start\s*)?(channel|chan|ch|address|slot)$/i, least: 0, most: 512 },
  {
    field: 'deviceChannel',
    heads: /^(start over the device|device (start|channel)|absolute (start|channel)|start)$/i,
    least: 0,
    most: 40_000_000,
  },
];
const ORDER_HEADS = /^(colou?r(\s*order)?|order|rgb)$/i;
const DIRECTION_HEADS = /^(direction|reversed?)$/i;
const DIRECTION_WORDS: Record<string, Direction> = {
  forward: 'forward',
  normal: 'forward',
  no: 'forward',
  reversed: 'reversed',
  reverse: 'reversed',
  yes: 'reversed',
};

type ColumnName = 'port' | PortField;

function columnOf(head: string): ColumnName | undefined {
  if (ORDER_HEADS.test(head)) return 'colourOrder';
  if (DIRECTION_HEADS.test(head)) return 'direction';
  return PORT_COLUMNS.find(({ heads }) => heads.test(head))?.field;
}

export type ReadFound = { ok: true; ports: FoundPort[] } | { ok: false; message: string };

/**
 * Reads what was copied from a device: lines of columns parted by tabs, commas, semicolons or spaces, with a heading. Without one
 * the columns are port, universe, channel, pixels and colour order.
 *
 * @param rows cells by line, as a reader of CSV gives them
 * @param label the letters of the controller's ports, which may stand before a number: A3
 * @param lineWords what a line is called where it is refused; they are counted from 1, the heading included
 */
export function readFound(
  rows: readonly (readonly string[])[],
  label: string,
  lineWords: (line: number) => string = (line) => `Line ${line}`,
): ReadFound {
  const lines = filled(rows);
  if (lines.length === 0)
    return { ok: false, message: 'There is nothing to read: paste a line for each port.' };
  const heading = lines[0]!.cells.map(columnOf);
  const hasHeading = heading.some((name) => name !== undefined);
  const columns: readonly (ColumnName | undefined)[] = hasHeading
    ? heading
    : ['port', 'universe', 'channel', 'pixels', 'colourOrder'];
  if (!columns.includes('port'))
    return { ok: false, message: `Line 1 has no column “port”; found: ${lines[0]!.cells.join(', ')}.` };
  const ports: FoundPort[] = [];
  for (const { cells, line } of hasHeading ? lines.slice(1) : lines) {
    const found: Partial<Record<ColumnName, unknown>> = {};
    for (const [i, name] of columns.entries()) {
      const cell = cells[i];
      if (!name || isNothing(cell)) continue;
      const read = readCell(name, cell, label);
      if (!read.ok) return { ok: false, message: `${lineWords(line)}: ${read.message}` };
      found[name] = read.value;
    }
    if (found.port === undefined) return { ok: false, message: `Line ${line} names no port.` };
    if (ports.some((port) => port.port === found.port))
      return { ok: false, message: `${lineWords(line)}: port ${String(found.port)} stands there twice.` };
    ports.push(found as unknown as FoundPort);
  }
  return { ok: true, ports };
}

type ReadCell = { ok: true; value: string | number } | { ok: false; message: string };

function readCell(name: ColumnName, cell: string, label: string): ReadCell {
  if (name === 'colourOrder') {
    const order = cell.toUpperCase();
    return /^[RGBW]{1,4}$/.test(order)
      ? { ok: true, value: order }
      : { ok: false, message: `the colour order is “${cell}”; letters of RGBW are needed.` };
  }
  if (name === 'direction') {
    const direction = DIRECTION_WORDS[cell.toLowerCase()];
    return direction
      ? { ok: true, value: direction }
      : { ok: false, message: `the direction is “${cell}”; forward or reversed is needed.` };
  }
  const { least, most } = PORT_COLUMNS.find(({ field }) => field === name)!;
  const text = name === 'port' && cell.toUpperCase().startsWith(label) ? cell.slice(label.length) : cell;
  return readWhole(NAMES[name] ?? name, text, cell, least, most);
}

const NAMES: Partial<Record<ColumnName, string>> = {
  hiddenPixels: 'the number of hidden pixels',
  deviceChannel: 'the start over the device',
};

function readWhole(name: string, text: string, cell: string, least: number, most: number): ReadCell {
  const number = /^\d+$/.test(text) ? Number(text) : NaN;
  return number >= least && number <= most
    ? { ok: true, value: number }
    : { ok: false, message: `${name} is “${cell}”; a whole number from ${least} to ${most} is needed.` };
}

function filled(rows: readonly (readonly string[])[]) {
  return rows
    .map((cells, i) => ({ cells: cells.map((cell) => cell.trim()), line: i + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
}

function isNothing(cell: string | undefined): cell is undefined {
  return cell === undefined || cell === '' || cell === '-' || cell === '–';
}

export type ReadUniverses = { ok: true; universes: FoundUniverse[] } | { ok: false; message: string };

const SIZE_HEADS = /^(channels?( a universe| each)?|size|slots?)$/i;
const UNIVERSE_HEADS = /^(universes?|uni|u|port-?address|number)$/i;

/** Reads the universes that a sender lists: their numbers, and how many channels each has. Without a heading in that order. */
export function readUniverses(rows: readonly (readonly string[])[]): ReadUniverses {
  const lines = filled(rows);
  const heads = lines[0]?.cells ?? [];
  const hasHeading = heads.some((head) => UNIVERSE_HEADS.test(head) || SIZE_HEADS.test(head));
  const [at, sizeAt] = hasHeading
    ? [heads.findIndex((head) => UNIVERSE_HEADS.test(head)), heads.findIndex((head) => SIZE_HEADS.test(head))]
    : [0, 1];
  if (at === -1)
    return { ok: false, message: `Line 1 has no column “universe”; found: ${heads.join(', ')}.` };
  const universes: FoundUniverse[] = [];
  for (const { cells, line } of hasHeading ? lines.slice(1) : lines) {
    const universe = readWhole('universe', cells[at] ?? '', cells[at] ?? '', 0, 63_999);
    if (!universe.ok) return { ok: false, message: `Line ${line}: ${universe.message}` };
    const cell = sizeAt === -1 ? undefined : cells[sizeAt];
    const size = isNothing(cell) ? null : readWhole('the size', cell, cell, 1, 512);
    if (size && !size.ok) return { ok: false, message: `Line ${line}: ${size.message}` };
    if (universes.some((each) => each.universe === universe.value))
      return { ok: false, message: `Line ${line}: universe ${universe.value} stands there twice.` };
    universes.push({
      universe: universe.value as number,
      ...(size?.ok && { channels: size.value as number }),
    });
  }
  return { ok: true, universes };
}
