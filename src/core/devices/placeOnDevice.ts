import type { LaidShow } from '../plan/planned';
import { plannedAt, runAt } from '../plan/records';

/** Places of the pixels of a prop in the count of a device over all its ports. */
interface PlaceOnDevice {
  /** Index of the controller in the show. */
  controller: number;
  /** LEDs of the device before the first pixel of the prop, hidden ones counted. */
  before: number;
}

/**
 * The place of a prop on the device that all its runs are on, one after another in its data order; null where it is on several devices,
 * or where something else lies between its runs, so that one count of the device does not follow it.
 */
export function placeOnDevice(plan: LaidShow, propIndex: number): PlaceOnDevice | null {
  const { firstRun, runCount } = plannedAt(plan, propIndex);
  let place: PlaceOnDevice | null = null;
  let next = 0;
  for (let index = firstRun; index < firstRun + runCount; index += 1) {
    const { wire, pixelCount } = runAt(plan, index);
    if (!wire) return null;
    const before = wire.placesBeforePort + wire.firstPlace - 1;
    if (!place) place = { controller: wire.controller, before };
    else if (wire.controller !== place.controller || before !== next) return null;
    next = before + pixelCount;
  }
  return place;
}
