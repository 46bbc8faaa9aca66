import type { Plan } from '../plan/planned';
import { FUSE_SHARE } from '../catalogue/fuse';
import { hotPart } from './hotPart';
import { reportOf } from './report';
import type { Shown } from './shown';
import { solvePower, solveWithout } from './solvePower';
import { itemAt } from '../units/there';

/** State of a show with the fuse of one feed open. */
export interface OpenFuse {
  /** Index of its lead in the show. */
  feed: number;
  /** Pixels and panels that go dark. */
  dark: number;
  /** So many more get less than they should. */
  below: number;
  /** Leads that carry more than their parts do, or than their fuse does for hours, by their index. */
  overloaded: number[];
}

/** Each lead in turn with its fuse open, everything at full white or as shown. */
export function openFuses(plan: Plan, shown: Shown): OpenFuse[] {
  const { show } = plan;
  const made: OpenFuse[] = [];
  for (const solved of solvePower(plan, shown)) {
    const whole = reportOf(plan, shown, [solved]);
    const count = (of: typeof whole, field: 'unfed' | 'below') =>
      of.runs.reduce((sum, run) => sum + run[field], 0);
    for (const feed of solved.group.feeds) {
      // It has no fuse.
      if (itemAt(show.feeds, feed).groundOnly) continue;
      const after = reportOf(plan, shown, [solveWithout(plan, solved.group, feed, shown)]);
      made.push({
        feed,
        dark: count(after, 'unfed') - count(whole, 'unfed'),
        below: Math.max(0, count(after, 'below') - count(whole, 'below')),
        overloaded: after.leads
          .filter((lead) => {
            const feed = itemAt(show.feeds, lead.feed);
            const { fuseAmps } = feed;
            const amps = Math.abs(lead.amps);
            return (
              hotPart(show, feed, lead) !== null ||
              (fuseAmps !== undefined && amps > fuseAmps * FUSE_SHARE + 1e-9)
            );
          })
          .map((lead) => lead.feed),
      });
    }
  }
  return made.sort((a, b) => a.feed - b.feed);
}
