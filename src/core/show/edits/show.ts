import { z } from 'zod';
import { addressingSchema, packingWords } from '../../catalogue/packing';
import { LENGTH_SYSTEMS } from '../../units/length';
import { siteSchema } from '../siteSchema';
import { nameSchema } from '../../fields/fields';
import { defineEdit } from './definition';

export const renameShow = defineEdit({
  schema: z.strictObject({ type: z.literal('renameShow'), name: nameSchema }),
  label: (_show, { name }) => `Rename the show to ${name}`,
  apply: (draft, { name }) => draft.set('name', name),
});

export const setAddressing = defineEdit({
  schema: z.strictObject({
    type: z.literal('setAddressing'),
    change: addressingSchema
      .partial()
      // Null goes back to what its packing holds.
      .extend({ showChannelsPerUniverse: addressingSchema.shape.showChannelsPerUniverse.nullable() }),
  }),
  label: (_show, { change }) => {
    const words = [
      change.packing && packingWords(change.packing),
      change.newUniverse &&
        (change.newUniverse === 'never'
          ? 'no new universe at boundaries'
          : `new universe per ${change.newUniverse}`),
      change.order && `channels in the order of ${change.order}`,
      change.firstShowChannel !== undefined && `first show channel ${change.firstShowChannel}`,
      change.showChannelsPerUniverse !== undefined &&
        (change.showChannelsPerUniverse === null
          ? 'a universe counts what its packing holds'
          : `a universe counts ${change.showChannelsPerUniverse} show channels`),
      change.wantedRateHz !== undefined && `${change.wantedRateHz} pictures a second`,
      change.coloursAt && `colours corrected at the ${change.coloursAt}`,
      change.askBeforeMoving !== undefined &&
        (change.askBeforeMoving ? 'ask before addresses move' : 'addresses may move'),
    ];
    return `Addresses: ${words.filter(Boolean).join(', ')}`;
  },
  apply: (draft, { change: { showChannelsPerUniverse: counted, ...change } }) => {
    const { showChannelsPerUniverse: was, ...rest } = draft.show.addressing;
    const now = counted === undefined ? was : (counted ?? undefined);
    draft.set('addressing', { ...rest, ...change, ...(now && { showChannelsPerUniverse: now }) });
  },
});

export const setLengths = defineEdit({
  schema: z.strictObject({ type: z.literal('setLengths'), lengths: z.enum(LENGTH_SYSTEMS) }),
  label: (_show, { lengths }) => `Lengths in ${lengths === 'imperial' ? 'feet and inches' : 'metres'}`,
  apply: (draft, { lengths }) => draft.set('lengths', lengths === 'metric' ? undefined : lengths),
});

export const setSite = defineEdit({
  schema: z.strictObject({ type: z.literal('setSite'), site: siteSchema.nullable() }),
  label: (_show, { site }) => (site ? 'Set up the site drawing' : 'Put the site drawing away'),
  apply: (draft, { site }) => draft.set('site', site ?? undefined),
});
