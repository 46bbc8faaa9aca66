import { frameTicks, screenCuts } from '../screens/cuts';
import { framePieces, withoutCounts } from '../screens/frame';
import type { ScreenShape } from '../screens/shape';
import { listOf } from '../units/words';
import { defineKindCheck, type Mend } from './check';
import { plannedAt } from '../plan/records';

/** A length for no roll in particular: only the pieces are asked for. */
const ANY_ROLL_MM = 5000;

export const screenFrame = defineKindCheck(
  'screen-frame',
  'screen',
  'The sides of a screen agree with one another, with its run and with the cut marks of its strip.',
  (prop, index, plan) => {
    const { shape } = prop;
    const ticks = frameTicks(shape, plannedAt(plan, index).pixelCount);
    const { cuts } = screenCuts(shape, ANY_ROLL_MM);
    const wrong = ticks.filter(({ isRight }) => !isRight).map(({ words }) => words.replace('=', 'against'));
    const inside = cuts
      .filter(({ marks }) => !Number.isInteger(marks))
      .map(({ words, pixels }) => `${words} (${pixels})`);
    const long = cuts.filter(({ spareMm }) => spareMm < -0.5).map(({ words }) => words);
    const empty = framePieces(shape)
      .filter(({ planned, pixels }) => planned === 0 && pixels === 0)
      .map(({ words }) => words);
    const says = [
      ...(wrong.length > 0 ? [`${listOf(wrong)} do not agree`] : []),
      ...(inside.length > 0
        ? [
            `${listOf(inside)} is no whole number of cuts of ${shape.pixelsPerCut}: a corner, or where the data begins, lies inside a cut`,
          ]
        : []),
      ...(long.length > 0 ? [`the strip at the ${listOf(long)} is longer than its room`] : []),
      ...(empty.length > 0
        ? [`there is no room for a pixel at the ${listOf(empty)}: a gap or a corner takes it`]
        : []),
    ];
    if (says.length === 0) return [];
    return [
      {
        rank: 'willLookWrong',
        stage: 'build',
        propId: prop.id,
        message: `${prop.name}: ${says.join('; ')}. Zones and numbers follow what is installed; count once more, or measure the sides.`,
        mends: mendsFor(prop.id, shape),
      },
    ];
  },
);

function mendsFor(propId: string, shape: ScreenShape): Mend[] {
  const planned = withoutCounts(shape);
  const set = (next: ScreenShape) => ({ type: 'setShape' as const, propId, shape: next });
  const mends: Mend[] = [];
  if (JSON.stringify(planned) !== JSON.stringify(shape))
    mends.push({ label: 'Take the planned counts', edit: set(planned) });
  const onMark = beginsOnMark(shape);
  if (onMark) mends.push({ label: 'Begin the data on a cut mark', edit: set(onMark) });
  return mends;
}

const isOnMarks = (shape: ScreenShape) =>
  screenCuts(shape, ANY_ROLL_MM).cuts.every(({ marks }) => Number.isInteger(marks));

/** The same with the data beginning some pixels further on, so that no cut is parted; null where that does not help. */
function beginsOnMark(shape: ScreenShape): ScreenShape | null {
  if (isOnMarks(shape)) return null;
  for (let more = 1; more < shape.pixelsPerCut; more += 1) {
    const moved = { ...shape, startOffset: shape.startOffset + more };
    if (isOnMarks(moved)) return moved;
  }
  return null;
}
