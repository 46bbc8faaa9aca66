import { wantedRateOf } from '../catalogue/packing';
import { portName } from '../catalogue/controller';
import { portRates } from '../devices/portTiming';
import { countOf } from '../units/number';
import { quantity } from '../units/quantity';
import { defineCheck } from './check';
import { itemAt } from '../units/there';
import { controllerAt, propOfRun } from '../plan/records';

export const frameRate = defineCheck(
  'frame-rate',
  'Every port can show as many pictures a second as the show is to have.',
  (plan) => {
    const wanted = wantedRateOf(plan.show.addressing);
    const rateOf = portRates(plan);
    return plan.ports.flatMap((port) => {
      const timing = rateOf(port);
      if (!timing || timing.rateHz >= wanted - 1e-9) return [];
      const rate = timing.rateHz;
      const controller = controllerAt(plan, port.controller);
      const baud = plan.show.controllerTypes.find((each) => each.id === controller.typeId)?.baud;
      return [
        {
          rank: 'willLookWrong' as const,
          stage: 'patch' as const,
          propId: propOfRun(plan, itemAt(port.runs, 0)).id,
          controllerId: controller.id,
          message: `Port ${portName(controller, port.port)} with ${countOf(port.places, 'pixel')} shows at most ${Math.floor(rate)} pictures a second${timing.limitedByLine ? ` over ${quantity(baud!, 'baud', plan.show.lengths)}` : ''}, and ${wanted} are wanted. Movement stutters there.`,
          mends: [
            {
              label: `Be content with ${Math.floor(rate)} a second`,
              edit: {
                type: 'setAddressing' as const,
                change: { wantedRateHz: Math.max(1, Math.floor(rate)) },
              },
            },
          ],
        },
      ];
    });
  },
);
