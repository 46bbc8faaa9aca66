'use client';

import { wallValuesTable } from '@/core/papers/tables/walls';
import { Checkbox } from '@mantine/core';
import { wallSheet } from '@/core/papers/wallSheet';
import { sheetStepOf } from '@/core/show/facts';
import type { Plan } from '@/core/plan/planned';
import type { PropOf } from '@/core/props/registry';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useNote, useShow } from '../show/ShowProvider';
import styles from './wall.module.css';

/** Values to type, in their order; ticks are kept with the values that were typed. */
export function FieldSheet({ plan, prop, index }: { plan: Plan; prop: PropOf<'wall'>; index: number }) {
  const note = useNote();
  const facts = useShow((state) => state.facts);
  const sheet = wallSheet(plan, index);
  // A step that was done with other values is to be done again.
  const isDone = (step: string) => facts.isSheetStepDone(prop.id, step, sheet.groups);
  return (
    <div className={sheets.sheet}>
      <div className={sheets.columns}>
        <div>
          {sheet.groups.map((group) => (
            <div key={group.title}>
              <h2>{group.title}</h2>
              <SheetTable table={wallValuesTable(group)} />
            </div>
          ))}
        </div>
        <div>
          <h2>In this order</h2>
          <p className={sheets.lead}>
            {sheet.steps.filter((step) => isDone(step.id)).length} of {sheet.steps.length} done. Enabled,
            saved, sent and restarted are four different things.
          </p>
          <div data-testid="steps">
            {sheet.steps.map((step) => (
              <div key={step.id} className={styles.step}>
                <Checkbox
                  checked={isDone(step.id)}
                  onChange={(event) =>
                    note(sheetStepOf(prop.id, step.id, event.currentTarget.checked ? sheet.groups : null))
                  }
                  label={
                    <>
                      {step.words}
                      <span className={styles.why}>{step.why}</span>
                    </>
                  }
                />
              </div>
            ))}
          </div>
        </div>
      </div>
    </div>
  );
}
