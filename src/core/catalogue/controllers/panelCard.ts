import { usual } from '../../figures/figure';
import { defineControllerClass, OF_CLASS } from './class';

export const panelCard = defineControllerClass({
  id: 'panelCard',
  label: 'Panel receiver card',
  drivesPanels: true,
  takesRawFrames: true,
  starters: [
    {
      id: 'panel-card',
      name: 'Receiver card, raw frames',
      ports: 1,
      pixelsPerPort: usual([{ upToPorts: 1, pixels: 65_536 }], OF_CLASS),
      linkMbits: usual(1000, 'needs a gigabit link, straight to the sender'),
    },
  ],
});
