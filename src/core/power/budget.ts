import { LOADING } from '../catalogue/supply';

/** Loads of a supply, in amps. */
export interface Load {
  /** Boards and other loads: no level changes them. */
  otherAmps: number;
  /** All its pixels while they are dark. */
  idleAmps: number;
  /** All its pixels at full white, the dark current included. */
  whiteAmps: number;
}

/** The brightest level of a load on a supply. */
export interface Cap {
  /** In whole percent of the bytes, rounded down; 0 where even dark is too much. */
  percent: number;
  /** The value for a limiter that counts the current of its pixels alone, in mA, rounded down. */
  limiterMa: number;
}

/**
 * The most that a load may be capped at so that its supply gives no more than it carries. What pixels take while dark is not dimmed.
 *
 * @param carriesAmps the rating, or its 80 % for what runs for hours
 */
export function capOn(carriesAmps: number, { otherAmps, idleAmps, whiteAmps }: Load): Cap {
  const forPixels = carriesAmps - otherAmps;
  const share = whiteAmps === idleAmps ? 1 : (forPixels - idleAmps) / (whiteAmps - idleAmps);
  return {
    percent: Math.min(100, Math.max(0, Math.floor(100 * share + 1e-9))),
    limiterMa: Math.max(0, Math.floor(1000 * Math.min(forPixels, whiteAmps) + 1e-6)),
  };
}

/** So many of some pixels that are alike run at full white beside what else hangs on a supply. */
export function pixelsOn(carriesAmps: number, otherAmps: number, eachAmps: number): number {
  return eachAmps > 0 ? Math.max(0, Math.floor((carriesAmps - otherAmps) / eachAmps + 1e-9)) : 0;
}

/** Both shares of a rating that are told: all of it, and what is carried for hours. */
export const bothOf = (ratedAmps: number) => ({ rating: ratedAmps, hours: ratedAmps * LOADING });
