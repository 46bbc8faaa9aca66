import type { PolicyRow } from '../../answers/comparePolicies';
import type { Table } from '../../pages/table';

/** Needs of the whole show under each policy. */
export function policiesTable(rows: readonly PolicyRow[], rateHz: number): Table<PolicyRow> {
  return {
    name: 'Policies compared',
    rows,
    keyOf: (row) => row.words,
    columns: [
      {
        id: 'policy',
        head: 'Policy',
        meaning: 'how channels fill universes, and where a new one begins',
        of: (row) => row.words,
      },
      {
        id: 'universes',
        head: 'Universes',
        meaning: 'that the show takes',
        as: 'figure',
        of: (row) => row.universes,
      },
      {
        id: 'last',
        head: 'Last',
        unit: 'show channel',
        meaning: 'the last channel counted over the show',
        as: 'figure',
        of: (row) => row.lastShowChannel,
      },
      {
        id: 'straddling',
        head: 'Straddling',
        unit: 'props',
        meaning: 'props with a pixel across two universes, which some receivers do not take',
        as: 'figure',
        of: (row) => row.straddlingProps,
      },
      {
        id: 'split',
        head: 'Split',
        unit: 'strands',
        meaning: 'strands that lie in two universes or more',
        of: ({ splitStrands, splitNames }) =>
          splitStrands === 0
            ? 'none'
            : {
                text: String(splitStrands),
                note: `${splitNames.join(', ')}${splitStrands > splitNames.length ? ', …' : ''}`,
              },
      },
      {
        id: 'packets',
        head: 'Packets',
        unit: 'a second',
        meaning: 'packets that the sender sends',
        as: 'figure',
        of: (row) => row.packetsPerSecond,
      },
      {
        id: 'mbits',
        head: 'On the wire',
        unit: `Mbit/s at ${rateHz}/s`,
        meaning: 'what the network carries, with all that goes around the channels',
        as: 'figure',
        of: (row) => row.mbits.toFixed(2),
      },
    ],
  };
}
