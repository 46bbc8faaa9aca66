import type { PixelAddress, WireAddress } from './lookup';
import { artNetWords } from '../protocols/artNet';
import { multicastGroup } from '../protocols/e131';
import { groupDigits } from '../units/number';

/** `ch 430–432`, or over two universes `ch 511 – U6 ch 1`. */
export function e131Words({
  universe,
  channel,
  lastUniverse,
  lastChannel,
}: NonNullable<NonNullable<PixelAddress['wire']>['e131']>): string {
  if (lastUniverse !== universe) return `U${universe} ch ${channel} – U${lastUniverse} ch ${lastChannel}`;
  return lastChannel === channel ? `U${universe} ch ${channel}` : `U${universe} ch ${channel}–${lastChannel}`;
}

/** `DDP byte 2,100`: the place of a pixel where there are no universes. */
export function byteWords({ byteCount, ddpOffset }: Pick<WireAddress, 'byteCount' | 'ddpOffset'>): string {
  return `${byteCount} byte ${groupDigits(ddpOffset)}`;
}

/** `3 rows` are counted in strands; this says where in one a pixel is: `row 4, pixel 18`. */
export function strandWords(address: PixelAddress, strandWord: string): string {
  return `${strandWord} ${address.strand}, pixel ${address.pixelInStrand}`;
}

interface Numbering {
  name: string;
  value: string;
  note?: string;
}

/** Every number of a pixel, one system a line, each with what it counts. */
export function numberingsOf({ wire, channelsPerPixel }: PixelAddress): Numbering[] {
  if (!wire) return [];
  const last = (first: number) =>
    channelsPerPixel > 1 ? `–${groupDigits(first + channelsPerPixel - 1)}` : '';
  return [
    {
      name: 'Port and place',
      value: `${wire.portName} ${groupDigits(wire.place)}`,
      note: 'skipped pixels counted',
    },
    { name: 'Chain position of run', value: `${wire.chainPosition}` },
    ...(wire.showChannel === null
      ? []
      : [
          {
            name: 'Show channel',
            value: `${groupDigits(wire.showChannel)}${wire.e131 && wire.e131.lastUniverse !== wire.e131.universe ? '' : last(wire.showChannel)}`,
          },
        ]),
    ...(wire.e131
      ? [
          {
            name: 'E1.31',
            value: e131Words(wire.e131),
            note: `multicast ${multicastGroup(wire.e131.universe)}`,
          },
        ]
      : []),
    ...(wire.artNet
      ? [
          {
            name: 'Art-Net',
            value: `${artNetWords(wire.artNet.portAddress)} ch ${wire.artNet.channel}`,
            note: `port-address ${wire.artNet.portAddress}, from 0`,
          },
        ]
      : []),
    {
      name: wire.byteCount,
      value: `byte ${groupDigits(wire.ddpOffset)}`,
      note: `from 0, all of ${wire.controllerName}`,
    },
    { name: 'LED index', value: groupDigits(wire.ledIndex), note: `as ${wire.controllerName} counts` },
  ];
}
