import { universesOfController } from '../devices/universeSizes';
import type { Plan } from '../plan/planned';
import { controllerIndex, type OnController } from './fault';

/** Sizes of universes that are mistaken for the planned one, for a controller that has more than one universe. */
export function otherSizes(plan: Plan, place: OnController): number[] {
  const sizes = [...universesOfController(plan, controllerIndex(plan, place)).values()];
  return sizes.length < 2 ? [] : [510, 512].filter((size) => sizes.some((each) => each !== size));
}

export const usesUniverses = (plan: Plan, place: OnController) =>
  universesOfController(plan, controllerIndex(plan, place)).size > 0;
