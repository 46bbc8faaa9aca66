import { FUNCTION_WORDS, type Joint, type JointWire, type TwoMeanings } from '../../catalogue/joint';
import { capitalised, listOf } from '../../units/words';
import type { Table } from '../../pages/table';

/** A joint wire by wire. @param doubtful colours, in small letters, that mean two things in this show */
export function jointTable(joint: Joint, doubtful: ReadonlySet<string>): Table<JointWire> {
  return {
    name: `Wires of ${joint.name}`,
    rows: joint.wires,
    keyOf: (_, index) => index,
    columns: [
      {
        id: 'function',
        head: 'Wire',
        meaning: 'what it does',
        as: 'key',
        of: (wire) => capitalised(FUNCTION_WORDS[wire.function]),
      },
      {
        id: 'mark',
        head: 'Printed mark',
        meaning: 'dots, a stripe, letters',
        of: ({ mark }) => mark || null,
      },
      {
        id: 'colour',
        head: 'Colour found',
        meaning: 'as it was found: a colour proves nothing',
        of: ({ colour }) =>
          colour === ''
            ? null
            : doubtful.has(colour.toLowerCase())
              ? { text: colour, note: 'means something else at another joint', mood: 'bad' }
              : colour,
      },
      {
        id: 'from',
        head: 'Contact',
        unit: joint.fromWords || 'first end',
        meaning: 'its contact at the first end',
        as: 'figure',
        of: ({ from }) => from || null,
      },
      {
        id: 'to',
        head: 'Contact',
        unit: joint.toWords || 'second end',
        meaning: 'its contact at the second end',
        as: 'figure',
        of: ({ to }) => to || null,
      },
    ],
  };
}

/** `red is plus at Rail plug and ground at Wall tail` */
export function twoMeaningsWords({ colour, meanings }: TwoMeanings): string {
  const each = meanings.map(
    ({ function: fn, joints }) => `${FUNCTION_WORDS[fn]} at ${listOf(joints.slice(0, 3))}`,
  );
  return `${capitalised(colour)} is ${listOf(each)}.`;
}
