import type { Layer } from '@/core/rig/fault';

/** What the layers of a display are called. */
export const LAYER_WORDS: Record<Layer, string> = {
  power: 'Power',
  reach: 'Reach',
  count: 'Count',
  colour: 'Colour order',
  place: 'Place and turn',
  packing: 'Packing',
};
