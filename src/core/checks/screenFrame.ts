import { screenCuts } from '../screens/cuts';
import type { ScreenShape } from '../screens/frame';
import { listOf } from '../units/words';
import { defineCheck, type Finding } from './check';

/** Of no roll in particular: only what should agree is asked for. */
const ANY_ROLL_MM = 5000;

export const screenFrame = defineCheck(
  'screen-frame',
  'The sides of a screen agree with one another and with the cut marks of its strip.',
  ({ show }) =>
    show.props.flatMap((prop): Omit<Finding, 'check'>[] => {
      if (prop.kind !== 'screen' || !prop.shape.installed) return [];
      const { pieces, checks } = screenCuts(prop.shape, ANY_ROLL_MM);
      const wrong = checks
        .filter(({ isRight }) => !isRight)
        .map(({ words }) => words.replace('=', 'against'));
      const uneven = pieces
        .filter(({ marks }) => !Number.isInteger(marks))
        .map(({ name, pixels }) => `${name} ${pixels}`);
      const long = pieces.filter(({ spareMm }) => spareMm < -0.5).map(({ name }) => name);
      const says = [
        ...(wrong.length > 0 ? [`${listOf(wrong)} do not agree`] : []),
        ...(uneven.length > 0
          ? [`${listOf(uneven)} is no whole number of cuts of ${prop.shape.pixelsPerCut}`]
          : []),
        ...(long.length > 0 ? [`the strip at the ${listOf(long)} is longer than its room`] : []),
      ];
      if (says.length === 0) return [];
      const { installed: _, ...planned } = prop.shape;
      return [
        {
          severity: 'look',
          stage: 'build',
          propId: prop.id,
          message: `${prop.name}, as it was installed: ${says.join('; ')}. Zones and numbers follow what is installed; count once more, or measure the sides.`,
          mends: [
            {
              label: 'Take the planned counts',
              edit: { type: 'setShape', propId: prop.id, shape: planned satisfies ScreenShape },
            },
          ],
        },
      ];
    }),
);
