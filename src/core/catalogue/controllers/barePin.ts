import { usual } from '../../figures/figure';
import { defineControllerClass, OF_CLASS } from './class';

export const barePin = defineControllerClass({
  id: 'barePin',
  label: 'Single-board computer, bare pin',
  starters: [
    {
      id: 'bare-pin-1',
      name: 'Single-board computer, its own pin',
      ports: 1,
      pixelsPerPort: usual([{ upToPorts: 1, pixels: 800 }], OF_CLASS),
      starts: usual('device', OF_CLASS),
      pixelSizes: usual('ofDevice', OF_CLASS),
      ownProgram: true,
      keepFree: 'pins that the computer’s sound uses: both use the same clock on some',
      notes: [
        {
          outcome: 'odd',
          text: 'Its data is at 3.3 V: most 5 V strip wants a level shifter, or a first pixel that is fed with fewer volts.',
        },
      ],
    },
  ],
});
