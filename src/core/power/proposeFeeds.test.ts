import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aFeed, aSupply, drawing, toPixel, typed } from '../../../tests/unit/power';
import { aGrid, aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { namedLeads } from '../catalogue/feed';
import type { Prop } from '../props/registry';
import type { Show } from '../show/schema';
import { proposeFeeds, reachablePixels, type FeedWish } from './proposeFeeds';
import { powerReport } from './report';
import { safeLevel, tooMuch } from './safeLevel';
import { FULL_WHITE } from './shown';

const types = aShow().pixelTypes;
const rgb = types.find((type) => type.id === 'rgb')!;
const showWith = (prop: Prop, milliohm: number, change: Partial<Show> = {}): Show =>
  aShow({
    props: [prop],
    pixelTypes: types.map((type) =>
      type.id === 'rgb'
        ? drawing(rgb, 60, { rail: { kind: 'copper', ohmPerM: typed(milliohm / 50) } })
        : type,
    ),
    supplies: [aSupply()],
    ...change,
  });
const wish = (change: Partial<FeedWish> = {}): FeedWish => ({
  shown: FULL_WHITE,
  leastVolts: 11,
  reach: 'any',
  supplyId: 's',
  leadMm: 500,
  wire: 'mm2-2.5',
  ...change,
});
const added = (show: Show, feeds: ReturnType<typeof proposeFeeds>['feeds']): Show => ({
  ...show,
  feeds: [...show.feeds, ...namedLeads(show.feeds, feeds, (i) => `new-${i}`)],
});
const lowestOf = (show: Show) =>
  Math.min(
    show.feeds.length === 0 ? -1 : Infinity,
    ...powerReport(planShow(show), FULL_WHITE).runs.map((run) => (run.unfed > 0 ? -1 : run.lowestVolts!)),
  );

it('meets its own limit when it is solved anew, with fuses that its leads can have', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 60 }),
      fc.double({ min: 0.5, max: 20, noNaN: true }),
      fc.double({ min: 9, max: 11.7, noNaN: true }),
      fc.constantFrom('ends', 'any'),
      fc.boolean(),
      (count, milliohm, leastVolts, reach, isFed) => {
        const show = showWith(aLine('rail', count), milliohm, {
          feeds: isFed ? [aFeed([toPixel('rail', 1)])] : [],
        });
        const made = proposeFeeds(planShow(show), 0, wish({ leastVolts, reach: reach as 'ends' }));
        const after = added(show, made.feeds);
        expect(lowestOf(after)).toBeCloseTo(made.lowestVolts ?? -1, 9);
        expect(lowestOf(after) >= leastVolts - 1e-6).toBe(made.isEnough);
        for (const { fuse } of powerReport(planShow(after), FULL_WHITE).leads.slice(
          -made.feeds.length || Infinity,
        ))
          expect(fuse).not.toBeNull();
      },
    ),
    { numRuns: tries(25) },
  );
});

it('takes no more places than the best of all choices', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 4, max: 12 }),
      fc.double({ min: 5, max: 200, noNaN: true }),
      (count, milliohm) => {
        const show = showWith(aLine('rail', count), milliohm);
        const made = proposeFeeds(planShow(show), 0, wish({ leastVolts: 11.2 }));
        const places = reachablePixels(planShow(show), 0, 0, 'any');
        let best = Infinity;
        for (let choice = 0; choice < 1 << places.length; choice += 1) {
          const pixels = places.filter((_, i) => choice & (1 << i));
          if (pixels.length >= best || pixels.length >= made.feeds.length) continue;
          const feeds = pixels.map((pixel) =>
            aFeed([toPixel('rail', pixel, { lengthMm: 500, wire: 'mm2-2.5' })]),
          );
          if (lowestOf({ ...show, feeds }) >= 11.2) best = pixels.length;
        }
        // Nothing smaller was enough.
        expect(best).toBe(Infinity);
        expect(made.isFewest || !made.isEnough).toBe(true);
      },
    ),
    { numRuns: tries(6) },
  );
});

it('adds nothing to what is fed well, and says when no place is enough', () => {
  const fed = showWith(aLine('rail', 20), 1, { feeds: [aFeed([toPixel('rail', 1)])] });
  expect(proposeFeeds(planShow(fed), 0, wish())).toMatchObject({ feeds: [], isEnough: true, isFewest: true });
  const hopeless = showWith(aLine('rail', 200), 50);
  expect(proposeFeeds(planShow(hopeless), 0, wish({ reach: 'ends', leastVolts: 11.9 })).isEnough).toBe(false);
});

it('goes only where somebody can reach', () => {
  const grid = showWith(aGrid('net', 10, 4), 1);
  const plan = planShow(grid);
  expect(reachablePixels(plan, 0, 0, 'ends')).toEqual([1, 40]);
  expect(reachablePixels(plan, 0, 0, 'loops')).toEqual([1, 10, 11, 20, 21, 30, 31, 40]);
  for (const pixel of reachablePixels(plan, 0, 0, 'ground'))
    expect(plan.pixels.yMm[pixel - 1]).toBeLessThanOrEqual(100);
});

it('the safe level is the last at which nothing is too much', () => {
  const show = showWith(aLine('rail', 150), 2.5, { feeds: [aFeed([toPixel('rail', 1)], { fuseAmps: 5 })] });
  const plan = planShow(show);
  const { percent, heldBackBy } = safeLevel(plan, FULL_WHITE);
  // 5 A at 80 % are 4 A of 9.
  expect(percent).toBe(44);
  expect(heldBackBy).toBe('a fuse of 5 A');
  const at = (level: number) => tooMuch(plan, powerReport(plan, { ...FULL_WHITE, level }));
  expect(at(percent / 100)).toBeNull();
  expect(at((percent + 1) / 100)).not.toBeNull();
});
