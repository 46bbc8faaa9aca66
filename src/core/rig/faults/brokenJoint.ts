import { BROKEN_BEFORE } from '../chain';
import { pixelFault } from '../simpleFaults';

export const brokenJoint = pixelFault(
  'brokenJoint',
  {
    name: 'Broken joint',
    layer: 'count',
    sentence: (pixel) => `A joint is broken before ${pixel}: data does not get there.`,
  },
  BROKEN_BEFORE,
);
