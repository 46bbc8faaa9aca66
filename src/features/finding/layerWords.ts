import type { Layer } from '@/core/rig/fault';

/** Names of the layers of a display. */
export const LAYER_WORDS: Record<Layer, string> = {
  power: 'Power',
  reach: 'Reach',
  count: 'Count',
  colour: 'Colour order',
  place: 'Place and turn',
  packing: 'Packing',
};
