import { aFeed, aSupply, drawing, toPixel, typed } from '../../../tests/unit/power';
import { aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { openFuses } from './openFuse';
import { FULL_WHITE } from './shown';

const types = aShow().pixelTypes;
const show = (cuts: number[]) =>
  aShow({
    props: [aLine('rail', 100)],
    pixelTypes: types.map((type) =>
      type.id === 'rgb' ? drawing(type, 60, { rail: { kind: 'copper', ohmPerM: typed(0.01) } }) : type,
    ),
    supplies: [aSupply()],
    feeds: [1, 100].map((pixel) => aFeed([toPixel('rail', pixel)], { fuseAmps: 5 })),
    cuts: cuts.map((afterPixel, i) => ({ id: `c${i}`, propId: 'rail', run: 1, afterPixel })),
  });

it('the other lead then carries both halves, and is told where that is too much', () => {
  // Each carries 3 A of the 4 that a fuse of 5 A carries; alone 6 A.
  expect(openFuses(planShow(show([])), FULL_WHITE)).toEqual([
    { feed: 0, dark: 0, below: 0, overloaded: [1] },
    { feed: 1, dark: 0, below: 0, overloaded: [0] },
  ]);
});

it('with plus cut between them one half goes dark, and nothing is overloaded', () => {
  expect(openFuses(planShow(show([50])), FULL_WHITE)).toEqual([
    { feed: 0, dark: 50, below: 0, overloaded: [] },
    { feed: 1, dark: 50, below: 0, overloaded: [] },
  ]);
});
