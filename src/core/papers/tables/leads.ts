import type { Lead } from '../../answers/site';
import { REACH_MM } from '../../catalogue/dataLine';
import { textOf } from '../../figures/explained';
import type { Plan } from '../../plan/planned';
import { runName } from '../../plan/runName';
import { formatLength } from '../../units/length';
import type { Table } from '../../pages/table';
import { controllerAt } from '../../plan/records';

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
          note: fromRun === null ? controllerAt(plan, controller).name : `end of ${runName(plan, fromRun)}`,
        }),
      },
      {
        id: 'straight',
        head: 'Straight',
        meaning: 'as the crow flies, on the site drawing',
        as: 'figure',
        of: ({ straightMm }) =>
          straightMm === null ? null : formatLength(Math.round(straightMm), plan.show.lengths),
      },
      {
        id: 'cable',
        head: 'Cable',
        meaning:
          'what to cut: with the detour and both ends, by the half metre; and whether a buffered port drives it',
        as: 'figure',
        of: ({ cable }) =>
          cable
            ? { text: textOf(cable, plan.show.lengths), why: cable, note: dataWords(cable.value) }
            : { text: '–', note: 'place both ends' },
      },
    ],
  };
}

/** Whether a buffered port drives it up to the first pixel. */
function dataWords(cableMm: number): string | undefined {
  const [surely, hardly] = REACH_MM.buffer!;
  if (cableMm <= surely) return undefined;
  return cableMm <= hardly ? 'at the limit' : 'wants a repeater';
}
