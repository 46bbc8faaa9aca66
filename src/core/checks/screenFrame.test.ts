import { aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { screen } from '../props/screen';
import type { Prop } from '../props/registry';
import type { ScreenShape } from '../screens/frame';
import { applyEdit } from '../show/edits/registry';
import { NO_FACTS } from '../show/facts';
import { screenFrame } from './screenFrame';

const showOf = (change: Partial<ScreenShape>) =>
  aShow({
    props: [
      {
        id: 'club',
        name: 'Club screen',
        placeId: 'site',
        pixelTypeId: 'rgb',
        kind: 'screen',
        shape: { ...screen.starter().shape, ...change },
        threading: { runs: 1 },
      } as Prop,
    ],
  });
const found = (change: Partial<ScreenShape>) => screenFrame.find(planShow(showOf(change)), NO_FACTS);

it.each([
  ['sides that disagree', { installed: { left: 28 } }, 'left 28 against right 29 do not agree'],
  [
    'a corner inside a cut',
    { pixelsPerCut: 3, installed: { top: 53 } },
    'top 53 is no whole number of cuts of 3',
  ],
  [
    'more strip than room',
    { installed: { top: 57, bottom: 57 } },
    'at the top and bottom is longer than its room',
  ],
])('finds %s, and its mend does away with it', (_, change, words) => {
  const [one] = found(change);
  expect(one!.message).toContain(words);
  const after = applyEdit(showOf(change), one!.mends[0]!.edit);
  expect(screenFrame.find(planShow(after), NO_FACTS)).toEqual([]);
});

it('finds nothing where what was installed agrees, or nobody counted', () => {
  expect(found({})).toEqual([]);
  expect(found({ installed: { left: 28, right: 28 } })).toEqual([]);
});
