import { z } from 'zod';

/** Rates of serial lines that programs and boards offer. */
export const BAUDS = [115_200, 230_400, 460_800, 500_000, 921_600, 1_000_000, 2_000_000] as const;

/** The link from the picture to the pixels. */
export const linkWishSchema = z.strictObject({
  /** Pictures a second that are wanted, and that the capture gives. */
  wantedHz: z.int().min(1).max(240),
  captureHz: z.int().min(1).max(240),
  /** Work on one captured frame, in ms. */
  processingMs: z.number().min(0).max(1000),
  link: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('serial'),
      baud: z.int().min(9600).max(20_000_000),
      receivesWhileLit: z.boolean(),
    }),
    z.strictObject({ kind: z.literal('network'), isWireless: z.boolean() }),
    /** A pin of the computer that captures. */
    z.strictObject({ kind: z.literal('pin') }),
  ]),
  /** From a picture at the screen's socket to its light, in the picture mode that is used, in ms. */
  screenDelayMs: z.number().min(0).max(1000),
  /** Lights behind the picture as it was filmed, and what was worked out for the settings of then, both in ms. */
  measured: z
    .strictObject({
      behindMs: z.number().min(-1000).max(2000),
      workedOutMs: z.number().min(-1000).max(20_000),
    })
    .optional(),
});
export type LinkWish = z.infer<typeof linkWishSchema>;

export const USUAL_LINK: LinkWish = {
  wantedHz: 60,
  captureHz: 60,
  processingMs: 3,
  link: { kind: 'serial', baud: 230_400, receivesWhileLit: true },
  screenDelayMs: 0,
};

/** Delay of a network, in ms: a cable next to nothing, radio a few and now and then many. */
export const NETWORK_MS = { wired: 1, wireless: 6 } as const;
