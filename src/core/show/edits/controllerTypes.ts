import { z } from 'zod';
import { controllerTypeSchema } from '../../catalogue/controllerType';
import { idSchema } from '../fields';
import { ShowError } from '../problem';
import { defineEdit, nameOf } from './definition';

/** Adds a kind of controller to the show, or puts a changed one in the place of that with its id. */
export const setControllerType = defineEdit({
  schema: z.strictObject({ type: z.literal('setControllerType'), controllerType: controllerTypeSchema }),
  label: (show, { controllerType }) =>
    `${show.controllerTypes?.some((each) => each.id === controllerType.id) ? 'Change' : 'Add'} the kind ${controllerType.name}`,
  apply: (draft, { controllerType }) => {
    const types = (draft.controllerTypes ??= []);
    const at = types.findIndex((each) => each.id === controllerType.id);
    if (at === -1) types.push(controllerType);
    else types[at] = controllerType;
  },
});

export const removeControllerType = defineEdit({
  schema: z.strictObject({ type: z.literal('removeControllerType'), typeId: idSchema }),
  label: (show, { typeId }) => `Remove the kind ${nameOf(show.controllerTypes ?? [], typeId)}`,
  apply: (draft, { typeId }) => {
    const users = draft.controllers.filter((controller) => controller.typeId === typeId);
    if (users.length > 0)
      throw new ShowError(`${users[0]!.name} is of this kind. Give it another one first.`);
    draft.controllerTypes = (draft.controllerTypes ?? []).filter((each) => each.id !== typeId);
  },
});
