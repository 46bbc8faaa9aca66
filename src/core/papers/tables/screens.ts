import type { ScreenCuts, ScreenPiece } from '../../screens/cuts';
import { PIECE_WORDS, SCREEN_SIDES, type ScreenSide } from '../../screens/frame';
import type { ConventionNumbers } from '../../screens/numbers';
import type { Zone } from '../../screens/zones';
import { formatLength } from '../../units/length';
import type { Table } from '../table';

/** What is cut from the strip, piece by piece, clockwise from the top left as seen from the front. */
export function screenCutsTable(name: string, { pieces }: ScreenCuts): Table<ScreenPiece> {
  return {
    name: `${name}: strip and cuts`,
    rows: pieces,
    keyOf: ({ name: piece }) => piece,
    columns: [
      {
        id: 'piece',
        head: 'Piece',
        as: 'key',
        meaning: 'side of the screen',
        of: (row) => PIECE_WORDS[row.name],
      },
      {
        id: 'room',
        head: 'Room',
        as: 'figure',
        meaning: 'length of the side where the strip goes',
        of: ({ lengthMm }) => formatLength(lengthMm),
      },
      {
        id: 'pixels',
        head: 'Pixels',
        as: 'figure',
        meaning: 'installed where that was said, else as planned',
        of: ({ pixels, planned }) =>
          pixels === planned ? pixels : { text: String(pixels), note: `planned ${planned}`, mood: 'bad' },
      },
      {
        id: 'marks',
        head: 'Cut marks',
        as: 'figure',
        meaning: 'to count from its beginning',
        of: ({ marks }) =>
          Number.isInteger(marks) ? marks : { text: marks.toFixed(1), note: 'no whole cut', mood: 'bad' },
      },
      {
        id: 'strip',
        head: 'Strip',
        as: 'figure',
        meaning: 'length to cut',
        of: ({ stripMm }) => formatLength(stripMm),
      },
      {
        id: 'spare',
        head: 'Spare room',
        as: 'figure',
        meaning: 'beside the strip; below zero it does not fit',
        of: ({ spareMm }) =>
          spareMm < -0.5 ? { text: formatLength(spareMm), mood: 'bad' } : formatLength(Math.max(0, spareMm)),
      },
    ],
  };
}

interface NumberRow {
  id: string;
  words: string;
  value: string;
  meaning: string;
}

const SIDE_WORDS: Record<ScreenSide, string> = {
  top: 'Top',
  right: 'Right, seen from the front',
  bottom: 'Bottom',
  left: 'Left, seen from the front',
};

/** What is typed into a program that counts in a way of its own. */
export function numbersTable(name: string, numbers: ConventionNumbers): Table<NumberRow> {
  const { counts, firstLight, isReversed, gap, corners, onWire } = numbers;
  const row = (id: string, words: string, value: number | string, meaning: string): NumberRow => ({
    id,
    words,
    value: String(value),
    meaning,
  });
  return {
    name: `${name}: numbers to type`,
    forDevices: true,
    rows: [
      ...SCREEN_SIDES.map((side) => row(side, SIDE_WORDS[side], counts[side], 'lights of this side')),
      row('first', 'First light of the data', firstLight, 'its number in the count of the program'),
      row('reversed', 'Data against the count', isReversed ? 'yes' : 'no', 'to be switched to reversed'),
      ...(gap
        ? [
            row('gapAt', 'Gap at', gap.at, 'number of the light behind the stand'),
            row('gapPixels', 'Gap, lights that would fit', gap.pixels, 'length of the stand by the density'),
          ]
        : []),
      row('topLeft', 'Behind the top left', corners.topLeft, 'number of the first light behind this corner'),
      row(
        'topRight',
        'Behind the top right',
        corners.topRight,
        'number of the first light behind this corner',
      ),
      row(
        'bottomRight',
        'Behind the bottom right',
        corners.bottomRight,
        'number of the first light behind this corner',
      ),
      row(
        'bottomLeft',
        'Behind the bottom left',
        corners.bottomLeft,
        'number of the first light behind this corner',
      ),
      row('onWire', 'On the wire', onWire, 'all lights, hidden ones included'),
    ],
    keyOf: ({ id }) => id,
    columns: [
      { id: 'what', head: 'What', as: 'key', meaning: 'the value', of: ({ words }) => words },
      { id: 'value', head: 'Type', as: 'address', meaning: 'what is typed', of: ({ value }) => value },
      { id: 'meaning', head: 'It is', meaning: 'what it means', of: ({ meaning }) => meaning },
    ],
  };
}

/** The rectangle of the picture that each light shows, as fractions from the top left. */
export function zonesTable(name: string, zones: readonly Zone[]): Table<Zone> {
  const edge = (id: 'x0' | 'y0' | 'x1' | 'y1', meaning: string) => ({
    id,
    head: id,
    as: 'figure' as const,
    meaning,
    of: (zone: Zone) => zone[id].toFixed(4),
  });
  return {
    name: `${name}: zones`,
    rows: zones,
    keyOf: ({ index }) => index,
    columns: [
      {
        id: 'index',
        head: 'Index',
        as: 'address',
        meaning: 'in the order of the data, from 0, hidden ones counted',
        of: ({ index }) => index,
      },
      edge('x0', 'left edge'),
      edge('y0', 'top edge'),
      edge('x1', 'right edge'),
      edge('y1', 'bottom edge'),
    ],
  };
}
