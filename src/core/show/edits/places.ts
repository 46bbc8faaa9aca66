import { z } from 'zod';
import { idSchema, nameSchema } from '../fields';
import { ShowError } from '../problem';
import { placeSchema } from '../schema';
import { defineEdit, insertAt, moveTo, nameOf, need } from './definition';

export const addPlace = defineEdit({
  schema: z.strictObject({
    type: z.literal('addPlace'),
    place: placeSchema,
    index: z.int().min(0).optional(),
  }),
  label: (_show, { place }) => `Add the place ${place.name}`,
  apply: (draft, { place, index }) => insertAt(draft.places, place, index),
});

export const renamePlace = defineEdit({
  schema: z.strictObject({ type: z.literal('renamePlace'), placeId: idSchema, name: nameSchema }),
  label: (show, { placeId, name }) => `Rename ${nameOf(show.places, placeId)} to ${name}`,
  apply: (draft, { placeId, name }) => {
    need(draft.places, placeId, 'place').name = name;
  },
});

export const movePlace = defineEdit({
  schema: z.strictObject({ type: z.literal('movePlace'), placeId: idSchema, index: z.int().min(0) }),
  label: (show, { placeId }) => `Move the place ${nameOf(show.places, placeId)}`,
  apply: (draft, { placeId, index }) => moveTo(draft.places, need(draft.places, placeId, 'place'), index),
});

export const removePlace = defineEdit({
  schema: z.strictObject({ type: z.literal('removePlace'), placeId: idSchema }),
  label: (show, { placeId }) => `Remove the place ${nameOf(show.places, placeId)}`,
  apply: (draft, { placeId }) => {
    const place = need(draft.places, placeId, 'place');
    const there = draft.props.filter((prop) => prop.placeId === placeId).map((prop) => prop.name);
    if (there.length > 0)
      throw new ShowError(
        `${place.name} still holds ${there.slice(0, 3).join(', ')}${there.length > 3 ? ` and ${there.length - 3} more` : ''}. Move these props first.`,
      );
    draft.places.splice(draft.places.indexOf(place), 1);
  },
});
