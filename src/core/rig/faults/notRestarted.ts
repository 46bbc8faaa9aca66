import { nowAndThen } from '../prior';
import { deviceFault } from '../simpleFaults';

export const notRestarted = deviceFault(
  'notRestarted',
  {
    name: 'Not restarted',
    layer: 'count',
    prior: nowAndThen('some values count only after a restart'),
    sentence: (device) => `The counts of ${device} hold only after a restart: it still has 50 pixels a port.`,
  },
  ({ ports }) => ({
    ports: ports.map((port) => ({ ...port, pixels: Math.min(50, Math.floor(countOf(port) / 2)) })),
    afterCut: { ports },
  }),
);

const countOf = ({ segments }: { segments: readonly { pixels: number }[] }) =>
  segments.reduce((sum, { pixels }) => sum + pixels, 0);
