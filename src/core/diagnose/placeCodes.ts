import type { Chain } from '../rig/chain';
import { FLICKERING, NOISY } from '../rig/chain';
import type { DeviceState } from '../devices/deviceState';
import { perceived, SEEN_DARK, SEEN_FLICKER } from './perceive';

/** Stands for a place to which nothing is sent. */
export const UNREACHED = 254;

const flickering = new WeakMap<Chain, boolean>();

function flickersOnChain(chain: Chain): boolean {
  let known = flickering.get(chain);
  if (known === undefined) {
    known = chain.sagsAbove !== null || chain.state.some((state) => state === FLICKERING || state === NOISY);
    flickering.set(chain, known);
  }
  return known;
}

/** Pictures after which what flickers was seen to. */
const FLICKERS_WITHIN = 4;

/** Number of frames of a wire to look at: one, where two of the same never differ. */
export function picturesOf({ rival, ports }: DeviceState, chain: Chain): number {
  const mayDiffer = flickersOnChain(chain) || rival !== null || ports.some(({ chatter }) => chatter > 0);
  return mayDiffer ? FLICKERS_WITHIN : 1;
}

/**
 * Codes of lights, picture after picture: what differs from one to another flickers. What is not reached is dark beside what was.
 *
 * @param places those that are asked for, null for all; the codes of others stay as they are
 * @param light four bytes for each place
 * @param fullest the brightest byte that was asked for
 */
export function perceivePlaces(
  places: Int32Array | null,
  light: Uint8Array,
  reached: number,
  fullest: number,
  codes: Uint8Array,
  frame: number,
): void {
  let [red, green, blue, white, code] = [0, 0, 0, 0, SEEN_DARK];
  const asked = places ? places.length : codes.length;
  for (let k = 0; k < asked; k += 1) {
    const i = places ? places[k]! : k;
    const at = 4 * i;
    const before = codes[i]!;
    if (i >= reached) {
      if (before !== UNREACHED && before !== SEEN_DARK) codes[i] = SEEN_FLICKER;
      continue;
    }
    const [r, g, b, w] = [light[at]!, light[at + 1]!, light[at + 2]!, light[at + 3]!];
    // Most lights are as their neighbour is.
    if (r !== red || g !== green || b !== blue || w !== white) {
      [red, green, blue, white] = [r, g, b, w];
      code = perceived(r, g, b, w, fullest);
    }
    if (frame === 0) codes[i] = code;
    else if ((before === UNREACHED ? SEEN_DARK : before) !== code) codes[i] = SEEN_FLICKER;
  }
}

/** Data that comes so many bytes late; below zero early. */
export function shifted(wire: Uint8Array, bytes: number): Uint8Array {
  if (bytes < 0) return wire.subarray(Math.min(wire.length, -bytes));
  const made = new Uint8Array(wire.length + bytes);
  made.set(wire, bytes);
  return made;
}
