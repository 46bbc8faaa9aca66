import type { ScreenCut, ScreenCuts, WireBridge } from '../../screens/cuts';
import type { ConventionNumbers } from '../../screens/numbers';
import type { NamedRange } from '../../screens/ranges';
import { SCREEN_CORNERS, SCREEN_SIDES, startWords, type ScreenSide } from '../../screens/sides';
import type { Zone } from '../../screens/zones';
import { formatLength, type Lengths } from '../../units/length';
import type { Table } from '../../pages/table';

/** `and 4 dark in front`: lights on a piece of strip that nobody sees. */
function darkWords({ hiddenBefore, hiddenBehind }: Pick<ScreenCut, 'hiddenBefore' | 'hiddenBehind'>): string {
  const dark = [
    hiddenBefore > 0 && `${hiddenBefore} dark in front`,
    hiddenBehind > 0 && `${hiddenBehind} dark behind`,
  ].filter(Boolean);
  return dark.length > 0 ? `and ${dark.join(', ')}` : '';
}

/** Cuts from the strip, piece by piece in the order of the data. */
export function screenCutsTable(name: string, { cuts }: ScreenCuts, lengths: Lengths): Table<ScreenCut> {
  return {
    name: `${name}: strip and cuts`,
    rows: cuts,
    keyOf: ({ key }) => key,
    columns: [
      { id: 'piece', head: 'Piece', as: 'key', meaning: 'side of the screen', of: ({ words }) => words },
      {
        id: 'room',
        head: 'Room',
        as: 'figure',
        meaning: 'length of the side where the strip goes',
        of: ({ lengthMm }) => formatLength(lengthMm, lengths),
      },
      {
        id: 'pixels',
        head: 'Pixels',
        as: 'figure',
        meaning:
          'installed where that was said, else as planned; dark ones at either end of the wire besides',
        of: ({ pixels, planned, ...cut }) => {
          const dark = darkWords(cut);
          if (pixels !== planned)
            return { text: `${pixels}${dark && ` ${dark}`}`, note: `planned ${planned}`, mood: 'bad' };
          return dark ? { text: String(pixels), note: dark } : pixels;
        },
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
        meaning: 'length to cut, with the dark lights',
        of: ({ stripMm }) => formatLength(stripMm, lengths),
      },
      {
        id: 'spare',
        head: 'Spare room',
        as: 'figure',
        meaning: 'beside the strip; below zero it does not fit',
        of: ({ spareMm }) =>
          spareMm < -0.5
            ? { text: formatLength(spareMm, lengths), mood: 'bad' }
            : formatLength(Math.max(0, spareMm), lengths),
      },
    ],
  };
}

/** Wires from piece to piece. */
export function bridgesTable(name: string, { bridges }: ScreenCuts, lengths: Lengths): Table<WireBridge> {
  return {
    name: `${name}: wire bridges`,
    rows: bridges,
    keyOf: ({ from, to }) => `${from} ${to}`,
    columns: [
      {
        id: 'from',
        head: 'From the end of',
        as: 'key',
        meaning: 'in the order of the data',
        of: ({ from }) => from,
      },
      { id: 'to', head: 'To the beginning of', meaning: 'the next piece', of: ({ to }) => to },
      {
        id: 'reach',
        head: 'Reach',
        as: 'figure',
        meaning: 'from end to end, straight; leave some slack',
        of: ({ reachMm }) => formatLength(reachMm, lengths),
      },
      { id: 'wires', head: 'Wires', meaning: 'one for each', of: ({ wires }) => wires.join(', ') },
    ],
  };
}

const RANGE_WORDS: Record<string, string> = {
  hidden: 'first ones that stay dark',
  top: 'top',
  right: 'right, seen from the front',
  bottom: 'bottom',
  left: 'left, seen from the front',
  standGap: 'beside the stand',
  letterbox: 'beside the black bars of a film of 2.39 : 1',
  tail: 'last ones that stay dark',
};

/** Names for lights that are set together, by their numbers on the wire. */
export function namedRangesTable(name: string, ranges: readonly NamedRange[]): Table<NamedRange> {
  return {
    name: `${name}: named ranges`,
    forDevices: true,
    rows: ranges,
    keyOf: (range, i) => `${range.name} ${i}`,
    columns: [
      { id: 'name', head: 'Name', as: 'key', meaning: 'of the lights', of: (range) => range.name },
      {
        id: 'from',
        head: 'From',
        as: 'address',
        meaning: 'first index on the wire, from 0',
        of: ({ from }) => from,
      },
      { id: 'to', head: 'To', as: 'address', meaning: 'last index, which belongs to it', of: ({ to }) => to },
      { id: 'lights', head: 'Lights', as: 'figure', meaning: 'how many', of: ({ lights }) => lights },
      {
        id: 'what',
        head: 'They are',
        meaning: 'what the name means',
        of: (range) => RANGE_WORDS[range.name] ?? '',
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

/** Values to type into a program with a count of its own. */
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
      ...SCREEN_CORNERS.map((corner) =>
        row(
          corner,
          `Behind the ${startWords(corner)}`,
          corners[corner],
          'number of the first light behind this corner',
        ),
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
