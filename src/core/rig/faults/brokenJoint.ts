import { often } from '../prior';
import { BROKEN_BEFORE } from '../chain';
import { pixelFault } from '../simpleFaults';

export const brokenJoint = pixelFault(
  'brokenJoint',
  {
    name: 'Broken joint',
    layer: 'count',
    prior: often('joints are moved, pulled and get wet'),
    alongWire: { at: 'dark', behind: 'dark' },
    sentence: (pixel) => `A joint is broken before ${pixel}: data does not get there.`,
  },
  BROKEN_BEFORE,
);
