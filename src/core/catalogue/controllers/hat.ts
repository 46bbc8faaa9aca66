import { usual } from '../../figures/figure';
import { defineControllerClass, OF_CLASS } from './class';

export const hat = defineControllerClass({
  id: 'hat',
  label: 'Small computer with a pixel hat',
  starters: [
    {
      id: 'pixel-hat-2',
      name: 'Small computer, 2 pixel outputs',
      ports: 2,
      pixelsPerPort: usual([{ upToPorts: 2, pixels: 800 }], OF_CLASS),
      severalUniversesPerPort: usual(true, OF_CLASS),
      linkMbits: usual(100, 'Fast Ethernet'),
    },
  ],
});
