import type { Controller } from '../catalogue/controller';
import type { Show } from '../show/schema';

/** Bits a second of the serial line that feeds a controller; null where it is on a network. */
export function baudOf(
  { controllerTypes }: Pick<Show, 'controllerTypes'>,
  controller: Controller,
): number | null {
  return controllerTypes.find((each) => each.id === controller.typeId)?.baud ?? null;
}
