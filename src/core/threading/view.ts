/**
 * Which side a drawing shows. Geometry is stored as seen from the front (the audience); builders wire from the back,
 * where left and right swap.
 */
export type ViewSide = 'front' | 'back';

export const CORNERS = ['topLeft', 'topRight', 'bottomLeft', 'bottomRight'] as const;
export type Corner = (typeof CORNERS)[number];

const MIRRORED: Record<Corner, Corner> = {
  topLeft: 'topRight',
  topRight: 'topLeft',
  bottomLeft: 'bottomRight',
  bottomRight: 'bottomLeft',
};

const CORNER_WORDS: Record<Corner, string> = {
  topLeft: 'top left',
  topRight: 'top right',
  bottomLeft: 'bottom left',
  bottomRight: 'bottom right',
};

export function otherSide(side: ViewSide): ViewSide {
  return side === 'front' ? 'back' : 'front';
}

/** x as it appears from a side. Applying it twice gives x again. */
export function xSeenFrom(side: ViewSide, xMm: number): number {
  return side === 'front' ? xMm : -xMm;
}

/** The corner as it appears from a side; from the back, the front's left is on the right. */
export function cornerSeenFrom(side: ViewSide, corner: Corner): Corner {
  return side === 'front' ? corner : MIRRORED[corner];
}

/** `bottom left`, in the words used from that side. */
export function cornerWords(corner: Corner): string {
  return CORNER_WORDS[corner];
}

/** Names of the two sides of a drawing, unless a kind of prop has words of its own. */
export const SIDES: Record<ViewSide, string> = { front: 'seen from the front', back: 'seen from the back' };
