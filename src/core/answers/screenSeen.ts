import { BANDS } from '../patterns/pattern';
import { MOST_LIT, type Seen } from '../screens/indexWalk';
import type { ScreenShape } from '../screens/shape';
import { zoneSides } from '../screens/zones';

/**
 * The place at which each marked pixel is seen: the answer of someone who stands before the screen.
 *
 * @param light red, green, blue and white of each pixel of the screen in its planned data order, where it truly hangs
 * @param count how many were marked, each in its band of colour
 */
export function seenByLight(shape: ScreenShape, light: Uint8Array, count: number): Seen[] {
  const sides = zoneSides(shape);
  const seen: Seen[] = Array.from({ length: Math.min(count, MOST_LIT) }, () => 'dark');
  sides.forEach((side, i) => {
    const at = 4 * (i + shape.hiddenFirst);
    const colour = [light[at] ?? 0, light[at + 1] ?? 0, light[at + 2] ?? 0];
    const brightest = Math.max(...colour);
    if (brightest === 0) return;
    const band = nearestBand(colour.map((byte) => (255 * byte) / brightest));
    if (band < seen.length) seen[band] = side;
  });
  return seen;
}

function nearestBand(colour: readonly number[]): number {
  let [best, least] = [0, Infinity];
  BANDS.slice(0, MOST_LIT).forEach((band, i) => {
    const most = Math.max(...band);
    const away = colour.reduce((sum, byte, k) => sum + (byte - (255 * band[k]!) / most) ** 2, 0);
    if (away < least) [best, least] = [i, away];
  });
  return best;
}
