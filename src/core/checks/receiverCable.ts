import { standingWords } from '../figures/figure';
import { leadsOf } from '../answers/site';
import { formatLength } from '../units/length';
import { defineCheck } from './check';
import { moveElsewhere } from './moveElsewhere';
import { controllerAt, propOfRun } from '../plan/records';

export const receiverCable = defineCheck(
  'receiver-cable',
  'The cable from a controller to a receiver board is no longer than the board can be away, as the drawing of the site has it.',
  (plan) => {
    const typeOf = new Map(plan.show.controllerTypes.map((type) => [type.id, type]));
    const limits = plan.show.controllers.map(({ typeId }) => typeOf.get(typeId ?? '')?.receiverCableMm);
    // Leads are worked out from places of pixels; nobody needs them where no kind has receivers.
    if (limits.every((limit) => limit === undefined)) return [];
    return leadsOf(plan).flatMap(({ run, controller, port, fromRun, cable }) => {
      const limit = limits[controller];
      if (!limit || fromRun !== null || cable === null || cable.value <= limit.value) return [];
      const device = controllerAt(plan, controller);
      return [
        {
          rank: 'willLookWrong' as const,
          stage: 'patch' as const,
          propId: propOfRun(plan, run).id,
          controllerId: device.id,
          message: `The cable from ${device.name} to the first pixel on ${port} is ${formatLength(cable.value, plan.show.lengths)}, and a receiver board of it may be ${formatLength(limit.value, plan.show.lengths)} away (${standingWords(limit)}). Farther off, pixels flicker or stay dark.`,
          mends: moveElsewhere(plan, [run], controller),
        },
      ];
    });
  },
);
