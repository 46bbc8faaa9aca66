import { cellWords, type Table } from '@/core/pages/table';
import type { ControllerType } from '@/core/catalogue/controllerType';

/**
 * A device as it comes from its box, and what somebody types into it from its sheet. It is written apart from the simulator and reads
 * nothing of a plan: only the rows of the sheet, as text, and the description of its kind.
 */

/** The manual of a kind, in the words of this model. Absent figures are the usual ones. */
type Manual = Pick<ControllerType, 'starts' | 'universeSizes' | 'subNets'>;

/** Rows of a sheet, by the ids of its columns. */
type Rows = Record<string, { text: string; note: string }>[];

export function rowsOf<Row>(table: Table<Row>): Rows {
  return table.rows.map((row, index) =>
    Object.fromEntries(
      table.columns.map(({ id, of }) => {
        const cell = of(row, index);
        const note = cell !== null && typeof cell === 'object' && 'note' in cell ? (cell.note ?? '') : '';
        return [id, { text: cellWords(cell, 'metric'), note }];
      }),
    ),
  );
}

/** A channel as the device counts: universe and slot, or a byte where it knows no universes. */
type Address = string;
/** Channels of each light of a port in the order of the wire; null for one that the device keeps dark. */
export type Lights = (Address[] | null)[];

const numberIn = (text: string | undefined): number => Number((text ?? '').replaceAll(',', ''));

/** Pixels of a tile and channels of each: what hangs there knows them by itself, and no sheet says them. */
export interface Tile {
  pixels: number;
  channels: number;
}

/**
 * Lights of each port, by its name.
 *
 * @param tiles by the name of their row; on tiles counts and colours are not typed
 */
export function typed(
  manual: Manual,
  values: Rows,
  ports: Rows,
  tiles: ReadonlyMap<string, Tile> = new Map(),
): Map<string, Lights> {
  const asked = new Map(values.map((row) => [row.what!.text, row.value!.text]));
  const size = asked.get('Channels a universe');
  const isOneStart = manual.starts?.value === 'device';
  const lights = new Map<string, Lights>();
  let at: Place | null = null;
  // A net and sub-net that were typed once: for the device, or for four of its ports.
  const subNets = new Map<number, number>();
  const isNetTyped = (manual.subNets?.value ?? 'free') !== 'free' && ports.some((row) => partsIn(row));
  /** The universe behind another: inside its sub-net, where that was typed once. */
  const next = (universe: number) =>
    isNetTyped ? universe - (universe % 16) + ((universe + 1) % 16) : universe + 1;
  for (const row of ports) {
    const tile = tiles.get(row.port!.text);
    const width = tile?.channels ?? row['colour-order']!.text.length;
    const pixels = tile?.pixels ?? numberIn(row.pixels!.text);
    // `A3, part 2`
    const port = row.port!.text.split(',')[0]!;
    if (!at || !isOneStart) at = startOf(row);
    const parts = isNetTyped && partsIn(row);
    if (parts && at.universe !== null) {
      const number = Number(/\d+$/.exec(port)![0]);
      const group = manual.subNets!.value === 'ofDevice' ? 0 : Math.floor((number - 1) / 4);
      const subNet = subNets.get(group) ?? parts.net * 16 + parts.subNet;
      subNets.set(group, subNet);
      at = {
        ...at,
        universe: subNet * 16 + (isOneStart && lights.size > 0 ? at.universe % 16 : parts.universe),
      };
    }
    const own: Lights = [];
    const dark = darkOf(row);
    for (let pixel = 0; pixel < pixels; pixel += 1) {
      for (let i = 0; i < (dark.get(pixel) ?? 0); i += 1) own.push(null);
      const channels: Address[] = [];
      if (at.universe !== null && sizesOf(manual) === 'wholePixels' && at.channel + width - 1 > 512)
        at = { universe: next(at.universe), channel: 1 };
      for (let i = 0; i < width; i += 1) {
        if (at.universe !== null && at.channel > channelsIn(at.universe, manual, size))
          at = { universe: next(at.universe), channel: 1 };
        channels.push(at.universe === null ? `byte ${at.channel}` : `${at.universe}.${at.channel}`);
        at = { universe: at.universe, channel: at.channel + 1 };
      }
      own.push(channels);
    }
    lights.set(port, [...(lights.get(port) ?? []), ...own]);
  }
  return lights;
}

/** `0.1.4`, as a device asks for it. */
function partsIn(row: Rows[number]): { net: number; subNet: number; universe: number } | null {
  const text = row['net-sub-net-universe']?.text ?? '';
  const [net, subNet, universe] = text.split('.').map(Number);
  return text.split('.').length === 3 ? { net: net!, subNet: subNet!, universe: universe! } : null;
}

interface Place {
  universe: number | null;
  channel: number;
}

function startOf(row: Rows[number]): Place {
  if (row['start-byte'] && row['start-byte'].text !== '–')
    return { universe: null, channel: numberIn(row['start-byte'].text) };
  return { universe: numberIn(row.universe!.text), channel: numberIn(row.channel!.text) };
}

const sizesOf = (manual: Manual) => manual.universeSizes?.value ?? 'one';

function channelsIn(universe: number, manual: Manual, size: string | undefined): number {
  if (sizesOf(manual) === 'fixed512' || sizesOf(manual) === 'wholePixels') return 512;
  if (size === undefined) throw new Error('The sheet does not say how many channels a universe has.');
  if (/^\d+$/.test(size)) return Number(size);
  if (sizesOf(manual) === 'one') throw new Error(`A device that takes one number cannot be told “${size}”.`);
  // `510 in U1–U3 and 512 in U4`
  for (const [, channels, from, to] of size.matchAll(/(\d+) in \D*(\d+)(?:–\D*(\d+))?/g))
    if (universe >= Number(from) && universe <= Number(to ?? from)) return Number(channels);
  throw new Error(`“${size}” says nothing of universe ${universe}.`);
}

/** Number of dark lights before each pixel of a port, by the pixel from 0. */
function darkOf(row: Rows[number]): Map<number, number> {
  const hidden = row['hidden-pixels'];
  const dark = new Map<number, number>();
  if (!hidden || numberIn(hidden.text) === 0) return dark;
  const places = [...hidden.note.matchAll(/(?:(\d+) )?(?:before the first|after pixel (\d+))/g)];
  for (const [, count, after] of places)
    dark.set(Number(after ?? 0), places.length === 1 ? numberIn(hidden.text) : Number(count));
  return dark;
}
