import { portName } from '../catalogue/controller';
import { countOf } from '../units/number';
import { defineCheck } from './check';
import { byId } from '../units/there';
import { propAt, plannedAt } from '../plan/records';

export const staleEntry = defineCheck('stale-entry', 'Every run on a port still exists.', (plan) =>
  plan.staleEntries.map((entry) => {
    const index = plan.show.props.findIndex((prop) => prop.id === entry.propId);
    const prop = propAt(plan, index);
    const controller = byId(plan.show.controllers, entry.controllerId);
    return {
      rank: 'worthKnowing' as const,
      stage: 'patch' as const,
      propId: prop.id,
      controllerId: controller.id,
      message: `Port ${portName(controller, entry.port)} keeps a place for run ${entry.run} of ${prop.name}, which has ${countOf(plannedAt(plan, index).runCount, 'run')} now. It takes no channels; it comes back when the run does.`,
      mends: [
        {
          label: 'Clear the place',
          edit: { type: 'takeOffRun' as const, propId: entry.propId, run: entry.run },
        },
      ],
    };
  }),
);
