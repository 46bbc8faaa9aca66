import { tellingOf } from '../catalogue/controllers/telling';
import type { LaidShow } from '../plan/planned';
import { controllerAt } from '../plan/records';

/** The kind of a controller as far as what it is told goes. @param controller its index in the show */
export const tellingOfController = (plan: LaidShow, controller: number) =>
  tellingOf(kindOfController(plan, controller));

/** The kind of a controller; absent where nobody said it. */
export function kindOfController({ show }: LaidShow, controller: number) {
  const { typeId } = controllerAt({ show }, controller);
  return show.controllerTypes.find(({ id }) => id === typeId);
}
