import { namedLeads, type NewFeed } from '../catalogue/feed';
import type { Plan } from '../plan/planned';
import { kindOf } from '../props/registry';
import { formatLength } from '../units/length';
import { proposeFeeds, reachablePixels, type FeedWish } from './proposeFeeds';
import { isRailHot } from './rails';
import { reportOf } from './report';
import { solveTried } from './solvePower';
import { itemAt } from '../units/there';
import { propAt, plannedAt, runAt } from '../plan/records';

export type CompareWish = Omit<FeedWish, 'leastVolts'> & { leastVolts: number };

/** A way to feed a prop, and what it takes. */
export interface FeedScheme {
  id: 'asItIs' | 'start' | 'ends' | 'middle' | 'pieces' | 'loops' | 'proposal';
  words: string;
  /** The leads of this way, in the place of those that the prop has; their ids are to be given. */
  feeds: NewFeed[];
  /** Null where something of it is reached by nothing. */
  lowestVolts: number | null;
  isEnough: boolean;
  taps: number;
  /** Two wires on each tap. */
  solderJoints: number;
  /** Wire of both conductors. */
  wireMm: number;
  heatWatts: number;
}

/** A prop fed in the usual ways, each from one supply with leads of one length and size, and the fewest that are enough. */
export function compareFeeds(plan: Plan, prop: number, wish: CompareWish): FeedScheme[] {
  const { id } = propAt(plan, prop);
  const { firstRun, runCount } = plannedAt(plan, prop);
  const others = plan.show.feeds.filter(
    ({ pieces }) => !pieces.some(({ to }) => to.kind !== 'controller' && to.propId === id),
  );
  const runs = Array.from({ length: runCount }, (_, i) => runAt(plan, firstRun + i));
  const leadsAt = (pixelsOf: (run: number, count: number) => number[]): NewFeed[] =>
    runs.flatMap((run, i) =>
      [...new Set(pixelsOf(firstRun + i, run.pixelCount))]
        .filter((pixel) => pixel >= 1 && pixel <= run.pixelCount)
        .map((pixel) => ({
          from: { kind: 'supply' as const, supplyId: wish.supplyId },
          pieces: [
            {
              lengthMm: wish.leadMm,
              wire: wish.wire,
              to: { kind: 'pixel' as const, propId: id, run: run.number, pixel },
            },
          ],
        })),
    );
  const bare = { ...plan, show: { ...plan.show, feeds: others } };
  const made = (scheme: FeedScheme['id'], words: string, feeds: NewFeed[]): FeedScheme => {
    const show = {
      ...plan.show,
      feeds: [...others, ...namedLeads(others, feeds, (i) => `scheme-${i}`)],
    };
    const changed = { ...plan, show };
    const groups = solveTried(changed, (group) => group.props.includes(prop), wish.shown);
    const report = reportOf(changed, wish.shown, groups);
    const fed = report.runs.filter((run) => run.prop === prop);
    const isReached = fed.length > 0 && fed.every((run) => run.unfed === 0 && run.lowestVolts !== null);
    const lowestVolts = isReached ? Math.min(...fed.map((run) => run.lowestVolts!)) : null;
    const pieces = feeds.flatMap((feed) => feed.pieces);
    return {
      id: scheme,
      words,
      feeds,
      lowestVolts,
      isEnough: lowestVolts !== null && lowestVolts >= wish.leastVolts - 1e-6 && !fed.some(isRailHot),
      taps: pieces.length,
      solderJoints: 2 * pieces.length,
      wireMm: pieces.reduce((sum, piece) => sum + 2 * piece.lengthMm, 0),
      heatWatts: report.heatWatts,
    };
  };
  const of = propAt(plan, prop);
  const strandWord = kindOf(of).strandWord(of.threading);
  const own = plan.show.feeds
    .filter((feed) => !others.includes(feed))
    .map(({ id: _id, name: _name, ...feed }) => feed);
  return [
    ...(own.length > 0 ? [made('asItIs', 'As it is', own)] : []),
    made(
      'start',
      'Fed once, at the start',
      leadsAt(() => [1]),
    ),
    made(
      'ends',
      nearEnds(plan, prop),
      leadsAt((_, count) => [1, count]),
    ),
    made(
      'middle',
      'Both ends and the middle',
      leadsAt((_, count) => [1, Math.ceil(count / 2), count]),
    ),
    made(
      'pieces',
      `Each ${strandWord} at its start`,
      leadsAt((run, count) => strandStarts(plan, run, count)),
    ),
    made(
      'loops',
      'Every loop',
      leadsAt((run) => reachablePixels(plan, prop, run, 'loops')),
    ),
    made('proposal', 'Just enough', proposeFeeds(bare, prop, wish).feeds),
  ];
}

/** Pixels of a run, from 1, at which a strand or a piece begins. */
function strandStarts({ runs, pixels: { strand } }: Plan, run: number, count: number): number[] {
  const { firstPixel } = itemAt(runs, run);
  return Array.from({ length: count }, (_, i) => i + 1).filter(
    (pixel) => pixel === 1 || strand[firstPixel + pixel - 1] !== strand[firstPixel + pixel - 2],
  );
}

/** Ends that are nearer than this are fed by one lead that is parted there. */
const NEAR_MM = 300;

/** Feeding both ends of a run that ends near its beginning, as round a screen, costs hardly more than feeding one. */
function nearEnds({ show, props, runs, pixels }: Plan, prop: number): string {
  const { firstRun, runCount } = itemAt(props, prop);
  const gaps = Array.from({ length: runCount }, (_, i) => {
    const { firstPixel, pixelCount } = itemAt(runs, firstRun + i);
    const last = firstPixel + pixelCount - 1;
    return pixelCount < 3
      ? Infinity
      : Math.hypot(pixels.xMm[firstPixel]! - pixels.xMm[last]!, pixels.yMm[firstPixel]! - pixels.yMm[last]!);
  });
  const most = Math.max(...gaps);
  return most <= NEAR_MM ? `Both ends, ${formatLength(most, show.lengths)} apart` : 'Both ends';
}
