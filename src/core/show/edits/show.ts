import { z } from 'zod';
import { addressingSchema, packingWords } from '../../addressing/packing';
import { nameSchema } from '../fields';
import { defineEdit } from './definition';

export const renameShow = defineEdit({
  schema: z.strictObject({ type: z.literal('renameShow'), name: nameSchema }),
  label: (_show, { name }) => `Rename the show to ${name}`,
  apply: (draft, { name }) => {
    draft.name = name;
  },
});

export const setAddressing = defineEdit({
  schema: z.strictObject({ type: z.literal('setAddressing'), change: addressingSchema.partial() }),
  label: (_show, { change }) => {
    const words = [
      change.packing && packingWords(change.packing),
      change.newUniverse &&
        (change.newUniverse === 'never'
          ? 'no new universe at boundaries'
          : `new universe per ${change.newUniverse}`),
    ];
    return `Packing: ${words.filter(Boolean).join(', ')}`;
  },
  apply: (draft, { change }) => {
    Object.assign(draft.addressing, change);
  },
});
