import { readColours } from '../../colours/order';
import { smearsThatFit, type Lit } from './colourOrderOf';

/** Fewer lights tell too little. */
export const LEAST_LIGHTS = 4;
const MOST_SAID = 3;

/** Colours that somebody typed for the first pixels: letters of those that are lit, `-` where it is dark; null for something else. */
export function readLights(text: string): Lit[] | null {
  const parts = text
    .trim()
    .toUpperCase()
    .split(/[\s,]+/)
    .filter((part) => part !== '');
  const lights = parts.map(readColours);
  return lights.includes(null) ? null : (lights as Lit[]);
}

/**
 * Readings of the first lights under red, in sentences; the simplest first.
 *
 * @param setting the order that is set, with as many letters as channels a light are sent
 */
export function smearSentences(seen: readonly Lit[], setting: string): string[] {
  const found = smearsThatFit(seen, 'R', setting);
  // One thing that is otherwise is likelier than two.
  const rank = ({ chip, sent, taken, shift }: (typeof found)[number]) =>
    (sent === taken ? 0 : 1) + (shift === 0 ? 0 : 1) + (chip === setting ? 0 : 1) + Math.abs(shift) / 10;
  return [...found]
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, MOST_SAID)
    .map(({ chip, sent, taken, shift }) => {
      const parts = [
        sent === taken
          ? ''
          : `${sent} channels a light are set and the chips take ${taken}: choose chips of ${taken} colours.`,
        shift === 0
          ? ''
          : `Data comes ${Math.abs(shift)} ${Math.abs(shift) === 1 ? 'channel' : 'channels'} ${shift > 0 ? 'late' : 'early'}: the start channel is off by so many.`,
        sent === taken && chip !== setting
          ? `The chips take ${chip}: set that in the place of ${setting}.`
          : '',
      ].filter((part) => part !== '');
      return parts.join(' ') || 'That is as it is to be.';
    });
}
