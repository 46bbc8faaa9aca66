import { nowAndThen } from '../prior';
import { DARK } from '../chain';
import { pixelFault } from '../simpleFaults';

export const darkPixel = pixelFault(
  'darkPixel',
  {
    name: 'A dark pixel',
    layer: 'count',
    prior: nowAndThen('one that passes data on'),
    alongWire: { at: 'dark', behind: 'asWas' },
    sentence: (pixel) => `${pixel} is dark, and sends data on.`,
  },
  DARK,
);
