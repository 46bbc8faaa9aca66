import { z } from 'zod';
import { controllerTypeSchema } from '../../catalogue/controllerType';
import { idSchema } from '../../fields/fields';
import { ShowError } from '../../fields/problem';
import { defineEdit, nameOf, namesOf } from './definition';

/** Adds a kind of controller to the show, or puts a changed one in the place of that with its id. */
export const setControllerType = defineEdit({
  schema: z.strictObject({ type: z.literal('setControllerType'), controllerType: controllerTypeSchema }),
  label: (show, { controllerType }) =>
    `${show.controllerTypes.some((each) => each.id === controllerType.id) ? 'Change' : 'Add'} the kind ${controllerType.name}`,
  apply: (draft, { controllerType }) => {
    const earlier = draft.find('controllerTypes', controllerType.id);
    if (!earlier) return draft.add('controllerTypes', controllerType);
    // A field that the changed kind no longer has is gone.
    const gone = Object.fromEntries(Object.keys(earlier).map((field) => [field, undefined]));
    const { order: _, ...fields } = { ...gone, ...controllerType, order: undefined };
    draft.change('controllerTypes', controllerType.id, fields);
  },
});

export const removeControllerType = defineEdit({
  schema: z.strictObject({ type: z.literal('removeControllerType'), typeId: idSchema }),
  label: (show, { typeId }) => `Remove the kind ${nameOf(show.controllerTypes, typeId)}`,
  apply: (draft, { typeId }) => {
    const users = draft.list('controllers').filter((controller) => controller.typeId === typeId);
    if (users.length > 0)
      throw new ShowError(
        `${namesOf(users)} ${users.length === 1 ? 'is' : 'are'} of this kind. Give ${users.length === 1 ? 'it' : 'them'} another one first.`,
      );
    draft.remove('controllerTypes', typeId);
  },
});
