import { portName } from '../catalogue/controller';
import type { Plan, PlannedPort } from '../plan/plan';
import { fewestRuns } from '../threading/split';
import { countOf, groupDigits } from '../units/number';
import { defineCheck, type Mend } from './check';
import { moveElsewhere } from './moveElsewhere';

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
          mends: port.runs.length > 1 ? moveElsewhere(plan, port.runs.at(-1)!) : split(plan, port, limit),
        },
      ];
    }),
);

/** The fewest runs whose longest fits on a port, and free ports for those that are new. */
function split(plan: Plan, port: PlannedPort, limit: number): Mend[] {
  const run = plan.runs[port.runs[0]!]!;
  const prop = plan.show.props[run.prop]!;
  const room = limit - run.wire!.skippedPixels;
  const lengths = plan.props[run.prop]!.strands.map((strand) => strand.pixelCount);
  const runs = fewestRuns(lengths, room);
  if (runs === null) return [];
  return [
    {
      label: `Split ${prop.name} into ${runs} runs`,
      edit: { type: 'setThreading', propId: prop.id, threading: { ...prop.threading, runs } },
    },
  ];
}
