import type { Feed, FeedPiece } from '@/core/catalogue/feed';
import type { PixelType } from '@/core/catalogue/pixelType';
import type { Supply } from '@/core/catalogue/supply';
import { usual, type Figure } from '@/core/figures/figure';

export const typed = <Value>(value: Value): Figure<Value> => ({ value, basis: 'typed' });

export function aSupply(change: Partial<Supply> = {}): Supply {
  return { id: 's', name: 'Supply 1', volts: 12, ratedAmps: usual(29), ...change };
}

/** A piece of a lead to a pixel; so short and thick that it loses next to nothing where nothing else is said. */
export function toPixel(
  propId: string,
  pixel: number,
  change: Partial<FeedPiece> & { run?: number } = {},
): FeedPiece {
  const { run = 1, ...rest } = change;
  return { lengthMm: 1, wire: 'awg10', to: { kind: 'pixel', propId, run, pixel }, ...rest };
}

let feeds = 0;
/** A lead from the supply `s`. */
export function aFeed(pieces: FeedPiece[], change: Partial<Feed> = {}): Feed {
  feeds += 1;
  return {
    id: `f${feeds}`,
    name: `Lead ${feeds}`,
    from: { kind: 'supply', supplyId: 's' },
    pieces,
    ...change,
  };
}

/** A type of three colours that share so much at full white, however low the volts, and take nothing while dark. */
export function drawing(type: PixelType, fullMa: number, more: PixelType['electric'] = {}): PixelType {
  const each = typed(fullMa / 3);
  const knee = { cutoffV: 0, kneeV: 0.01 };
  const draw = { idle: typed(0), R: each, G: each, B: each };
  return { ...type, electric: { draw, knees: { R: knee, G: knee, B: knee }, ...more } };
}
