import { amountWords, GROUP_WORDS } from '../../parts/part';
import type { PartLine, PartsList } from '../../parts/partsList';
import { columnsOf, type Table } from '../../pages/table';

/** A price or a sum as it stands on the list: `12.50 EUR`. */
export function priceWords(amount: number, currency: string): string {
  return `${amount.toLocaleString('en-GB', { minimumFractionDigits: 2, maximumFractionDigits: 2 })}${currency && ` ${currency}`}`;
}

/** `3 h 20 min` */
export function minutesWords(minutes: number): string {
  const whole = Math.round(minutes);
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return hours === 0 ? `${rest} min` : rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** Every part: how much the plan takes, what is there, what to buy. */
export function partsTable({ lines, currency }: PartsList): Table<PartLine> {
  const hasPrices = lines.some(({ price }) => price !== null);
  return {
    name: 'Parts list',
    rows: lines,
    keyOf: ({ id }) => id,
    columns: columnsOf<PartLine>(
      {
        id: 'shelf',
        head: 'Shelf',
        meaning: 'where it is looked for',
        of: ({ group }) => GROUP_WORDS[group],
      },
      {
        id: 'part',
        head: 'Part',
        meaning: 'what it is',
        as: 'key',
        of: ({ name, note }) => (note === null ? name : { text: name, note }),
      },
      {
        id: 'need',
        head: 'Need',
        meaning: 'what the plan takes',
        as: 'figure',
        of: ({ need, unit }) => amountWords(need, unit),
      },
      {
        id: 'spare',
        head: 'Spare',
        meaning: 'beyond that, for what breaks or gets lost',
        as: 'figure',
        of: ({ spare, unit }) => (spare === 0 ? null : amountWords(spare, unit)),
      },
      {
        id: 'have',
        head: 'Have',
        meaning: 'what is there already',
        as: 'figure',
        of: ({ have, unit }) => (have === 0 ? null : amountWords(have, unit)),
      },
      {
        id: 'buy',
        head: 'Buy',
        meaning: 'need and spare, less what is there',
        as: 'figure',
        of: ({ buy, unit }) => (buy === 0 ? { text: 'none', mood: 'good' } : amountWords(buy, unit)),
      },
      hasPrices && {
        id: 'price',
        head: 'Price',
        unit: 'of one, or of a metre',
        meaning: 'as the builder typed it',
        as: 'figure',
        of: ({ price }) => (price === null ? null : priceWords(price, currency)),
      },
      hasPrices && {
        id: 'cost',
        head: 'Cost',
        meaning: 'of what is to be bought',
        as: 'figure',
        of: ({ cost }) => (cost === null ? null : priceWords(cost, currency)),
      },
      { id: 'for', head: 'For', meaning: 'what it is for, and how much of it', of: (line) => line.for },
    ),
  };
}
