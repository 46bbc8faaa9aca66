import type { Plan } from '../../plan/planned';
import { endWords } from '../../power/leadWords';
import type { OpenFuse } from '../../power/openFuse';
import { countOf } from '../../units/number';
import { listOf } from '../../units/words';
import type { Table } from '../../pages/table';
import { itemAt } from '../../units/there';

/** Each lead with what is seen when its fuse opens, and what is then overloaded. */
export function openFusesTable({ show }: Plan, rows: readonly OpenFuse[]): Table<OpenFuse> {
  return {
    name: 'One fuse open',
    rows,
    keyOf: ({ feed }) => itemAt(show.feeds, feed).id,
    columns: [
      {
        id: 'lead',
        head: 'Fuse of',
        as: 'key',
        meaning: 'The lead whose fuse is open',
        of: ({ feed }) => itemAt(show.feeds, feed).name,
      },
      {
        id: 'to',
        head: 'It feeds',
        meaning: 'Where the lead first joins',
        of: ({ feed }) => endWords(show, itemAt(itemAt(show.feeds, feed).pieces, 0).to),
      },
      {
        id: 'seen',
        head: 'What is seen',
        meaning: 'At full white',
        of: ({ dark, below }) =>
          dark > 0
            ? { text: `${countOf(dark, 'light')} dark`, mood: 'bad' }
            : below > 0
              ? { text: `${countOf(below, 'light')} dim`, mood: 'bad' }
              : 'nothing: it hides',
      },
      {
        id: 'overloaded',
        head: 'Then overloaded',
        meaning: 'Leads that carry more than their parts, or than their fuse for hours',
        of: ({ overloaded }) =>
          overloaded.length === 0
            ? null
            : { text: listOf(overloaded.map((feed) => itemAt(show.feeds, feed).name)), mood: 'bad' },
      },
    ],
  };
}
