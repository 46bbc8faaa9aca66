import { aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { screen } from '../props/screen';
import type { Prop } from '../props/registry';
import type { ScreenShape } from '../screens/shape';
import { applyEdit } from '../show/edits/registry';
import { NO_FACTS } from '../show/facts';
import { USUAL_LINK } from '../screens/linkWish';
import { screenFrame } from './screenFrame';
import { screenLink } from './screenLink';

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
    'top (53) is no whole number of cuts of 3',
  ],
  [
    'more strip than room',
    { installed: { top: 57, bottom: 57 } },
    'at the top and bottom is longer than its room',
  ],
  ['a count that differs from the run', { countedOnWire: 160 }, 'run 166 against counted on the wire 160'],
  [
    'data that begins inside a cut',
    { pixelsPerCut: 3, start: 'bottomLeft' as const, startOffset: 1 },
    'where the data begins, lies inside a cut',
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

it('tells of a gap on a corner, which leaves no room for a pixel', () => {
  const gap = { lengthMm: 500, offsetMm: 200 };
  expect(found({ standGap: gap })[0]!.message).toContain(
    'no room for a pixel at the bottom, right of the stand: a gap or a corner takes it',
  );
});

it('tells of a link that carries too few pictures, and each mend does away with it', () => {
  const link = { ...USUAL_LINK, wantedHz: 60 };
  const linkOf = (change: Partial<ScreenShape>) => screenLink.find(planShow(showOf(change)), NO_FACTS);
  expect(linkOf({})).toEqual([]);
  const [one] = linkOf({ link });
  expect(one!.message).toContain('of 60 that are wanted; the link holds them up');
  expect(one!.mends.map(({ label }) => label)).toEqual([
    'Plan it with 460,800 baud',
    'Want no more than 45 a second',
  ]);
  for (const { edit } of one!.mends)
    expect(screenLink.find(planShow(applyEdit(showOf({ link }), edit)), NO_FACTS)).toEqual([]);
});
