import { nowAndThen } from '../prior';
import { FLICKERING } from '../chain';
import { changeChain } from '../fault';
import { portFault } from '../simpleFaults';

export const lowLevel = portFault(
  'lowLevel',
  {
    name: 'Data level too low',
    layer: 'power',
    prior: nowAndThen('3.3 V into a strip of 5 V over a long lead'),
    sentence: (port) => `The data level of ${port} is too low for its first pixel: what comes out is random.`,
  },
  (rig, place) => changeChain(rig, place, ({ state }) => ({ state: state.map(() => FLICKERING) })),
);
