import { z } from 'zod';

/** The sizes in which blade fuses are sold, in amps. */
export const FUSE_AMPS = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40] as const;

export const fuseAmpsSchema = z.literal(FUSE_AMPS);
export type FuseAmps = z.infer<typeof fuseAmpsSchema>;

/** A fuse carries so much of its rating for hours. */
export const FUSE_SHARE = 0.8;

/**
 * The fuse of a lead: the next size at or above its load / 0.8, and never above what its weakest part carries.
 *
 * @returns null where there is none: the load is too much for the lead.
 */
export function fuseFor(loadAmps: number, carriesAmps: number): FuseAmps | null {
  // Rounding must not ask for the next size: 6.4 / 0.8 is a little above 8.
  const needed = loadAmps / FUSE_SHARE - 1e-9;
  const size = FUSE_AMPS.find((amps) => amps >= needed);
  return size !== undefined && size <= carriesAmps ? size : null;
}
