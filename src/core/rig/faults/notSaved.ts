import { nowAndThen } from '../prior';
import { deviceFault } from '../simpleFaults';

export const notSaved = deviceFault(
  'notSaved',
  {
    name: 'Not saved',
    layer: 'reach',
    prior: nowAndThen('typed, and not saved'),
    sentence: (device) => `The settings of ${device} were typed and not saved: a power cut takes them.`,
  },
  ({ ports }) => ({
    // Settings that devices come with.
    afterCut: {
      ports: ports.map((port) => ({ ...port, pixels: 50, direction: 'forward' as const })),
      brightness: 0.5,
    },
  }),
);
