import type { Controller } from '../catalogue/controller';
import { universesOf } from '../protocols/registry';

/** Conversions between the universes of a show and the numbers by which devices call them. */

type Counted = Pick<Controller, 'artNetOffset' | 'protocol'>;

/** The Art-Net port-address of a universe of the show on a controller: makers disagree on where to begin, so each has an offset. */
export function portAddressOn({ artNetOffset }: Pick<Controller, 'artNetOffset'>, universe: number): number {
  return universe + artNetOffset;
}

/** The inverse of `portAddressOn`. */
export function universeOn({ artNetOffset }: Pick<Controller, 'artNetOffset'>, portAddress: number): number {
  return portAddress - artNetOffset;
}

/** A controller's own number for a universe of the show: its port-address under Art-Net. */
export function toldUniverse(controller: Counted, universe: number): number {
  return universesOf(controller)?.hasOffset ? portAddressOn(controller, universe) : universe;
}

/** The inverse of `toldUniverse`. */
export function universeOfTold(controller: Counted, told: number): number {
  return universesOf(controller)?.hasOffset ? universeOn(controller, told) : told;
}
