import { formatAmps } from '../units/electric';
import type { Parsed } from '../units/length';

/** A piece of what a pattern was measured on. */
interface MeasuredOn {
  /** Pixels or panels of the piece. */
  count: number;
  /** Amps of one of them while dark. */
  darkAmps: number;
  /** Amps of one of them at full white. */
  whiteAmps: number;
}

/**
 * The current of a moving pattern, as a share of full white: (measured / count - dark) / (full white - dark). Rounded up to a tenth, since
 * loads are added up with it.
 *
 * @param amps what the meter showed on the piece, the mean over a while
 * @returns percent, 0 to 100
 */
export function patternPercent(amps: number, { count, darkAmps, whiteAmps }: MeasuredOn): Parsed<number> {
  if (whiteAmps <= darkAmps)
    return {
      ok: false,
      message: 'Nothing is known of what it draws at full white. Say that first, on Draw.',
    };
  const least = count * darkAmps;
  const most = count * whiteAmps;
  if (amps < least - 1e-9 || amps > most + 1e-9)
    return {
      ok: false,
      message: `${formatAmps(amps)} cannot be: dark, these draw ${formatAmps(least)}, and ${formatAmps(most)} at full white by the plan. Was it the whole piece? If so, correct on Draw what a pixel draws first.`,
    };
  const percent = (100 * (amps - least)) / (most - least);
  return { ok: true, value: Math.min(100, Math.max(0, Math.ceil(percent * 10 - 1e-6) / 10)) };
}
