import { kindOf } from '../props/registry';
import { wantedRuns } from '../threading/runs';
import { countOf } from '../units/number';
import { defineCheck } from './check';
import { plannedAt } from '../plan/records';

export const fewerRuns = defineCheck(
  'fewer-runs',
  'A prop is split only between strands, so it has at most as many runs as strands.',
  (plan) =>
    plan.show.props.flatMap((prop, index) => {
      const { runCount } = plannedAt(plan, index);
      if (runCount === 0 || wantedRuns(prop.threading.runs) === runCount) return [];
      const strands = countOf(runCount, kindOf(prop).strandWord(prop.threading));
      return [
        {
          rank: 'worthKnowing' as const,
          stage: 'route' as const,
          propId: prop.id,
          message: `${prop.name} is to have ${countOf(wantedRuns(prop.threading.runs), 'run')}, but only ${strands} to split between, so it has ${countOf(runCount, 'run')}.`,
          mends: [
            {
              label: `Keep ${countOf(runCount, 'run')}`,
              edit: {
                type: 'setThreading' as const,
                propId: prop.id,
                threading: { ...prop.threading, runs: runCount },
              },
            },
          ],
        },
      ];
    }),
);
