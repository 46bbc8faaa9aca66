import type { Lead } from '../../answers/site';
import type { Plan } from '../../plan/planned';
import { runName } from '../../plan/runName';
import { formatLength } from '../../units/length';
import type { Table } from '../table';

/** The lead from each port, or from the run before, to the first pixel of a run. */
export function leadsTable(plan: Plan, leads: readonly Lead[]): Table<Lead> {
  return {
    name: 'Leads from ports to first pixels',
    rows: leads,
    keyOf: (lead) => lead.run,
    columns: [
      { id: 'port', head: 'Port', meaning: 'the port that feeds it', as: 'key', of: (lead) => lead.port },
      {
        id: 'to',
        head: 'To',
        unit: 'from',
        meaning: 'the run that it leads to, and what it comes from',
        of: ({ run, fromRun, controller }) => ({
          text: runName(plan, run),
          note:
            fromRun === null ? plan.show.controllers[controller]!.name : `end of ${runName(plan, fromRun)}`,
        }),
      },
      {
        id: 'straight',
        head: 'Straight',
        meaning: 'as the crow flies, on the site drawing',
        as: 'figure',
        of: ({ straightMm }) => (straightMm === null ? null : formatLength(Math.round(straightMm))),
      },
      {
        id: 'cable',
        head: 'Cable',
        meaning: 'what to cut: with the detour and both ends, by the half metre',
        as: 'figure',
        of: (lead) => lead.cable,
      },
      {
        id: 'data',
        head: 'Data',
        meaning: 'whether a buffered port drives it as it is, some 3 to 5 m',
        of: ({ cable }) => {
          if (!cable) return { text: 'place both ends', mood: 'quiet' };
          if (cable.value <= 3000) return '';
          return cable.value <= 5000
            ? { text: 'at the limit', mood: 'quiet' }
            : { text: 'wants a repeater', mood: 'bad' };
        },
      },
    ],
  };
}
