import { laidEndToEnd, rangeProblems, rangesForOrphans } from '../props/ranges';
import { defineCheck, type Mend } from './check';
import { plannedAt } from '../plan/records';

export const rangesOdd = defineCheck(
  'ranges',
  'Named ranges cover the pixels of a prop once: no overlap, no orphan, none past the end.',
  (plan) =>
    plan.show.props.flatMap((prop, index) => {
      const { ranges } = prop;
      const { pixelCount } = plannedAt(plan, index);
      const problems = ranges ? rangeProblems(ranges, pixelCount) : [];
      if (!ranges || problems.length === 0) return [];
      const mend = (label: string, next: typeof ranges): Mend => ({
        label,
        edit: { type: 'changeProp', propId: prop.id, change: { ranges: next } },
      });
      return [
        {
          rank: problems.every(({ kind }) => kind === 'orphans' || kind === 'sum')
            ? ('worthKnowing' as const)
            : ('willLookWrong' as const),
          stage: 'build' as const,
          propId: prop.id,
          message: `${prop.name}: ${problems.map(({ message }) => message).join(' ')}`,
          mends: [
            ...(problems.every(({ kind }) => kind === 'orphans' || kind === 'sum') &&
            problems.some(({ kind }) => kind === 'orphans')
              ? [mend('Make a range of what is in none', rangesForOrphans(ranges, pixelCount))]
              : []),
            mend('Lay the ranges end to end', laidEndToEnd(ranges, pixelCount)),
          ],
        },
      ];
    }),
);
