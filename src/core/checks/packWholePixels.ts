import type { Plan } from '../plan/planned';
import type { SingleEdit } from '../show/edits/registry';
import type { Mend } from './check';
import { propAt, controllerAt } from '../plan/records';

/** Says whole pixels at every level at which something else is said for a run of a controller. `index` is the controller's in the show. */
export function packWholePixels(plan: Plan, index: number): Mend[] {
  const controller = controllerAt(plan, index);
  const packing = { kind: 'wholePixels' as const };
  const own = plan.runs.filter((run) => run.wire?.controller === index);
  const props = [...new Set(own.map((run) => propAt(plan, run.prop)))];
  const edits: SingleEdit[] = [
    {
      type: 'changeController',
      controllerId: controller.id,
      change: {
        packing,
        ...(controller.portOptions && {
          portOptions: controller.portOptions.map((options) =>
            options.packing ? { ...options, packing } : options,
          ),
        }),
      },
    },
    ...props
      .filter((prop) => prop.packing)
      .map((prop): SingleEdit => ({ type: 'changeProp', propId: prop.id, change: { packing } })),
    ...plan.show.patch
      .filter((entry) => entry.controllerId === controller.id && entry.packing)
      .map((entry): SingleEdit => ({
        type: 'setRunAddress',
        propId: entry.propId,
        run: entry.run,
        change: { packing: null },
      })),
  ];
  return [
    {
      label: 'Pack whole pixels',
      edit: { type: 'batch', label: `${controller.name}: pack whole pixels`, edits },
    },
  ];
}
