import { usual } from '../../figures/figure';
import { defineControllerClass, OF_CLASS } from './class';

export const serial = defineControllerClass({
  id: 'serial',
  label: 'Serial-fed microcontroller',
  starters: [
    {
      id: 'serial-1',
      name: 'Serial-fed microcontroller',
      ports: 1,
      pixelsPerPort: usual([{ upToPorts: 1, pixels: 300 }], OF_CLASS),
      starts: usual('device', OF_CLASS),
      pixelSizes: usual('ofDevice', OF_CLASS),
      whenSilent: usual({ shows: 'holds' }, OF_CLASS),
      baud: 115_200,
    },
  ],
});
