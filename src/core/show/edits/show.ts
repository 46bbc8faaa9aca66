import { z } from 'zod';
import { addressingSchema, packingWords } from '../../catalogue/packing';
import { siteSchema } from '../siteSchema';
import { nameSchema } from '../../fields/fields';
import { defineEdit } from './definition';

export const renameShow = defineEdit({
  schema: z.strictObject({ type: z.literal('renameShow'), name: nameSchema }),
  label: (_show, { name }) => `Rename the show to ${name}`,
  apply: (draft, { name }) => draft.set('name', name),
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
      change.order && `channels in the order of ${change.order}`,
      change.firstShowChannel !== undefined && `first show channel ${change.firstShowChannel}`,
      change.wantedRateHz !== undefined && `${change.wantedRateHz} pictures a second`,
      change.askBeforeMoving !== undefined &&
        (change.askBeforeMoving ? 'ask before addresses move' : 'addresses may move'),
    ];
    return `Addresses: ${words.filter(Boolean).join(', ')}`;
  },
  apply: (draft, { change }) => draft.set('addressing', { ...draft.show.addressing, ...change }),
});

export const setSite = defineEdit({
  schema: z.strictObject({ type: z.literal('setSite'), site: siteSchema.nullable() }),
  label: (_show, { site }) => (site ? 'Set up the site drawing' : 'Put the site drawing away'),
  apply: (draft, { site }) => draft.set('site', site ?? undefined),
});
