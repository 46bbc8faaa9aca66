import { usual } from '../../figures/figure';
import { defineControllerClass, OF_CLASS } from './class';

export const panelPlayer = defineControllerClass({
  id: 'panelPlayer',
  label: 'Small computer with a panel hat',
  drivesPanels: true,
  starters: [
    {
      id: 'panel-player',
      name: 'Small computer with panel outputs',
      ports: 1,
      pixelsPerPort: usual([{ upToPorts: 1, pixels: 100_000 }], OF_CLASS),
      straddles: usual(true, OF_CLASS),
      severalUniversesPerPort: usual(true, OF_CLASS),
      linkMbits: usual(100, 'Fast Ethernet'),
    },
  ],
});
