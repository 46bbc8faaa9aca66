import type { Plan } from '../plan/planned';
import { deviceSteps } from './deviceSteps';
import { propSteps } from './propSteps';
import { BRING_UP_STAGES, type BringUpStep } from './step';

/** Indices of the devices that drive a prop, in the order of its runs. */
export function devicesOf(plan: Plan, prop: number): number[] {
  const { firstRun, runCount } = plan.props[prop]!;
  return [
    ...new Set(
      plan.runs.slice(firstRun, firstRun + runCount).flatMap(({ wire }) => (wire ? [wire.controller] : [])),
    ),
  ];
}

/** All that is gone through to bring a prop up, stage by stage: its devices first. */
export function bringUpOf(plan: Plan, prop: number): BringUpStep[] {
  const steps = [
    ...devicesOf(plan, prop).flatMap((controller) => deviceSteps(plan, controller)),
    ...propSteps(plan, prop),
  ];
  return BRING_UP_STAGES.flatMap((stage) => steps.filter((step) => step.stage === stage));
}
