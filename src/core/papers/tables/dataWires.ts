import { driverWords, type DataLine, type GroundBy } from '../../answers/dataLines';
import type { Plan } from '../../plan/planned';
import { runName } from '../../plan/runName';
import { formatVolts } from '../../units/electric';
import { formatLength } from '../../units/length';
import type { Table, Told } from '../../pages/table';

const GROUND_WORDS: Record<GroundBy, Told> = {
  supply: { text: 'in common by the supply', mood: 'good' },
  dataLead: { text: 'goes along with data', mood: 'good' },
  none: { text: 'none in common', mood: 'bad' },
  unsaid: { text: 'not said', mood: 'quiet' },
};

/** Every data wire: what drives it, how high, how far, and whether it has a ground. */
export function dataWiresTable(plan: Plan, lines: readonly DataLine[]): Table<DataLine> {
  return {
    name: 'Data wires',
    rows: lines,
    keyOf: ({ run }) => run,
    columns: [
      { id: 'port', head: 'Port', as: 'key', meaning: 'The port that it begins at', of: ({ port }) => port },
      {
        id: 'to',
        head: 'To',
        meaning: 'The run whose first pixel it goes to',
        of: ({ run, fromRun }) => ({
          text: runName(plan, run),
          ...(fromRun !== null && { note: `from the end of ${runName(plan, fromRun)}` }),
        }),
      },
      {
        id: 'driver',
        head: 'Driven by',
        meaning: 'What calls out the ones and zeros, and how high',
        of: driverWords,
      },
      {
        id: 'wants',
        head: 'Wanted',
        unit: '0.7 of its supply',
        as: 'figure',
        meaning:
          'What the first pixel takes for a one at its highest supply, and up to which supply this source passes',
        of: ({ wantsVolts, passesUpToVolts }) => ({
          text: formatVolts(wantsVolts),
          note: `passes up to ${formatVolts(passesUpToVolts)}`,
        }),
      },
      {
        id: 'level',
        head: 'Level',
        meaning: 'Whether it is high enough, ground lift at full white counted',
        of: (line) => {
          if (line.level !== 'good')
            return { text: `${formatVolts(-line.marginVolts)} too low`, mood: 'bad' };
          return line.isRepeated && line.marginVolts < 0
            ? {
                text: 'by a hidden pixel',
                note: 'which itself sees the low level: keep its lead short',
                mood: 'good',
              }
            : { text: 'high enough', mood: 'good' };
        },
      },
      {
        id: 'length',
        head: 'Length',
        unit: 'one way',
        as: 'figure',
        meaning: 'As said, else as the drawing of the site says; and whether it is driven so far',
        of: ({ lengthMm, lengthIsDrawn, reach }) => {
          if (lengthMm === null) return { text: 'not said', mood: 'quiet' };
          const far = { good: 'near enough', marginal: 'at the limit', wrong: 'too far' }[reach];
          return {
            text: formatLength(lengthMm, plan.show.lengths),
            note: lengthIsDrawn ? `by the drawing, ${far}` : far,
            ...(reach === 'wrong' && { mood: 'bad' as const }),
          };
        },
      },
      {
        id: 'ground',
        head: 'Ground',
        meaning: 'What joins the grounds of both ends',
        of: ({ ground }) => GROUND_WORDS[ground],
      },
      {
        id: 'parts',
        head: 'Resistor, capacitor',
        meaning: 'Near its source, and across the supply of the first pixel',
        of: ({ said: { seriesOhm, capacitorUf } }) => {
          const words = [
            seriesOhm === undefined ? null : seriesOhm === 0 ? 'no resistor' : `${seriesOhm} Ω`,
            capacitorUf === undefined ? null : capacitorUf === 0 ? 'no capacitor' : `${capacitorUf} µF`,
          ].filter((each) => each !== null);
          return words.length === 0 ? null : words.join(', ');
        },
      },
    ],
  };
}
