import { usual } from '../../figures/figure';
import { defineControllerClass, OF_CLASS } from './class';

export const tiles = defineControllerClass({
  id: 'tiles',
  label: 'Tiles that carry their own address',
  protocol: 'artnet',
  starters: [
    {
      id: 'own-address-tiles',
      name: 'Chain of addressed tiles',
      ports: 1,
      pixelsPerPort: usual([{ upToPorts: 1, pixels: 10_000 }], OF_CLASS),
      starts: usual('tile', 'each has a menu of its own'),
      universeSizes: usual('wholePixels', 'a tile lies in one universe'),
      straddles: usual(false, 'a tile reads one universe'),
      artNetNets: usual(true, 'net, sub-net and universe are set on its menu'),
    },
  ],
});
