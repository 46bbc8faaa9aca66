import { LAST_UNIVERSE, MOST_PORTS } from '../catalogue/controller';
import { UNIVERSE_SLOTS } from '../catalogue/packing';
import type { FoundPort, FoundUniverse } from './found';
import { MOST_PARTS, rowKey } from './portRows';
import { HELD_BY_PORT } from './settings/registry';
import { whole, type Values } from './settings/values';
import { itemAt } from '../units/there';

/** A column of a list of ports. */
interface Column {
  name: string;
  words: string;
  heads: RegExp;
  values: Values<string | number>;
}

const PORT: Column = {
  name: 'port',
  words: 'port',
  heads: /^(port|output|out|string|#)$/i,
  values: whole(1, MOST_PORTS),
};
/** Its part of the port, on devices that are told several. */
const PART: Column = { name: 'part', words: 'part', heads: /^(part|place)$/i, values: whole(1, MOST_PARTS) };
const COLUMNS: readonly Column[] = [
  PORT,
  PART,
  ...HELD_BY_PORT.map((each) => ({ ...each, name: each.field })),
];
/** Those of a list without a heading. */
const USUAL = ['port', 'universe', 'channel', 'pixels', 'colourOrder'];

const columnOf = (head: string) => COLUMNS.find(({ heads }) => heads.test(head));

type ReadFound = { ok: true; ports: FoundPort[] } | { ok: false; message: string };

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
  const heading = itemAt(lines, 0).cells.map(columnOf);
  const hasHeading = heading.some((column) => column !== undefined);
  const columns = hasHeading ? heading : USUAL.map((name) => COLUMNS.find((column) => column.name === name));
  if (!columns.includes(PORT))
    return {
      ok: false,
      message: `Line 1 has no column “port”; found: ${itemAt(lines, 0).cells.join(', ')}.`,
    };
  const ports: FoundPort[] = [];
  for (const { cells, line } of hasHeading ? lines.slice(1) : lines) {
    const found: Record<string, string | number> = {};
    for (const [i, column] of columns.entries()) {
      const cell = cells[i];
      if (!column || isNothing(cell)) continue;
      const isNamed = column === PORT && cell.toUpperCase().startsWith(label);
      const read = readCell(column, cell, isNamed ? cell.slice(label.length) : cell);
      if (!read.ok) return { ok: false, message: `${lineWords(line)}: ${read.message}` };
      found[column.name] = read.value;
    }
    if (found.port === undefined) return { ok: false, message: `Line ${line} names no port.` };
    // The first part is what a port is alone.
    if (found.part === 1) delete found.part;
    const row = found as unknown as FoundPort;
    if (ports.some((port) => rowKey(port) === rowKey(row)))
      return {
        ok: false,
        message: `${lineWords(line)}: port ${row.port}${row.part === undefined ? '' : `, part ${row.part},`} stands there twice.`,
      };
    ports.push(row);
  }
  return { ok: true, ports };
}

type ReadCell<Value> = { ok: true; value: Value } | { ok: false; message: string };

/** @param text what of the cell is read */
function readCell<Value extends string | number>(
  { words, values }: { words: string; values: Values<Value> },
  cell: string,
  text: string = cell,
): ReadCell<Value> {
  const value = values.read(text);
  return value === null
    ? { ok: false, message: `${words} “${cell}”: ${values.allowed} is needed.` }
    : { ok: true, value };
}

function filled(rows: readonly (readonly string[])[]) {
  return rows
    .map((cells, i) => ({ cells: cells.map((cell) => cell.trim()), line: i + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
}

function isNothing(cell: string | undefined): cell is undefined {
  return cell === undefined || cell === '' || cell === '-' || cell === '–';
}

type ReadUniverses = { ok: true; universes: FoundUniverse[] } | { ok: false; message: string };

const UNIVERSE = { words: 'universe', values: whole(0, LAST_UNIVERSE) };
const SIZE = { words: 'size', values: whole(1, UNIVERSE_SLOTS) };
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
    const universe = readCell(UNIVERSE, cells[at] ?? '');
    if (!universe.ok) return { ok: false, message: `Line ${line}: ${universe.message}` };
    const cell = sizeAt === -1 ? undefined : cells[sizeAt];
    const size = isNothing(cell) ? null : readCell(SIZE, cell);
    if (size && !size.ok) return { ok: false, message: `Line ${line}: ${size.message}` };
    if (universes.some((each) => each.universe === universe.value))
      return { ok: false, message: `Line ${line}: universe ${universe.value} stands there twice.` };
    universes.push({ universe: universe.value, ...(size?.ok && { channels: size.value }) });
  }
  return { ok: true, universes };
}
