import { seldom } from '../prior';
import { deviceFault } from '../simpleFaults';

export const bootStateLost = deviceFault(
  'bootStateLost',
  {
    name: 'Dark after a power cut',
    layer: 'power',
    prior: seldom('shows only after the power was cut'),
    sentence: (device) =>
      `${device} stays dark after a power cut until somebody presses something: no state to begin with is set.`,
  },
  () => ({ afterCut: { isOutputEnabled: false } }),
);
