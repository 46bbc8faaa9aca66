import { DIRECTIONS, type Direction } from '../deviceState';
import type { PortHeld } from './setting';
import { oneOf } from './values';

export const direction: PortHeld<'direction', Direction, Direction | null> = {
  field: 'direction',
  words: 'direction',
  meaning: 'forward: the threading is in the plan, and nothing is turned here',
  head: 'Direction',
  isKept: true,
  planned: ({ port }) => (port.isTile ? null : 'forward'),
  values: oneOf(DIRECTIONS, { normal: 'forward', no: 'forward', reverse: 'reversed', yes: 'reversed' }),
  heads: /^(direction|reversed?)$/i,
  untouched: 'forward',
  whenWrong: ({ planned, side }) => ({
    symptom: 'the picture runs through this port from its far end',
    mend: `set it to ${planned} on ${side}`,
  }),
  simulate: (port, value) => ({ ...port, direction: value }),
};
