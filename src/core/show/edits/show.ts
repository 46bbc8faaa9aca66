import { z } from 'zod';
import { addressingSchema, packingWords, type Addressing } from '../../catalogue/packing';
import { LENGTH_SYSTEMS } from '../../units/length';
import { siteSchema } from '../siteSchema';
import { nameSchema } from '../../fields/fields';
import { defineEdit } from './definition';
import { changedTo } from '../../fields/said';

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
      // Null goes back to what stands where nobody said it.
      .extend({
        showChannelsPerUniverse: addressingSchema.shape.showChannelsPerUniverse.nullable(),
        askBeforeMoving: addressingSchema.shape.askBeforeMoving.nullable(),
      }),
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
      change.askBeforeMoving !== undefined && ASKING_WORDS[String(change.askBeforeMoving)],
    ];
    return `Addresses: ${words.filter(Boolean).join(', ')}`;
  },
  apply: (draft, { change }) => draft.set('addressing', changedTo<Addressing>(draft.show.addressing, change)),
});

const ASKING_WORDS: Record<string, string> = {
  true: 'always ask before addresses move',
  false: 'never ask before addresses move',
  null: 'ask before addresses move once values are out',
};

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
