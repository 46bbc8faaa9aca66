import { MOST_PIXELS_PER_PORT } from '../../catalogue/controller';
import { countOf } from '../../units/number';
import { typeIt, type PortHeld } from './setting';
import { whole } from './values';

/** A wire of more is more than a browser paints in a moment. */
const MOST_SIMULATED = 100_000;

export const pixels: PortHeld<'pixels', number, number | null> = {
  field: 'pixels',
  words: 'pixels',
  meaning: 'to type as its count; hidden ones are in it only where the device does not add them itself',
  head: 'Pixels',
  unit: 'to type',
  isKept: true,
  // A tile knows its own count.
  planned: ({ port, hiddenPixels }) => (port.isTile ? null : port.places - hiddenPixels),
  values: whole(0, MOST_PIXELS_PER_PORT),
  heads: /^(pixels?|count|px|leds?|length|nodes?)$/i,
  shift: ({ hiddenCounted }, { hiddenPixels }) => (hiddenCounted ? hiddenPixels : 0),
  whenWrong: (wrong) => ({ symptom: symptomOf(wrong), mend: typeIt(wrong) }),
  simulatedValues: whole(0, MOST_SIMULATED),
  simulate: (port, value) => ({ ...port, pixels: value }),
};

function symptomOf({ planned, found, basis }: Parameters<typeof pixels.whenWrong>[0]): string {
  const missing = planned - found;
  if (missing > 0) return `the last ${countOf(missing, 'pixel')} ${missing === 1 ? 'stays' : 'stay'} dark`;
  return basis.hiddenPixels > 0 && found === basis.port.places
    ? 'nothing, where this count includes the hidden pixels: then say so above; otherwise channels of the next prop are taken along'
    : 'channels of the next prop are taken along, and everything after it on this device is out of step';
}
