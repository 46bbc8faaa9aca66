import type { Plan } from '../plan/planned';
import { drivenOnPort, drivenPixels } from '../devices/drivenPixels';
import { portName } from '../catalogue/controller';
import { countOf, groupDigits } from '../units/number';
import type { PlannedPort } from '../patch/plug';
import { defineCheck, type Mend } from './check';
import { moveElsewhere } from './moveElsewhere';
import { splitToFit } from './splitToFit';
import { lastOf } from '../units/there';
import { controllerAt, propOfRun, wireOfRun } from '../plan/records';

export const portOverLimit = defineCheck(
  'port-over-limit',
  'No port holds more pixels than its controller can drive there. Skipped pixels count: the controller clocks them out.',
  (plan) =>
    plan.ports.flatMap((port) => {
      const controller = controllerAt(plan, port.controller);
      const limit = controller.mostPixelsPerPort;
      const driven = drivenOnPort(plan, port);
      if (driven <= limit) return [];
      const words = driven === port.places ? 'holds' : 'has a card with';
      return [
        {
          rank: 'willNotLight' as const,
          stage: 'patch' as const,
          propId: propOfRun(plan, lastOf(port.runs)).id,
          controllerId: controller.id,
          message: `Port ${portName(controller, port.port)} ${words} ${countOf(driven, 'pixel')}, ${groupDigits(driven - limit)} more than the ${groupDigits(limit)} that ${controller.name} drives on a port. The rest stays dark.`,
          mends: relief(plan, port, limit),
        },
      ];
    }),
);

/** Moves the last runs of a port elsewhere, as many as it takes; splits what is too long by itself. */
function relief(plan: Plan, port: PlannedPort, limit: number): Mend[] {
  const on = (run: number) => wireOfRun(plan, run).skippedPixels + drivenPixels(plan, run);
  const stays = [...port.runs];
  const moved: number[] = [];
  let driven = drivenOnPort(plan, port);
  while (driven > limit && stays.length > 1) {
    const run = stays.pop()!;
    moved.unshift(run);
    driven -= on(run);
  }
  if (driven <= limit) return moveElsewhere(plan, moved);
  return moved.length === 0 ? splitToFit(plan, port, limit) : [];
}
