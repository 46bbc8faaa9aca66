import { nowAndThen } from '../prior';
import { changeChain } from '../fault';
import { NOISY } from '../chain';
import { portFault } from '../simpleFaults';

export const wrongChip = portFault(
  'wrongChip',
  {
    name: 'Wrong chip family',
    layer: 'colour',
    prior: nowAndThen('chosen from a list of names that look alike'),
    sentence: (port) =>
      `${port} is set to another family of chips: bits are too long or too short, and some are read wrong.`,
  },
  (rig, place) => changeChain(rig, place, ({ state }) => ({ state: state.map(() => NOISY) })),
);
