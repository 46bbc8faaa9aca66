'use client';

import { openFusesTable } from '@/core/papers/tables/openFuses';
import type { Plan } from '@/core/plan/planned';
import { FULL_WHITE } from '@/core/power/shown';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useAnswer } from '../show/ShowProvider';

/** Looks and overloads when the fuse of one feed opens. */
export function OpenFusesSheet({ plan }: { plan: Plan }) {
  const rows = useAnswer('openFuses', FULL_WHITE);
  const isCurrent = rows?.every(({ feed }) => plan.show.feeds[feed]);
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Where several leads feed one stretch of plus, an open fuse may not be seen: the others carry its load.
        What is then too much for them is named. Plus cut between their zones shows an open fuse as a dark
        zone instead.
      </p>
      {!rows && <p role="status">Opening each fuse in turn…</p>}
      {rows && isCurrent && <SheetTable testId="fuses" table={openFusesTable(plan, rows)} />}
    </div>
  );
}
