import { z } from 'zod';
import { cutSchema, feedSchema, type Feed, type FeedEnd } from '../../catalogue/feed';
import { supplySchema } from '../../catalogue/supply';
import { idSchema } from '../../fields/fields';
import { countOf } from '../../units/number';
import type { ShowDraft } from '../draft';
import { fieldWords } from '../fieldWords';
import { powerPolicySchema, type Show } from '../schema';
import { defineEdit, nameOf, saidOf } from './definition';
import { itemAt } from '../../units/there';

const addSupply = defineEdit({
  schema: z.strictObject({ type: z.literal('addSupply'), supply: supplySchema }),
  label: (_show, { supply }) => `Add the supply ${supply.name}`,
  apply: (draft, { supply }) => draft.add('supplies', supply),
});

const changeSupply = defineEdit({
  schema: z.strictObject({
    type: z.literal('changeSupply'),
    supplyId: idSchema,
    change: supplySchema
      .omit({ id: true, order: true })
      .extend({
        // Null: nothing is said of it any more.
        placeId: idSchema.nullable(),
        others: supplySchema.shape.others.unwrap().nullable(),
        fuseRow: supplySchema.shape.fuseRow.unwrap().nullable(),
        notes: supplySchema.shape.notes.unwrap().nullable(),
      })
      .partial(),
  }),
  label: (show, { supplyId, change }) =>
    `${nameOf(show.supplies, supplyId)}: ${Object.keys(change).map(fieldWords).join(', ')}`,
  apply: (draft, { supplyId, change }) => draft.change('supplies', supplyId, saidOf(change)),
});

const removeSupply = defineEdit({
  schema: z.strictObject({ type: z.literal('removeSupply'), supplyId: idSchema }),
  label: (show, { supplyId }) => {
    const leads = show.feeds.filter((feed) => isFrom(feed, supplyId)).length;
    const words = `Remove the supply ${nameOf(show.supplies, supplyId)}`;
    return leads === 0 ? words : `${words} and its ${countOf(leads, 'lead')}`;
  },
  apply: (draft, { supplyId }) => {
    draft.remove('supplies', supplyId);
    draft.removeWhere('feeds', (feed) => isFrom(feed, supplyId));
  },
});

const addFeed = defineEdit({
  schema: z.strictObject({ type: z.literal('addFeed'), feed: feedSchema }),
  label: (show, { feed }) => `Add a lead ${leadWords(show, feed)}`,
  apply: (draft, { feed }) => draft.add('feeds', feed),
});

const changeFeed = defineEdit({
  schema: z.strictObject({
    type: z.literal('changeFeed'),
    feedId: idSchema,
    change: feedSchema
      .omit({ id: true, order: true })
      .extend({
        fuseAmps: feedSchema.shape.fuseAmps.unwrap().nullable(),
        connector: feedSchema.shape.connector.unwrap().nullable(),
        groundOnly: feedSchema.shape.groundOnly.unwrap().nullable(),
      })
      .partial(),
  }),
  label: (show, { feedId, change }) => {
    const feed = show.feeds.find((each) => each.id === feedId);
    return `Lead ${feed ? leadWords(show, feed) : feedId}: ${Object.keys(change).map(fieldWords).join(', ')}`;
  },
  apply: (draft, { feedId, change }) => draft.change('feeds', feedId, saidOf(change)),
});

const removeFeed = defineEdit({
  schema: z.strictObject({ type: z.literal('removeFeed'), feedId: idSchema }),
  label: (show, { feedId }) => {
    const feed = show.feeds.find((each) => each.id === feedId);
    return `Remove the lead ${feed ? leadWords(show, feed) : feedId}`;
  },
  apply: (draft, { feedId }) => draft.remove('feeds', feedId),
});

const addCut = defineEdit({
  schema: z.strictObject({ type: z.literal('addCut'), cut: cutSchema }),
  label: (show, { cut }) => `Cut plus of ${nameOf(show.props, cut.propId)} after pixel ${cut.afterPixel}`,
  apply: (draft, { cut }) => draft.add('cuts', cut),
});

const removeCut = defineEdit({
  schema: z.strictObject({ type: z.literal('removeCut'), cutId: idSchema }),
  label: (show, { cutId }) => {
    const cut = show.cuts.find((each) => each.id === cutId);
    return cut
      ? `Join plus of ${nameOf(show.props, cut.propId)} again after pixel ${cut.afterPixel}`
      : 'Join plus again';
  },
  apply: (draft, { cutId }) => draft.remove('cuts', cutId),
});

const setPower = defineEdit({
  schema: z.strictObject({ type: z.literal('setPower'), power: powerPolicySchema }),
  label: (_show, { power }) => `Power is planned for ${power.levelPercent} %`,
  apply: (draft, { power }) => draft.set('power', power),
});

export const edits = {
  addSupply,
  changeSupply,
  removeSupply,
  addFeed,
  changeFeed,
  removeFeed,
  addCut,
  removeCut,
  setPower,
};

function isFrom({ from }: Feed, supplyId: string): boolean {
  return from.kind === 'supply' && from.supplyId === supplyId;
}

/** The way of a lead, for the history: `from Supply 1 to Net curtain`. */
function leadWords(show: Show, { from, pieces }: Feed): string {
  const source =
    from.kind === 'supply'
      ? nameOf(show.supplies, from.supplyId)
      : nameOf(show.controllers, from.controllerId);
  const { to } = itemAt(pieces, 0);
  const end =
    to.kind === 'controller' ? nameOf(show.controllers, to.controllerId) : nameOf(show.props, to.propId);
  return `from ${source} to ${end}`;
}

/** Takes ends off all leads. The length of a piece that ended there goes to the next, which now goes all the way; a lead without any end goes. */
export function endLeads(draft: ShowDraft, isGone: (end: FeedEnd) => boolean): void {
  for (const feed of [...draft.list('feeds')]) {
    if (!feed.pieces.some(({ to }) => isGone(to))) continue;
    const pieces: Feed['pieces'] = [];
    let beforeMm = 0;
    for (const piece of feed.pieces) {
      const lengthMm = piece.lengthMm + beforeMm;
      beforeMm = isGone(piece.to) ? lengthMm : 0;
      if (beforeMm === 0) pieces.push({ ...piece, lengthMm });
    }
    if (pieces.length === 0) draft.remove('feeds', feed.id);
    else draft.change('feeds', feed.id, { pieces });
  }
}
