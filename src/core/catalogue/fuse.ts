import { z } from 'zod';
import { itemAt } from '../units/there';

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

/** Usual blade fuses by their rating in amps, in milliohm: each loses 45 to 100 mV at 80 % of it. */
const MILLIOHM: readonly (readonly [amps: number, milliohm: number])[] = [
  [1, 123],
  [2, 53],
  [3, 31],
  [5, 17.5],
  [7.5, 11],
  [10, 7.6],
  [15, 4.8],
  [20, 3.4],
  [30, 1.9],
];
/** Contacts of its holder: 2 to 5 are usual. */
const HOLDER_MILLIOHM = 3.5;

/**
 * Resistance of a fuse in its holder, in ohm.
 *
 * @param amps its rating; between the usual sizes the resistance follows a power of the rating, and so beyond them
 */
export function fuseOhm(amps: number): number {
  const above = MILLIOHM.findIndex(([size]) => size >= amps);
  const to = above === -1 ? MILLIOHM.length - 1 : Math.max(1, above);
  const [[lowAmps, low], [highAmps, high]] = [itemAt(MILLIOHM, to - 1), itemAt(MILLIOHM, to)];
  const power = Math.log(high / low) / Math.log(highAmps / lowAmps);
  return (low * (amps / lowAmps) ** power + HOLDER_MILLIOHM) / 1000;
}
