import { z } from 'zod';
import { CORRECTED_AT } from '../colours/order';

export const UNIVERSE_SLOTS = 512;

/** Whether strands are kept whole: a universe holds as many of them as fit. */
export function keepsStrandsWhole(newUniverse: NewUniverse): boolean {
  return newUniverse === 'wholeStrands' || newUniverse === 'wholeStrandsPerPort';
}

/** Filling of universes with channels. Sender and receiver must agree, or colours rotate and the picture creeps. */
export const packingSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('wholePixels') }),
  z.strictObject({ kind: z.literal('full512') }),
  z.strictObject({
    kind: z.literal('custom'),
    channelsPerUniverse: z.int().min(1).max(UNIVERSE_SLOTS),
  }),
]);
export type Packing = z.infer<typeof packingSchema>;

/** Starts of new universes, besides full ones. */
export const NEW_UNIVERSE = [
  'controller',
  'port',
  'run',
  'strand',
  'wholeStrands',
  'wholeStrandsPerPort',
  'fixture',
  'never',
] as const;
export type NewUniverse = (typeof NEW_UNIVERSE)[number];

export const NEW_UNIVERSE_WORDS: Record<NewUniverse, string> = {
  controller: 'per controller',
  port: 'per port',
  run: 'per run',
  strand: 'per strand',
  wholeStrands: 'where the next whole strand does not fit',
  wholeStrandsPerPort: 'per port, and where the next whole strand does not fit',
  fixture: 'per tile',
  never: 'only when full',
};

export const addressingSchema = z.strictObject({
  packing: packingSchema,
  newUniverse: z.enum(NEW_UNIVERSE),
  /** Channels inside a controller follow its ports, unless they are to follow the list of props. */
  order: z.enum(['ports', 'props']).optional(),
  /** Number of the first channel of the show; 1 unless another program begins elsewhere. */
  firstShowChannel: z.int().min(1).max(10_000_000).optional(),
  /** Show channels for every universe; those of its packing where nobody said it. */
  showChannelsPerUniverse: z.literal([510, 512]).optional(),
  /** Pictures a second that every port is to show. */
  wantedRateHz: z.int().min(1).max(200).optional(),
  /** The end at which colours are put into the order of the chips; the controller where nobody said it. */
  coloursAt: z.enum(CORRECTED_AT).optional(),
  /** Whether a change that moves addresses is shown first. Where nobody said it: once values of the show are out. */
  askBeforeMoving: z.boolean().optional(),
});
export type Addressing = z.infer<typeof addressingSchema>;

/** Frame rate of a show for which no other is set, in fps. */
const USUAL_RATE_HZ = 20;

/** Pictures a second that every part of a show is to have. */
export function wantedRateOf(addressing: Addressing): number {
  return addressing.wantedRateHz ?? USUAL_RATE_HZ;
}

/** Slots of a universe that this packing may use. */
export function slotsPerUniverse(packing: Packing): number {
  return packing.kind === 'custom' ? packing.channelsPerUniverse : UNIVERSE_SLOTS;
}

/** Channels that are never parted: a whole pixel, or a single channel where pixels may straddle two universes. */
export function unitChannels(packing: Packing, channelsPerPixel: number): number {
  return packing.kind === 'wholePixels' ? channelsPerPixel : 1;
}

/**
 * Channels of one universe that hold data when it is filled with pixels of one size: 510 for RGB and 512 for RGBW by
 * whole pixels, 512 when full, k for a custom size.
 */
export function usableChannels(packing: Packing, channelsPerPixel: number): number {
  const unit = unitChannels(packing, channelsPerPixel);
  return Math.floor(slotsPerUniverse(packing) / unit) * unit;
}

/** A policy in a few words, such as `whole pixels` or `150 channels per universe`. */
export function packingWords(packing: Packing): string {
  if (packing.kind === 'wholePixels') return 'whole pixels';
  return packing.kind === 'full512' ? 'full 512' : `${packing.channelsPerUniverse} channels per universe`;
}
