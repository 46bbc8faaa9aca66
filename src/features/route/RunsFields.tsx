'use client';

import { kindOf, type Prop } from '@/core/props/registry';
import { MOST_RUNS, wantedRuns, type Runs } from '@/core/threading/runs';
import { Choice } from '@/ui/fields/Choice';
import { WholeField, WholeListField } from '@/ui/fields/fields';
import { Hint } from '@/ui/Panel';
import { useShow } from '../show/ShowProvider';
import { capitalised } from '@/core/units/words';

/** Into how many runs a prop is split: evenly by a number, or with so many strands each. */
export function RunsFields({ prop, onChange }: { prop: Prop; onChange: (runs: Runs) => boolean }) {
  const { runs } = prop.threading;
  const strand = kindOf(prop).strandWord(prop.threading);
  const strandsOfRuns = useShow(({ plan }) => {
    const index = plan?.show.props.findIndex((each) => each.id === prop.id) ?? -1;
    const planned = plan?.props[index];
    if (!plan || !planned) return '1';
    return plan.runs
      .slice(planned.firstRun, planned.firstRun + planned.runCount)
      .map((run) => {
        const first = run.firstPixel - planned.firstPixel;
        return planned.strands.filter(
          ({ firstPixel }) => firstPixel >= first && firstPixel < first + run.pixelCount,
        ).length;
      })
      .join(' ');
  });
  return (
    <>
      <Choice
        label="Split into runs"
        value={Array.isArray(runs) ? 'list' : 'evenly'}
        onChange={(how) => onChange(how === 'list' ? strandsOfRuns.split(' ').map(Number) : wantedRuns(runs))}
        data={[
          { value: 'evenly', label: 'Evenly' },
          { value: 'list', label: `By ${strand}s` },
        ]}
      />
      {Array.isArray(runs) ? (
        <WholeListField
          label={`${capitalised(strand)}s of each run`}
          what="Strands of the runs"
          least={1}
          most={10_000}
          mostNumbers={MOST_RUNS}
          separator=" + "
          value={runs}
          onCommit={(list) => list.length > 0 && onChange(list)}
        />
      ) : (
        <WholeField
          label="Runs"
          what="The number of runs"
          least={1}
          most={MOST_RUNS}
          value={runs}
          onCommit={onChange}
        />
      )}
      <Hint>
        {Array.isArray(runs)
          ? `In the order of the data, such as 12 + 8. ${capitalised(strand)}s beyond these belong to the last run.`
          : `Split evenly, cut only between ${strand}s.`}{' '}
        Each run takes a port, or follows another on one.
      </Hint>
    </>
  );
}
