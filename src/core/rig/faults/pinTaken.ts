import { rare } from '../prior';
import { changeChain } from '../fault';
import { GARBLED } from '../chain';
import { portFault } from '../simpleFaults';

export const pinTaken = portFault(
  'pinTaken',
  {
    name: 'Another program on the pin',
    layer: 'reach',
    prior: rare('needs a second program on the same pin'),
    sentence: (port) =>
      `Another program of the device holds the pin of ${port}: what lights there stays as it is.`,
  },
  (rig, place) => changeChain(rig, place, ({ state }) => ({ state: state.map(() => GARBLED) })),
);
