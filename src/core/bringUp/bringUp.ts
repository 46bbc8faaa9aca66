import { controllersOfProp } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { deviceSteps } from './deviceSteps';
import { propSteps } from './propSteps';
import { BRING_UP_STAGES, type BringUpStep } from './step';

/** All that is gone through to bring a prop up, stage by stage: its devices first. */
export function bringUpOf(plan: Plan, prop: number): BringUpStep[] {
  const steps = [
    ...[...controllersOfProp(plan, prop)].flatMap((controller) => deviceSteps(plan, controller)),
    ...propSteps(plan, prop),
  ];
  return BRING_UP_STAGES.flatMap((stage) => steps.filter((step) => step.stage === stage));
}
