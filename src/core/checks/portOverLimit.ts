import { portName } from '../catalogue/controller';
import { homesFor } from '../patch/freePorts';
import type { Plan, PlannedPort } from '../plan/plan';
import { splitEvenly } from '../threading/split';
import { countOf, groupDigits } from '../units/number';
import { defineCheck, type Mend } from './check';

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
          mends: port.runs.length > 1 ? moveLast(plan, port) : split(plan, port, limit),
        },
      ];
    }),
);

function moveLast(plan: Plan, port: PlannedPort): Mend[] {
  const run = plan.runs[port.runs.at(-1)!]!;
  const prop = plan.show.props[run.prop]!;
  const home = homesFor(plan, [port.runs.at(-1)!])?.[0];
  if (!home) return [];
  const controller = plan.show.controllers[home.controller]!;
  return [
    {
      label: `Move ${prop.name}${plan.props[run.prop]!.runCount > 1 ? ` run ${run.number}` : ''} to ${portName(controller, home.port)}`,
      edit: {
        type: 'putRun',
        propId: prop.id,
        run: run.number,
        controllerId: controller.id,
        port: home.port,
      },
    },
  ];
}

/** The fewest runs whose longest fits on a port, and free ports for those that are new. */
function split(plan: Plan, port: PlannedPort, limit: number): Mend[] {
  const run = plan.runs[port.runs[0]!]!;
  const prop = plan.show.props[run.prop]!;
  const room = limit - run.wire!.skippedPixels;
  const lengths = plan.props[run.prop]!.strands.map((strand) => strand.pixelCount);
  const total = plan.props[run.prop]!.pixelCount;
  for (let runs = Math.ceil(total / Math.max(1, room)); runs <= Math.min(500, lengths.length); runs += 1) {
    const starts = splitEvenly(lengths, runs);
    const longest = Math.max(
      ...starts.map((start, i) =>
        lengths.slice(start, starts[i + 1]).reduce((sum, length) => sum + length, 0),
      ),
    );
    if (longest <= room)
      return [
        {
          label: `Split ${prop.name} into ${runs} runs`,
          edit: { type: 'setThreading', propId: prop.id, threading: { ...prop.threading, runs } },
        },
      ];
  }
  return [];
}
