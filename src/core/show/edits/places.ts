import { z } from 'zod';
import { idSchema, nameSchema } from '../../fields/fields';
import { ShowError } from '../../fields/problem';
import { placeSchema } from '../schema';
import { defineEdit, nameOf, namesOf } from './definition';

export const addPlace = defineEdit({
  schema: z.strictObject({
    type: z.literal('addPlace'),
    place: placeSchema,
    index: z.int().min(0).optional(),
  }),
  label: (_show, { place }) => `Add the place ${place.name}`,
  apply: (draft, { place, index }) => draft.add('places', place, index),
});

export const renamePlace = defineEdit({
  schema: z.strictObject({ type: z.literal('renamePlace'), placeId: idSchema, name: nameSchema }),
  label: (show, { placeId, name }) => `Rename ${nameOf(show.places, placeId)} to ${name}`,
  apply: (draft, { placeId, name }) => draft.change('places', placeId, { name }),
});

export const movePlace = defineEdit({
  schema: z.strictObject({ type: z.literal('movePlace'), placeId: idSchema, index: z.int().min(0) }),
  label: (show, { placeId }) => `Move the place ${nameOf(show.places, placeId)}`,
  apply: (draft, { placeId, index }) => draft.move('places', placeId, index),
});

export const removePlace = defineEdit({
  schema: z.strictObject({ type: z.literal('removePlace'), placeId: idSchema }),
  label: (show, { placeId }) => `Remove the place ${nameOf(show.places, placeId)}`,
  apply: (draft, { placeId }) => {
    const place = draft.need('places', placeId);
    const there = draft.list('props').filter((prop) => prop.placeId === placeId);
    if (there.length > 0)
      throw new ShowError(`${place.name} still holds ${namesOf(there)}. Move these props first.`);
    draft.remove('places', placeId);
  },
});
