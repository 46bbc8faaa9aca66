import type { Controller } from '../catalogue/controller';
import { classOf } from '../catalogue/controllers/registry';
import type { Show } from '../show/schema';

/** Whether a controller is fed raw frames straight from the sender's port: it has no address, and is told no universes. */
export function takesRawFrames(
  { controllerTypes }: Pick<Show, 'controllerTypes'>,
  controller: Controller,
): boolean {
  const type = controllerTypes.find((each) => each.id === controller.typeId);
  return type !== undefined && classOf(type).takesRawFrames === true;
}
