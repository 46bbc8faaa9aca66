import type { PixelRange } from '../../props/extras';
import { RANGE_CONVENTIONS, writeRange, type RangeConvention } from '../../props/ranges';
import type { Table } from '../../pages/table';

const END_WORDS: Record<RangeConvention['end'], { unit: string; meaning: string; between: string }> = {
  length: { unit: 'start, length', meaning: 'its first index and how many there are', between: ', ' },
  inclusive: { unit: 'start – last', meaning: 'its first and its last index', between: ' – ' },
  exclusive: {
    unit: 'start – stop after',
    meaning: 'its first index, and the one after its last',
    between: ' – ',
  },
};

/**
 * Named ranges of a prop as the screens of different devices ask for them.
 *
 * @param before LEDs of its device before the prop; 0 where it counts for itself
 */
export function rangesTable(ranges: readonly PixelRange[], before = 0): Table<PixelRange> {
  return {
    name: 'Ranges in every convention',
    rows: ranges,
    keyOf: (_, index) => index,
    columns: [
      { id: 'name', head: 'Name', meaning: 'what the range is called', of: (range) => range.name },
      ...RANGE_CONVENTIONS.map((convention) => {
        const { unit, meaning, between } = END_WORDS[convention.end];
        return {
          id: convention.id,
          head: `From ${convention.firstIndex}`,
          unit,
          meaning: `${meaning}, where the first LED ${before > 0 ? 'of the device' : 'of the prop'} is ${convention.firstIndex}`,
          as: 'figure' as const,
          of: (range: PixelRange) => writeRange(range, convention, before).join(between),
        };
      }),
    ],
  };
}
