import { usual } from '../../figures/figure';
import { defineControllerClass, OF_CLASS } from './class';

export const flight = defineControllerClass({
  id: 'flight',
  label: 'Flight board',
  starters: [
    {
      id: 'flight-board',
      name: 'Flight board',
      ports: 1,
      pixelsPerPort: usual([{ upToPorts: 1, pixels: 32 }], OF_CLASS),
      ownProgram: true,
      keepFree: 'the pin of the receiver: it steers the craft',
    },
  ],
});
