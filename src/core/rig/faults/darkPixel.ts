import { DARK } from '../chain';
import { pixelFault } from '../simpleFaults';

export const darkPixel = pixelFault(
  'darkPixel',
  { name: 'A dark pixel', layer: 'count', sentence: (pixel) => `${pixel} is dark, and sends data on.` },
  DARK,
);
