import { readShow } from '../src/core/show/read';
import { emptyShow, type Show } from '../src/core/show/schema';

export const PROPS = 2000;
const PORTS = 48;

/** 2,000 lines of 125 pixels, each on a port of its own: 250,000 pixels and some 1,500 universes. */
export function manyProps(): Show {
  return readShow({
    ...emptyShow('Bench'),
    pixelTypes: [{ id: 'rgb', name: 'RGB', chip: 'WS2811', colourOrder: 'RGB', volts: 12, bodyMm: 12 }],
    props: Array.from({ length: PROPS }, (_, i) => ({
      id: `prop-${i}`,
      name: `Prop ${i}`,
      placeId: 'site',
      pixelTypeId: 'rgb',
      kind: 'line',
      shape: { legs: [{ lengthMm: 6250 + i, headingDeg: 0, pixels: { by: 'count', count: 125 } }] },
      threading: { firstPixel: 'start', runs: 1 },
    })),
    controllers: Array.from({ length: Math.ceil(PROPS / PORTS) }, (_, i) => ({
      id: `box-${i}`,
      name: `Box ${i}`,
      label: String.fromCharCode(65 + Math.floor(i / 26)) + String.fromCharCode(65 + (i % 26)),
      protocol: 'e131',
      ports: PORTS,
      mostPixelsPerPort: 800,
      firstUniverse: i === 0 ? 1 : null,
      packing: null,
      artNetOffset: -1,
      firstLedIndex: 0,
      skippedPixelsTakeChannels: true,
    })),
    patch: Array.from({ length: PROPS }, (_, i) => ({
      propId: `prop-${i}`,
      run: 1,
      controllerId: `box-${Math.floor(i / PORTS)}`,
      port: (i % PORTS) + 1,
      skippedPixels: 0,
    })),
  });
}
