/** Codes that somebody before a pixel can tell apart. One byte a pixel. */
export const PERCEIVED = [
  'dark',
  'red',
  'green',
  'yellow',
  'blue',
  'magenta',
  'cyan',
  'white',
  'warm white',
  'dim red',
  'dim green',
  'dim yellow',
  'dim blue',
  'dim magenta',
  'dim cyan',
  'dim white',
  'dim warm white',
  'flickering',
] as const;

export const SEEN_DARK = 0;
/** The code of a pixel that nobody described. */
export const UNKNOWN = 255;
export const SEEN_FLICKER = PERCEIVED.indexOf('flickering');
const DIM = PERCEIVED.indexOf('dim red') - PERCEIVED.indexOf('red');
const WHITE = PERCEIVED.indexOf('white');
const WARM_WHITE = PERCEIVED.indexOf('warm white');

/** Less than this byte is dark, less than this share of what was asked for is dim, and a colour joins in from this share of the brightest on. */
const DARK_BELOW = 4;
const DIM_BELOW = 0.45;
const JOINS_FROM = 0.5;
/** White whose weakest colour is below this share of the brightest looks warm, or tinted, beside another. */
const PURE_FROM = 0.86;

/**
 * The perceived colour of one light.
 *
 * @param fullest the brightest byte that was asked for
 */
export function perceived(red: number, green: number, blue: number, white: number, fullest: number): number {
  // A white light adds to all colours.
  const [r, g, b] = [red + white, green + white, blue + white];
  const most = Math.max(r, g, b);
  if (most < DARK_BELOW) return SEEN_DARK;
  const share = JOINS_FROM * most;
  const hue = (r >= share ? 1 : 0) + (g >= share ? 2 : 0) + (b >= share ? 4 : 0);
  const named = hue === WHITE && Math.min(r, g, b) < PURE_FROM * most ? WARM_WHITE : hue;
  return most < DIM_BELOW * fullest ? named + DIM : named;
}

/** The bytes of a light that is seen so: for pictures. */
export function bytesOfSeen(code: number, fullest: number): [number, number, number, number] {
  const level = code >= 1 + DIM && code < SEEN_FLICKER ? 0.3 * fullest : fullest;
  const named = code >= 1 + DIM && code < SEEN_FLICKER ? code - DIM : code;
  if (named === SEEN_DARK) return [0, 0, 0, 0];
  if (named === SEEN_FLICKER) return [level * 0.6, level * 0.5, level * 0.7, 0];
  if (named === WARM_WHITE) return [level, level * 0.8, level * 0.6, 0];
  return [named & 1 ? level : 0, named & 2 ? level : 0, named & 4 ? level : 0, 0];
}
