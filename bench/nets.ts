import { readShow } from '../src/core/show/read';
import { emptyShow, type Show } from '../src/core/show/schema';

/** Nets of 1,000 pixels in two runs each, every run on a port of its own. */
export function netsOf(pixels: number): Show {
  const nets = pixels / 1000;
  return readShow({
    ...emptyShow('Bench'),
    pixelTypes: [{ id: 'rgb', name: 'RGB', chip: 'WS2811', colourOrder: 'RGB', volts: 12 }],
    props: Array.from({ length: nets }, (_, i) => ({
      id: `net-${i}`,
      name: `Net ${i}`,
      placeId: 'site',
      pixelTypeId: 'rgb',
      kind: 'grid',
      shape: { columns: 40, rows: 25, columnSpacingMm: 100, rowSpacingMm: 50 + i / 100 },
      threading: { firstPixel: 'bottomLeft', along: 'columns', pattern: 'serpentine', runs: 2 },
    })),
    controllers: Array.from({ length: Math.ceil((nets * 2) / 32) }, (_, i) => ({
      id: `box-${i}`,
      name: `Box ${i}`,
      label: labelOf(i),
      protocol: 'e131',
      ports: 32,
      mostPixelsPerPort: 800,
      firstUniverse: i === 0 ? 1 : null,
      packing: null,
      artNetOffset: -1,
      firstLedIndex: 0,
      skippedPixelsTakeChannels: false,
    })),
    patch: Array.from({ length: nets * 2 }, (_, i) => ({
      propId: `net-${Math.floor(i / 2)}`,
      run: (i % 2) + 1,
      controllerId: `box-${Math.floor(i / 32)}`,
      port: (i % 32) + 1,
      skippedPixels: 0,
    })),
  });
}

function labelOf(index: number): string {
  const letters = [index % 26, Math.floor(index / 26) % 26, Math.floor(index / 676)];
  return letters.map((letter) => String.fromCharCode(65 + letter)).join('');
}
