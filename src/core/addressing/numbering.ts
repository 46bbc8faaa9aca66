import type { Controller } from '../catalogue/controller';

/** Conversions between the numbering systems of E1.31 (ANSI E1.31-2018), Art-Net 4 and screens of devices. */

export const LAST_PORT_ADDRESS = 32_767;

/** The multicast group of an E1.31 universe: 239.255.high.low (ANSI E1.31-2018, section 9.3.1). */
export function multicastGroup(universe: number): string {
  return `239.255.${universe >> 8}.${universe & 255}`;
}

/** An Art-Net 4 port-address in its three parts, all counted from 0. */
export interface ArtNetAddress {
  net: number;
  subNet: number;
  universe: number;
}

/** 15-bit port-address = net * 256 + sub-net * 16 + universe. */
export function artNetAddress(portAddress: number): ArtNetAddress {
  return { net: portAddress >> 8, subNet: (portAddress >> 4) & 15, universe: portAddress & 15 };
}

export function portAddressOf({ net, subNet, universe }: ArtNetAddress): number {
  return net * 256 + subNet * 16 + universe;
}

/** The Art-Net port-address of a universe of the show on a controller: makers disagree on where to begin, so each has an offset. */
export function portAddressOn({ artNetOffset }: Pick<Controller, 'artNetOffset'>, universe: number): number {
  return universe + artNetOffset;
}

/** The inverse of `portAddressOn`. */
export function universeOn({ artNetOffset }: Pick<Controller, 'artNetOffset'>, portAddress: number): number {
  return portAddress - artNetOffset;
}

/** What a controller itself calls a universe of the show: its port-address under Art-Net. */
export function toldUniverse(
  controller: Pick<Controller, 'artNetOffset' | 'protocol'>,
  universe: number,
): number {
  return controller.protocol === 'artnet' ? portAddressOn(controller, universe) : universe;
}

/** `0.1.4`: net, sub-net, universe. */
export function artNetWords(portAddress: number): string {
  const { net, subNet, universe } = artNetAddress(portAddress);
  return `${net}.${subNet}.${universe}`;
}
