import type { PlannedPort } from '../patch/plug';
import { kindOf, isPanelled } from '../props/registry';
import type { Plan } from '../plan/planned';
import { fewestRuns } from '../threading/split';
import type { Mend } from './check';
import { propAt, plannedAt, runAt, controllerAt } from '../plan/records';

/**
 * Splits the prop of the only run on a port into the fewest runs of which each has so many places on the wire at most, its skipped
 * pixels counted, or cuts a wall into smaller cards; no mend where a single strand is longer, or where the patch keeps the port for
 * runs that would come back.
 */
export function splitToFit(
  plan: Plan,
  { controller, port, runs: [index] }: PlannedPort,
  places: number,
): Mend[] {
  const run = runAt(plan, index!);
  const prop = propAt(plan, run.prop);
  const { id } = controllerAt(plan, controller);
  const entries = plan.show.patch.filter((entry) => entry.controllerId === id && entry.port === port);
  if (entries.length > 1) return [];
  const kind = kindOf(prop);
  if (isPanelled(prop)) {
    const cut = kind.withDrivenPixels?.(prop.shape, prop.threading, places);
    return cut
      ? [
          {
            label: `Cut ${prop.name} into ${cut.words}`,
            edit: { type: 'setThreading', propId: prop.id, threading: cut.threading },
          },
        ]
      : [];
  }
  const lengths = plannedAt(plan, run.prop).strands.map((strand) => strand.pixelCount);
  const runs = fewestRuns(lengths, places - (run.wire?.skippedPixels ?? 0));
  if (runs === null || runs <= plannedAt(plan, run.prop).runCount) return [];
  return [
    {
      label: `Split ${prop.name} into ${runs} runs`,
      edit: { type: 'setThreading', propId: prop.id, threading: { ...prop.threading, runs } },
    },
  ];
}
