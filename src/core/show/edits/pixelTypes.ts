import { z } from 'zod';
import { electricSchema } from '../../catalogue/electric';
import { partNotesSchema } from '../../catalogue/partNotes';
import { pixelTypeSchema, timingSchema } from '../../catalogue/pixelType';
import { formatLength, type Lengths } from '../../units/length';
import { fieldWords } from '../fieldWords';
import { idSchema } from '../../fields/fields';
import { ShowError } from '../../fields/problem';
import { defineEdit, nameOf, namesOf, saidOf } from './definition';

export const addPixelType = defineEdit({
  schema: z.strictObject({ type: z.literal('addPixelType'), pixelType: pixelTypeSchema }),
  label: (_show, { pixelType }) => `Add the pixel type ${pixelType.name}`,
  apply: (draft, { pixelType }) => draft.add('pixelTypes', pixelType),
});

function changeWords(field: string, value: unknown, lengths: Lengths): string {
  if (field === 'bodyMm') return `${fieldWords(field)} ${formatLength(Number(value), lengths)}`;
  return typeof value === 'object' ? fieldWords(field) : `${fieldWords(field)} ${String(value)}`;
}

export const changePixelType = defineEdit({
  schema: z.strictObject({
    type: z.literal('changePixelType'),
    pixelTypeId: idSchema,
    change: pixelTypeSchema
      .omit({ id: true, order: true })
      .extend({
        // Null: nothing is said of it any more.
        timing: timingSchema.nullable(),
        electric: electricSchema.nullable(),
        notes: partNotesSchema.unwrap().nullable(),
      })
      .partial(),
  }),
  label: (show, { pixelTypeId, change }) =>
    `${nameOf(show.pixelTypes, pixelTypeId)}: ${Object.entries(change)
      .map(([field, value]) => changeWords(field, value, show.lengths))
      .join(', ')}`,
  apply: (draft, { pixelTypeId, change }) => {
    const { volts } = draft.need('pixelTypes', pixelTypeId);
    // A current is that of a part for its voltage: it says nothing of one for another.
    const isOther = change.volts !== undefined && change.volts !== volts && change.electric === undefined;
    draft.change('pixelTypes', pixelTypeId, {
      ...saidOf(change),
      ...(isOther && { electric: undefined }),
    });
  },
});

export const removePixelType = defineEdit({
  schema: z.strictObject({ type: z.literal('removePixelType'), pixelTypeId: idSchema }),
  label: (show, { pixelTypeId }) => `Remove the pixel type ${nameOf(show.pixelTypes, pixelTypeId)}`,
  apply: (draft, { pixelTypeId }) => {
    const pixelType = draft.need('pixelTypes', pixelTypeId);
    const users = draft.list('props').filter((prop) => prop.pixelTypeId === pixelTypeId);
    if (users.length > 0)
      throw new ShowError(
        `${pixelType.name} is used by ${namesOf(users)}. Give these props another pixel type first.`,
      );
    draft.remove('pixelTypes', pixelTypeId);
  },
});
