import type { Plan } from '../plan/planned';
import { controllerAt } from '../plan/records';
import type { SingleEdit } from '../show/edits/registry';
import type { Mend } from './check';

/** Lets the runs of a controller lie behind one another again: without places that are kept, or without channels that are kept free as well. */
export function loosened(plan: Plan, index: number, what: 'pins' | 'all'): Mend[] {
  const { id, name } = controllerAt(plan, index);
  const edits = plan.show.patch.flatMap((entry): SingleEdit[] => {
    if (entry.controllerId !== id) return [];
    const change = {
      ...(entry.pin && { pin: null }),
      ...(what === 'all' && entry.spareChannels && { spareChannels: null }),
    };
    if (Object.keys(change).length === 0) return [];
    return [{ type: 'setRunAddress', propId: entry.propId, run: entry.run, change }];
  });
  if (edits.length === 0) return [];
  return [
    {
      label: what === 'pins' ? 'Unlock its addresses' : 'Unlock and close the gaps',
      edit: { type: 'batch', label: `${name}: close the gaps between its runs`, edits },
    },
  ];
}
