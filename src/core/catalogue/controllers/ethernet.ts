import { usual } from '../../figures/figure';
import { defineControllerClass, OF_CLASS } from './class';

export const ethernet = defineControllerClass({
  id: 'ethernet',
  label: 'Ethernet pixel controller',
  starters: [
    {
      id: 'ethernet-16',
      name: '16 ports, Ethernet',
      ports: 16,
      pixelsPerPort: usual(
        [
          { upToPorts: 8, pixels: 1024 },
          { upToPorts: 16, pixels: 680 },
        ],
        OF_CLASS,
      ),
      mostUniverses: usual(96, OF_CLASS),
      straddles: usual(true, OF_CLASS),
      severalUniversesPerPort: usual(true, OF_CLASS),
      artNetNets: usual(true, OF_CLASS),
      whenSilent: usual({ shows: 'holds' }, OF_CLASS),
      linkMbits: usual(100, 'Fast Ethernet'),
      receiverCableMm: usual(60_000, 'differential receivers on network cable'),
    },
    {
      id: 'ethernet-4',
      name: '4 ports, Ethernet',
      ports: 4,
      pixelsPerPort: usual([{ upToPorts: 4, pixels: 1024 }], OF_CLASS),
      mostUniverses: usual(24, OF_CLASS),
      severalUniversesPerPort: usual(true, OF_CLASS),
      artNetNets: usual(true, OF_CLASS),
      whenSilent: usual({ shows: 'holds' }, OF_CLASS),
      linkMbits: usual(100, 'Fast Ethernet'),
    },
  ],
});
