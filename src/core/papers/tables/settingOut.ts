import type { SettingOut, StakePlace } from '../../props/settingOut';
import { formatLength, type Lengths } from '../../units/length';
import { groupDigits } from '../../units/number';
import { capitalised } from '../../units/words';
import { columnsOf, type Column, type Table } from '../../pages/table';

/** Words for the places of a prop and their measures. */
interface PlaceWords {
  /** The thing that stands there: a stake, a pixel. */
  word: string;
  xFrom: string;
  yFrom: string;
  /** Whether there is a middle from which a radius is measured. */
  middle: boolean;
}

const wholeMm = (valueMm: number) => Math.round(valueMm) + 0;

/** Every place of a prop by x and y and by two tapes. */
export function settingOutTable(
  propName: string,
  out: SettingOut,
  { word, xFrom, yFrom, middle }: PlaceWords,
  lengths: Lengths,
): Table<StakePlace> {
  const imperial = lengths === 'imperial';
  const length = (
    id: string,
    head: string,
    unit: string,
    meaning: string,
    of: (place: StakePlace) => number | null,
  ): Column<StakePlace> => ({
    id,
    head,
    // In metric the unit stands once at the head; feet and inches are written out.
    ...(imperial ? (unit === 'mm' ? {} : { unit: unit.replace(/^mm,? /, '') }) : { unit }),
    meaning,
    as: 'figure',
    of: (place) => {
      const valueMm = of(place);
      if (valueMm === null) return null;
      if (!imperial) return wholeMm(valueMm);
      return `${valueMm < -0.5 ? '−' : ''}${formatLength(Math.abs(wholeMm(valueMm)), lengths)}`;
    },
  });
  return {
    name: `Setting out of ${propName}`,
    rows: out.places,
    keyOf: (place) => place.number,
    columns: columnsOf<StakePlace>(
      {
        id: 'number',
        head: capitalised(word),
        meaning: `the number of the ${word}, in the order of the strands or pixels`,
        as: 'figure',
        of: (place) => place.number,
      },
      length('x', 'x', xFrom, 'to the right', (place) => place.xMm),
      length('y', 'y', yFrom, 'up, or away from you on a plan of the ground', (place) => place.yMm),
      middle && length('radius', 'Radius', 'mm', 'from the middle', (place) => place.radiusMm),
      length(
        'next',
        'To the next',
        'mm, straight',
        `straight to the next ${word}`,
        (place) => place.toNextMm,
      ),
      middle &&
        out.places.some((place) => place.toNextArcMm !== null) &&
        length(
          'next-arc',
          'To the next',
          'mm, along the curve',
          `along the circle to the next ${word}`,
          (place) => place.toNextArcMm,
        ),
      length(
        'tape-a',
        'Tape A',
        `mm from ${groupDigits(out.referenceA)}`,
        'along the tape that is hooked to the first reference',
        (place) => place.tapeAMm,
      ),
      length(
        'tape-b',
        'Tape B',
        `mm from ${groupDigits(out.referenceB)}`,
        'along the tape that is hooked to the second reference',
        (place) => place.tapeBMm,
      ),
    ),
  };
}
