'use client';

import { Checkbox } from '@mantine/core';
import { wallSheet } from '@/core/papers/wallSheet';
import type { Plan } from '@/core/plan/plan';
import type { PropOf } from '@/core/props/registry';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit } from '../show/ShowProvider';
import styles from './wall.module.css';

/** What to type where, and in which order; ticks are kept with the show. */
export function FieldSheet({ plan, prop, index }: { plan: Plan; prop: PropOf<'wall'>; index: number }) {
  const edit = useEdit();
  const sheet = wallSheet(plan, index);
  const ticks = prop.ticks ?? [];
  const tick = (id: string, on: boolean) => {
    const next = on ? [...ticks, id] : ticks.filter((each) => each !== id);
    edit({ type: 'changeProp', propId: prop.id, change: { ticks: next.length > 0 ? next : null } });
  };
  return (
    <div className={sheets.sheet}>
      <div className={sheets.columns}>
        <div>
          {sheet.groups.map((group) => (
            <div key={group.title}>
              <h2>{group.title}</h2>
              <SheetTable
                label={group.title}
                rows={group.values}
                rowKey={(value) => value.name}
                columns={[
                  { head: 'Asked for', cell: (value) => value.name, text: (value) => value.name },
                  {
                    head: 'Type',
                    cell: (value) => <b className="mono">{value.value}</b>,
                    text: (value) => value.value,
                  },
                  {
                    head: 'Of',
                    cell: (value) => <span style={{ whiteSpace: 'nowrap' }}>{value.scope}</span>,
                    text: (value) => value.scope,
                  },
                  { head: 'Which means', cell: (value) => value.meaning, text: (value) => value.meaning },
                ]}
              />
            </div>
          ))}
        </div>
        <div>
          <h2>In this order</h2>
          <p className={sheets.lead}>
            {sheet.steps.filter((step) => ticks.includes(step.id)).length} of {sheet.steps.length} done.
            Enabled, saved, sent and restarted are four different things.
          </p>
          <div data-testid="steps">
            {sheet.steps.map((step) => (
              <div key={step.id} className={styles.step}>
                <Checkbox
                  checked={ticks.includes(step.id)}
                  onChange={(event) => tick(step.id, event.currentTarget.checked)}
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
