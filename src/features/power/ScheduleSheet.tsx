'use client';

import { scheduleRows, scheduleTable } from '@/core/papers/tables/feeds';
import type { Plan } from '@/core/plan/planned';
import { FULL_WHITE } from '@/core/power/shown';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useShow } from '../show/ShowProvider';
import { ReadField } from './ReadingsSheet';
import { usePower } from './usePower';
import { useShown } from './useShown';

/** Every lead of the show, to cut, join and fuse by. */
export function ScheduleSheet({ plan }: { plan: Plan }) {
  const { shown, percent } = useShown();
  const planned = usePower(shown, null);
  const worst = usePower(FULL_WHITE, null);
  const facts = useShow((state) => state.facts);
  if (plan.show.feeds.length === 0)
    return (
      <div className={sheets.sheet}>
        <p className={sheets.empty}>No lead yet. Choose a prop on the left and bring a lead to it.</p>
      </div>
    );
  if (!planned || !worst) return <p role="status">Working out what flows…</p>;
  // The table is of the plan that was asked about; one that is on its way comes at once.
  const isCurrent = planned.report.leads.every(({ feed }) => plan.show.feeds[feed]);
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Unplug every supply before you cut or join anything. One fuse for each lead, at its source, sized for
        everything at full white: a cap in a program can be lifted by a reset or another program.
      </p>
      {isCurrent && (
        <SheetTable
          testId="schedule"
          table={scheduleTable(
            plan,
            scheduleRows(plan, planned.report, worst.report, facts),
            `at ${percent} %`,
          )}
          fields={{ read: ({ end }) => <ReadField place={end} /> }}
        />
      )}
    </div>
  );
}
