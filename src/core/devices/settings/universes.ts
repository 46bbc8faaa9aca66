import { LAST_UNIVERSE } from '../../catalogue/controller';
import { universesOf } from '../../protocols/registry';
import { countOf } from '../../units/number';
import { listOf } from '../../units/words';
import type { DeviceHeld } from './setting';
import { whole } from './values';

export const universes: DeviceHeld<'universes', number, number | string | null> = {
  field: 'universes',
  words: 'number of universes',
  callsUniverse: true,
  meaning: 'that it listens to; which ones, where they do not follow one another',
  head: 'Universes',
  isKept: true,
  planned: ({ device, isOnNetwork, universes: told }) =>
    isOnNetwork && universesOf(device) ? stretchesOf([...told.keys()]) : null,
  values: whole(0, LAST_UNIVERSE),
  heads: /^number of (universes|port-addresses)$/i,
  whenWrong: ({ planned, found, toType, side }) => ({
    symptom:
      found < planned
        ? `everything from its ${ordinal(found + 1)} universe on stays dark`
        : `${countOf(found - planned, 'universe')} left over: nothing is seen of it until something else is sent there, and it may join as a listener what is meant for another device`,
    mend: `set ${side} to ${toType}`,
  }),
  simulate: (device, value) => ({ ...device, universeCount: value }),
};

/** Number of universes, where they follow one another; `1–3 and 6–8` where not. */
function stretchesOf(numbers: readonly number[]): number | string {
  const stretches: [number, number][] = [];
  for (const number of numbers) {
    const last = stretches.at(-1);
    if (last && last[1] === number - 1) last[1] = number;
    else stretches.push([number, number]);
  }
  if (stretches.length < 2) return numbers.length;
  return listOf(stretches.map(([from, to]) => (from === to ? `${from}` : `${from}–${to}`)));
}

function ordinal(number: number): string {
  const ends = ['th', 'st', 'nd', 'rd'];
  const rest = number % 100;
  return `${number}${ends[(rest - 20) % 10] ?? ends[rest] ?? 'th'}`;
}
