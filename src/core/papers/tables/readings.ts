import { numberNoted, type ReadingPlace } from '../../power/readingPlaces';
import { exactness, readingField } from '../../power/readings';
import { formatAmps, formatVolts } from '../../units/electric';
import type { Table, Told } from '../../pages/table';

/** A reading as it stands on screens and papers. */
export function readWords(unit: ReadingPlace['unit'], read: number): string {
  switch (unit) {
    case 'V':
      return formatVolts(read);
    case 'A':
      return formatAmps(read);
    case 'pixel':
      return `pixel ${read}`;
    case '%':
      return `${read} %`;
  }
}

/** A reading with nothing to compare with says so in words. */
function expectedWords({ unit, expected }: ReadingPlace): string | null {
  if (expected !== null) return readWords(unit, expected);
  return unit === 'pixel' ? 'white to its end' : null;
}

/** Distance of a reading from the expected value, and whether a meter tells them apart. */
function differenceCell({ unit, expected, noted }: ReadingPlace): Told | null {
  const read = numberNoted(noted);
  if (read === null || expected === null || unit === '%') return null;
  const by = read - expected;
  const sign = by >= 0 ? '+' : '−';
  const isNear = unit === 'pixel' ? by === 0 : Math.abs(by) <= exactness(unit, expected);
  if (isNear) return { text: 'as planned', mood: 'good' };
  const size = unit === 'pixel' ? `${Math.abs(by)} px` : readWords(unit, Math.abs(by));
  return { text: `${sign}${size}`, mood: 'bad' };
}

/** Every place to read at, with what the plan gives there and a box for what is read. */
export function readingsTable(places: readonly ReadingPlace[], level: string): Table<ReadingPlace> {
  return {
    name: 'Readings',
    rows: places,
    keyOf: ({ list, recordId, value }) => `${list} ${recordId} ${readingField(value)}`,
    columns: [
      {
        id: 'where',
        head: 'Where',
        meaning: 'Where the tips of the meter go, or what to look at',
        of: ({ where }) => where,
      },
      {
        id: 'expected',
        head: 'Expected',
        unit: level,
        as: 'figure',
        meaning: 'What the plan gives there',
        of: expectedWords,
      },
      {
        id: 'read',
        head: 'Read',
        unit: level,
        as: 'figure',
        meaning: 'What the meter showed',
        of: ({ unit, noted }) => {
          const read = numberNoted(noted);
          return read === null ? null : readWords(unit, read);
        },
      },
      {
        id: 'difference',
        head: 'Difference',
        as: 'figure',
        meaning: 'What was read less what was expected',
        of: differenceCell,
      },
    ],
  };
}
