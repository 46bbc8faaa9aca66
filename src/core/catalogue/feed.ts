import { z } from 'zod';
import { idSchema, nameSchema } from '../fields/fields';
import { orderSchema } from '../fields/order';
import { connectorIdSchema } from './connector';
import { fuseAmpsSchema } from './fuse';
import { wireIdSchema } from './wire';

export const MOST_LEAD_MM = 1_000_000;

/** The end of a feed, or a tap. Pixels are counted from 1 in the data order of their run, panels from the top left of the front. */
const feedEndSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('pixel'),
    propId: idSchema,
    run: z.int().min(1).max(500),
    pixel: z.int().min(1).max(100_000),
  }),
  z.strictObject({
    kind: z.literal('panel'),
    propId: idSchema,
    column: z.int().min(1).max(256),
    row: z.int().min(1).max(256),
  }),
  z.strictObject({ kind: z.literal('controller'), controllerId: idSchema }),
]);
export type FeedEnd = z.infer<typeof feedEndSchema>;

/**
 * A power lead: plus and ground side by side, with one fuse at its source. It may be tapped on its way: each piece goes on from where
 * the one before ended, with a length and a size of its own.
 */
export const feedSchema = z.strictObject({
  id: idSchema,
  /** The mark on both of its ends, so that it stays when others go. */
  name: nameSchema,
  from: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('supply'), supplyId: idSchema }),
    /** A controller that passes on what feeds it. */
    z.strictObject({
      kind: z.literal('port'),
      controllerId: idSchema,
      port: z.int().min(1).max(256),
    }),
  ]),
  /** At its source; absent while there is none. */
  fuseAmps: fuseAmpsSchema.optional(),
  /** It joins grounds alone: plus stays apart, as between zones of two supplies. It needs no fuse. */
  groundOnly: z.literal(true).optional(),
  /** The weakest plug or joint in it; absent where it is soldered or crimped throughout. */
  connector: connectorIdSchema.optional(),
  pieces: z
    .array(
      z.strictObject({
        /** One way. */
        lengthMm: z.number().min(1).max(MOST_LEAD_MM),
        wire: wireIdSchema,
        to: feedEndSchema,
      }),
    )
    .min(1)
    .max(200),
  order: orderSchema,
});
export type Feed = z.infer<typeof feedSchema>;
export type FeedPiece = Feed['pieces'][number];
/** A lead that is not in the show yet: it has no name of its own. */
export type NewFeed = Omit<Feed, 'id' | 'name'>;

/** Leads with ids and with names that none of the show has: `Lead 7`. */
export function namedLeads(
  taken: readonly Pick<Feed, 'name'>[],
  feeds: readonly NewFeed[],
  idOf: (index: number) => string,
): Feed[] {
  const names = new Set(taken.map((feed) => feed.name.toLowerCase()));
  let number = 0;
  return feeds.map((feed, index) => {
    do number += 1;
    while (names.has(`lead ${number}`));
    return { ...feed, id: idOf(index), name: `Lead ${number}` };
  });
}

/** Plus is cut between a pixel and the next; ground and data go on. */
export const cutSchema = z.strictObject({
  id: idSchema,
  propId: idSchema,
  run: z.int().min(1).max(500),
  afterPixel: z.int().min(1).max(100_000),
  order: orderSchema,
});
export type Cut = z.infer<typeof cutSchema>;
