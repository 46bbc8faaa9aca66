'use client';

import { memo } from 'react';
import type { Plan } from '@/core/plan/planned';
import { kindOf, type Prop } from '@/core/props/registry';
import { formatLength } from '@/core/units/length';
import { countOf, groupDigits } from '@/core/units/number';
import { Facts } from '@/ui/Facts';
import { Section, Stack } from '@/ui/Panel';
import { Fetched } from '@/ui/fetched';
import { faceOf } from '../kinds/registry';
import { useEdit, useShow } from '../show/ShowProvider';
import { useView } from '../view/useView';
import { RunsFields } from './RunsFields';
import { itemAt } from '@/core/units/there';
import { plannedAt } from '@/core/plan/records';

/** The order of the data through a prop: where it enters, which way it goes, in how many runs. */
export const RoutePanel = memo(function RoutePanel({ prop }: { prop: Prop }) {
  const edit = useEdit();
  const set = (change: object) =>
    edit({ type: 'setThreading', propId: prop.id, threading: { ...prop.threading, ...change } });

  const { RoutePanel: Own, ThreadingEditor } = faceOf(prop);
  if (Own)
    return (
      <Fetched>
        <Own prop={prop} />
      </Fetched>
    );
  return (
    <>
      <Section title={`Threading · ${prop.name}`}>
        <Stack>
          {ThreadingEditor && <ThreadingEditor threading={prop.threading} onChange={set} />}
          <RunsFields prop={prop} onChange={(runs) => set({ runs })} />
        </Stack>
      </Section>
      <Section title="What follows">
        <ThreadFacts prop={prop} />
      </Section>
    </>
  );
});

function ThreadFacts({ prop }: { prop: Prop }) {
  const plan = useShow((state) => state.plan);
  const index = plan?.show.props.findIndex((each) => each.id === prop.id) ?? -1;
  return plan && index !== -1 ? <PlannedFacts plan={plan} index={index} prop={prop} /> : null;
}

function PlannedFacts({ plan, index, prop }: { plan: Plan; index: number; prop: Prop }) {
  const { side } = useView();
  const { firstRun, runCount, jumpers, strands } = plannedAt(plan, index);
  const counts = plan.runs.slice(firstRun, firstRun + runCount).map((run) => run.pixelCount);
  const lengths = jumpers.map((jumper) => jumper.lengthMm);
  const total = lengths.reduce((sum, length) => sum + length, 0);
  const equal = lengths.length > 0 && Math.max(...lengths) - Math.min(...lengths) < 1;
  return (
    <Facts
      facts={[
        ...(kindOf(prop).threadingFacts?.(prop.threading, side) ?? []),
        { name: 'Strands', value: countOf(strands.length, kindOf(prop).strandWord(prop.threading)) },
        {
          name: runCount === 1 ? 'Run' : 'Runs',
          value:
            counts.length <= 4
              ? `${counts.map(groupDigits).join(' + ')} px`
              : `${counts.length} of ${groupDigits(Math.min(...counts))}–${groupDigits(Math.max(...counts))} px`,
        },
        {
          name: 'Jumpers',
          value:
            lengths.length === 0
              ? 'none'
              : equal
                ? `${lengths.length} × ${formatLength(itemAt(lengths, 0), plan.show.lengths)}`
                : `${lengths.length}`,
          note:
            lengths.length === 0
              ? undefined
              : `${formatLength(total, plan.show.lengths)} in all, from pixel to pixel`,
        },
      ]}
    />
  );
}
