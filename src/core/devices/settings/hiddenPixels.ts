import { typeIt, type PortHeld } from './setting';
import { whole } from './values';

export const hiddenPixels: PortHeld<'hiddenPixels', number> = {
  field: 'hiddenPixels',
  words: 'hidden pixels',
  meaning: 'dark ones that the device puts on the wire by itself, typed apart',
  head: 'Hidden',
  unit: 'typed apart',
  onlyWith: 'hiddenPixels',
  isKept: true,
  planned: (basis) => basis.hiddenPixels,
  values: whole(0, 10_000),
  heads: /^(hidden|null|skipped|dark|hidden pixels|null pixels|skipped pixels)$/i,
  // None hidden is what a device holds that was never told of any.
  untouched: 0,
  whenWrong: (wrong) => ({
    symptom:
      wrong.found < wrong.planned
        ? 'the hidden pixel lights, and the picture starts too early by as many'
        : 'lit pixels stay dark at the beginning, and the picture starts too late by as many',
    mend: typeIt(wrong),
  }),
  simulate: (port, value) => ({
    ...port,
    segments: port.segments.map((segment, i) => (i === 0 ? { ...segment, hidden: value } : segment)),
  }),
};
