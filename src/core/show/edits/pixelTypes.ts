import { z } from 'zod';
import { pixelTypeSchema } from '../../catalogue/pixelType';
import { idSchema } from '../fields';
import { ShowError } from '../problem';
import { defineEdit, nameOf, need } from './definition';

export const addPixelType = defineEdit({
  schema: z.strictObject({ type: z.literal('addPixelType'), pixelType: pixelTypeSchema }),
  label: (_show, { pixelType }) => `Add the pixel type ${pixelType.name}`,
  apply: (draft, { pixelType }) => {
    draft.pixelTypes.push(pixelType);
  },
});

export const changePixelType = defineEdit({
  schema: z.strictObject({
    type: z.literal('changePixelType'),
    pixelTypeId: idSchema,
    change: pixelTypeSchema.omit({ id: true }).partial(),
  }),
  label: (show, { pixelTypeId, change }) =>
    `${nameOf(show.pixelTypes, pixelTypeId)}: ${Object.entries(change)
      .map(([field, value]) => `${field === 'colourOrder' ? 'colour order' : field} ${value}`)
      .join(', ')}`,
  apply: (draft, { pixelTypeId, change }) => {
    Object.assign(need(draft.pixelTypes, pixelTypeId, 'pixel type'), change);
  },
});

export const removePixelType = defineEdit({
  schema: z.strictObject({ type: z.literal('removePixelType'), pixelTypeId: idSchema }),
  label: (show, { pixelTypeId }) => `Remove the pixel type ${nameOf(show.pixelTypes, pixelTypeId)}`,
  apply: (draft, { pixelTypeId }) => {
    const pixelType = need(draft.pixelTypes, pixelTypeId, 'pixel type');
    const users = draft.props.filter((prop) => prop.pixelTypeId === pixelTypeId).map((prop) => prop.name);
    if (users.length > 0)
      throw new ShowError(
        `${pixelType.name} is used by ${users.slice(0, 3).join(', ')}${users.length > 3 ? ` and ${users.length - 3} more` : ''}. Give these props another pixel type first.`,
      );
    draft.pixelTypes.splice(draft.pixelTypes.indexOf(pixelType), 1);
  },
});
