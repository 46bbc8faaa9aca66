import { keysOf } from '../../fields/keys';
/** Bands that are seen of a fill in one colour: the letters of the lit colours, one after another, universe by universe. */
interface BandsFound {
  /** Which end counts more channels in a universe. */
  larger: 'receiver' | 'sender';
  words: string;
}

/**
 * Reads the packing from the bands of a fill of red. Where the receiver steps by more channels than the sender fills, each of its universes
 * begins so many channels early: with 512 against 510 its colours go red, blue, green; the other way round red, green, blue.
 *
 * @param bands letters of the first bands, beginning with the first light
 */
export function packingOf(bands: string): BandsFound | null {
  const turns = { receiver: bandsOf(512, 510), sender: bandsOf(510, 512) };
  const fits = keysOf(turns).filter((each) => turns[each].startsWith(bands));
  const [larger] = fits;
  if (bands.length < 2 || fits.length !== 1 || !larger) return null;
  return {
    larger,
    words:
      larger === 'receiver'
        ? 'The device counts more channels in a universe than the sender fills: set the device to 510, or the sender to 512, not both.'
        : 'The sender fills more channels in a universe than the device counts: set the sender to 510, or the device to 512, not both.',
  };
}

/** Colours of the first light of each universe under a fill of red. @param counted by the receiver @param filled by the sender */
export function bandsOf(counted: number, filled: number, bands = 6): string {
  return Array.from({ length: bands }, (_, universe) => {
    // The receiver takes channel 0 of its universe for the first of a light; the sender counted on through all of its own.
    const late = universe * (counted - filled);
    return 'RGB'[((late % 3) + 3) % 3]!;
  }).join('');
}
