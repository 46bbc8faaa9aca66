import { nowAndThen } from '../prior';
import { BLOCKING } from '../chain';
import { pixelFault } from '../simpleFaults';

export const blockingPixel = pixelFault(
  'blockingPixel',
  {
    name: 'A pixel stops the data',
    layer: 'count',
    prior: nowAndThen('a pixel that was overheated'),
    alongWire: { at: 'dark', behind: 'dark' },
    sentence: (pixel) => `${pixel} is dead and sends nothing on.`,
  },
  BLOCKING,
);
