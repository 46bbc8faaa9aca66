import type { LabelOfThing } from '../labels/labels';
import type { Table } from '../../pages/table';

/** Labels and their things, for a label printer of one's own. */
export function labelsTable(
  what: string,
  labels: readonly LabelOfThing[],
  link: (label: LabelOfThing) => string,
): Table<LabelOfThing> {
  return {
    name: `Labels for ${what}`,
    rows: labels,
    keyOf: ({ thing }) => `${thing.list} ${thing.recordId} ${thing.part}`,
    columns: [
      { id: 'name', head: 'Name', meaning: 'in large letters', as: 'key', of: ({ name }) => name },
      { id: 'words', head: 'Below it', meaning: 'what it is', of: ({ words }) => words },
      { id: 'arrow', head: 'Arrow', meaning: 'which way it points', of: ({ arrow }) => arrow },
      {
        id: 'code',
        head: 'Code',
        meaning: 'to type where no camera is at hand',
        as: 'figure',
        of: ({ code }) => code,
      },
      { id: 'link', head: 'Leads to', meaning: 'what a camera reads', of: link },
    ],
  };
}
