import { Button, CloseButton } from '@mantine/core';
import { useState } from 'react';
import { newId } from '@/core/fields/fields';
import type { Plan } from '@/core/plan/planned';
import { groupDigits } from '@/core/units/number';
import { WholeField } from '@/ui/fields/fields';
import { Hint, Row, Section, Stack } from '@/ui/Panel';
import { useEdit, useShow } from '../show/ShowProvider';
import styles from './power.module.css';
import { Opening } from '../sheets/Opening';
import { propAt, plannedAt } from '@/core/plan/records';

/** Cuts of plus between two pixels of a prop, so that each zone has a supply or a fuse of its own. */
export function CutsSection({ plan, prop }: { plan: Plan; prop: number }) {
  const edit = useEdit();
  const { id } = propAt(plan, prop);
  const cuts = useShow((state) => state.show.cuts).filter((cut) => cut.propId === id);
  const { firstRun, runCount } = plannedAt(plan, prop);
  const [run, setRun] = useState(1);
  const count = plan.runs[firstRun + Math.min(run, runCount) - 1]?.pixelCount ?? 0;
  const [after, setAfter] = useState(Math.max(1, Math.floor(count / 2)));
  if (count < 2) return null;
  const isCut = cuts.some((cut) => cut.run === run && cut.afterPixel === after);
  return (
    <Section
      title={
        cuts.length === 0 ? 'Zones' : `Plus is cut ${cuts.length === 1 ? 'once' : `${cuts.length} times`}`
      }
    >
      {cuts.map((cut) => (
        <div key={cut.id} className={styles.leadHead}>
          <span className={styles.small}>
            run {cut.run}, between pixels {groupDigits(cut.afterPixel)} and {groupDigits(cut.afterPixel + 1)}
          </span>
          <CloseButton
            size="sm"
            aria-label={`Join plus again after pixel ${cut.afterPixel} of run ${cut.run}`}
            onClick={() => edit({ type: 'removeCut', cutId: cut.id })}
          />
        </div>
      ))}
      <Opening words="Cut plus…">
        <Stack>
          <Row>
            {runCount > 1 && (
              <WholeField
                label="Run"
                what="The run"
                least={1}
                most={runCount}
                value={run}
                onCommit={setRun}
              />
            )}
            <WholeField
              label="After pixel"
              what="The pixel"
              least={1}
              most={count - 1}
              value={Math.min(after, count - 1)}
              onCommit={setAfter}
            />
          </Row>
          <Button
            size="compact-sm"
            disabled={isCut}
            onClick={() =>
              edit({
                type: 'addCut',
                cut: { id: newId('cut'), propId: id, run, afterPixel: Math.min(after, count - 1) },
              })
            }
          >
            Cut plus here
          </Button>
          <Hint>
            Unplug first. Only plus is cut: ground and data go on. Two supplies on one prop need it, and with
            it an open fuse is seen as a dark zone.
          </Hint>
        </Stack>
      </Opening>
    </Section>
  );
}
