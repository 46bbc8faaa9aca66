import { z } from 'zod';
import { paperSettingsSchema } from '../../catalogue/paper';
import { partsBookSchema, type PartsItem } from '../../catalogue/partsBook';
import { defineEdit } from './definition';
import { changedTo } from '../../fields/said';

const settings = paperSettingsSchema.shape;

export const setPapers = defineEdit({
  schema: z.strictObject({
    type: z.literal('setPapers'),
    change: z
      // Null goes back to the usual.
      .strictObject({
        size: settings.size.nullable(),
        host: settings.host.nullable(),
        labels: settings.labels.nullable(),
        explains: settings.explains.nullable(),
      })
      .partial(),
  }),
  label: () => 'How sheets are printed',
  apply: (draft, { change }) => draft.set('papers', changed(draft.show.papers, change)),
});

const bookItem = partsBookSchema.shape.items.unwrap().element.shape;

export const setParts = defineEdit({
  schema: z.strictObject({
    type: z.literal('setParts'),
    change: z
      .strictObject({
        currency: partsBookSchema.shape.currency.nullable(),
        minutesPerJoint: partsBookSchema.shape.minutesPerJoint.nullable(),
        sparePercent: partsBookSchema.shape.sparePercent.nullable(),
      })
      .partial(),
  }),
  label: () => 'Prices, spares and the pace of work',
  apply: (draft, { change }) => draft.set('parts', changed(draft.show.parts, change)),
});

export const setPart = defineEdit({
  schema: z.strictObject({
    type: z.literal('setPart'),
    part: bookItem.part,
    /** As the builder calls it. */
    name: z.string().min(1).max(120),
    change: z
      .strictObject({
        have: bookItem.have.nullable(),
        price: bookItem.price.nullable(),
        spare: bookItem.spare.nullable(),
      })
      .partial(),
  }),
  label: (_show, { name }) => `Part: ${name}`,
  apply: (draft, { part, change }) => {
    const items = draft.show.parts?.items ?? [];
    const own = items.find((each) => each.part === part);
    const next = changed<PartsItem>({ part, ...own }, change)!;
    const rest = items.filter((each) => each !== own);
    const all = Object.keys(next).length > 1 ? [...rest, next] : rest;
    draft.set('parts', changed(draft.show.parts, { items: all.length > 0 ? all : null }));
  },
});

/** A record of settings with some of them set, or taken away by null; nothing where none is left. */
function changed<Of extends object>(
  before: Of | undefined,
  change: { [Field in keyof Of]?: Of[Field] | null | undefined },
): Of | undefined {
  const next = changedTo(before, change);
  return Object.keys(next).length === 0 ? undefined : next;
}
