import { aShow } from '../../../tests/unit/shows';
import { painted, patternById } from '../patterns/registry';
import { stretchesOf } from '../patterns/selection';
import { planShow } from '../plan/plan';
import type { Prop } from '../props/registry';
import { screen } from '../props/screen';
import { seenByLight } from './screenSeen';

const shape = screen.starter().shape;
const plan = planShow(
  aShow({
    props: [
      {
        id: 'club',
        name: 'Club screen',
        placeId: 'site',
        pixelTypeId: 'rgb',
        kind: 'screen',
        shape,
        threading: { runs: 1 },
      } as Prop,
    ],
  }),
);

it('reads from the light of a screen what one who stands before it sees of marked pixels', () => {
  // It begins at the bottom left and goes up: 29, 54, 29 and 54 lights. The fourth place is not there.
  const places = [0, 29, 83, 500, 120];
  const light = painted(patternById('marks')!, {
    plan,
    stretches: stretchesOf(plan, { on: 'pixels', propId: 'club', places }),
    timeS: 0,
    step: null,
    level: 0.3,
    colour: [0, 0, 0, 0],
  });
  expect(seenByLight(shape, light, places.length)).toEqual(['left', 'top', 'right', 'dark', 'bottom']);
});

it('marks nothing of a prop that is not there', () => {
  expect(stretchesOf(plan, { on: 'pixels', propId: 'other', places: [0] })).toEqual([]);
});
