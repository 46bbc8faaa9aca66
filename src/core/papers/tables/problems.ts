import type { Finding } from '../../checks/check';
import { rankWords } from '../../checks/rank';
import type { Plan } from '../../plan/planned';
import type { Table } from '../../pages/table';

/** Findings of the checks, in the order of their ranks. @param findings as `findingsOf` gives them */
export function problemsTable({ show }: Plan, findings: readonly Finding[]): Table<Finding> {
  return {
    name: 'Problems',
    rows: findings,
    keyOf: (_, index) => index,
    columns: [
      {
        id: 'rank',
        head: 'Rank',
        meaning: 'how bad it is, the worst first; a next step is work that is still to do',
        as: 'key',
        of: ({ rank }) => rankWords(rank),
      },
      {
        id: 'thing',
        head: 'Prop or device',
        meaning: 'what it is about',
        of: ({ propId, controllerId }) =>
          [
            ...show.props.filter(({ id }) => id === propId),
            ...show.controllers.filter(({ id }) => id === controllerId),
          ]
            .map(({ name }) => name)
            .join(', '),
      },
      {
        id: 'problem',
        head: 'Problem',
        meaning: 'what is wrong, and what follows',
        of: ({ message }) => message,
      },
    ],
  };
}
