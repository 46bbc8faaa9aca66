import type { PortTold } from './setting';

export const onWire: PortTold<'onWire', number> = {
  field: 'onWire',
  words: 'pixels on the wire',
  meaning: 'lit and dark ones together',
  head: 'On the wire',
  onlyWith: 'hiddenPixels',
  isKept: false,
  planned: ({ port }) => port.places,
};

export const showChannel: PortTold<'showChannel', number | null> = {
  field: 'showChannel',
  words: 'show channel',
  meaning: 'of its first channel, over the show',
  head: 'Show channel',
  unit: 'start',
  isKept: false,
  planned: ({ first }) => first?.startShowChannel ?? null,
};

export const firstLed: PortTold<'firstLed', number> = {
  field: 'firstLed',
  words: 'first LED',
  meaning: 'as its own screens count, hidden ones included',
  head: 'LEDs',
  unit: 'first',
  isKept: false,
  planned: (basis) => basis.firstLed,
};

export const lastLed: PortTold<'lastLed', number> = {
  field: 'lastLed',
  words: 'last LED',
  meaning: 'the last one included',
  head: 'LEDs',
  unit: 'last',
  isKept: false,
  planned: (basis) => basis.firstLed + basis.port.places - 1,
};
