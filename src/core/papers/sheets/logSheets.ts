import type { Plan } from '../../plan/planned';
import type { Facts } from '../../show/facts';
import type { Sheet } from '../../pages/sheet';
import { logTable, loggedEntries } from '../tables/log';
import { tableSheet } from './make';

/** The log as it goes into the box of the season. It is there when something was noted. */
export function logSheets({ show }: Plan, facts: Facts): Sheet[] {
  const entries = loggedEntries(show, facts);
  if (entries.length === 0) return [];
  return [
    tableSheet({
      id: 'log',
      name: 'Log',
      group: 'prove',
      about: { kind: 'show' },
      isPaper: true,
      table: () => logTable(entries),
    }),
  ];
}
