import { LAST_UNIVERSE } from '../../catalogue/controller';
import { universeShift } from '../counting';
import type { DeviceHeld } from './setting';
import { whole } from './values';

export const firstUniverse: DeviceHeld<'firstUniverse', number, number | null> = {
  field: 'firstUniverse',
  words: 'first universe',
  callsUniverse: true,
  meaning: 'that it listens to, as the device counts',
  head: 'First universe',
  isKept: true,
  planned: ({ universes }) => [...universes.keys()][0] ?? null,
  values: whole(0, LAST_UNIVERSE),
  heads: /^first (universe|port-address)$/i,
  shift: universeShift,
  whenWrong: ({ planned, found, toType, side }) => ({
    symptom:
      Math.abs(found - planned) === 1
        ? 'every port shows what the universe beside its own is sent: one side may count universes from 0, the other from 1'
        : 'the device listens to what others are sent, or to nothing, and stays dark',
    mend: `set ${side} to ${toType}`,
  }),
  simulate: (device, value, basis) => ({
    ...device,
    universeShift: value - (firstUniverse.planned(basis) ?? value),
  }),
};
