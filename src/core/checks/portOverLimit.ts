import { portName } from '../catalogue/controller';
import { countOf, groupDigits } from '../units/number';
import { defineCheck } from './check';
import { moveElsewhere } from './moveElsewhere';
import { splitToFit } from './splitToFit';

export const portOverLimit = defineCheck(
  'port-over-limit',
  'No port holds more pixels than its controller can drive there. Skipped pixels count: the controller clocks them out.',
  (plan) =>
    plan.ports.flatMap((port) => {
      const controller = plan.show.controllers[port.controller]!;
      const limit = controller.mostPixelsPerPort;
      if (port.places <= limit) return [];
      return [
        {
          severity: 'wrong' as const,
          stage: 'patch' as const,
          propId: plan.show.props[plan.runs[port.runs.at(-1)!]!.prop]!.id,
          controllerId: controller.id,
          message: `Port ${portName(controller, port.port)} holds ${countOf(port.places, 'pixel')}, ${groupDigits(port.places - limit)} more than the ${groupDigits(limit)} that ${controller.name} drives on a port. The rest stays dark.`,
          mends:
            port.runs.length > 1
              ? moveElsewhere(plan, port.runs.at(-1)!)
              : splitToFit(plan, port.runs[0]!, limit),
        },
      ];
    }),
);
