import { BLOCKING } from '../chain';
import { pixelFault } from '../simpleFaults';

export const blockingPixel = pixelFault(
  'blockingPixel',
  {
    name: 'A pixel stops the data',
    layer: 'count',
    sentence: (pixel) => `${pixel} is dead and sends nothing on.`,
  },
  BLOCKING,
);
