import { usual } from '../../figures/figure';
import { defineControllerClass, OF_CLASS } from './class';

export const wifi = defineControllerClass({
  id: 'wifi',
  label: 'Wi-Fi microcontroller',
  onWifi: true,
  starters: [
    {
      id: 'wifi-2',
      name: 'Wi-Fi microcontroller, 2 pins',
      ports: 2,
      pixelsPerPort: usual(
        [
          { upToPorts: 1, pixels: 800 },
          { upToPorts: 2, pixels: 500 },
        ],
        OF_CLASS,
      ),
      mostUniverses: usual(9, OF_CLASS),
      starts: usual('device', OF_CLASS),
      universeSizes: usual('wholePixels', OF_CLASS),
      pixelSizes: usual('ofDevice', OF_CLASS),
      straddles: usual(false, OF_CLASS),
      whenSilent: usual({ shows: 'ownEffect', afterS: 2.5 }, OF_CLASS),
      linkMbits: usual(5, 'Wi-Fi in a garden, unicast; multicast carries far less'),
      pins: [
        // The print beside a pin differs from board to board.
        { label: '', number: 'GPIO2', boot: 'high at boot: the first pixel flashes' },
        { label: '', number: 'GPIO3', boot: 'serial input: quiet at boot' },
      ],
    },
  ],
});
