'use client';

import { policiesTable } from '@/core/papers/tables/policies';
import { UseThis } from '../../sheets/UseThis';
import { wantedRateOf } from '@/core/catalogue/packing';
import type { Plan } from '@/core/plan/planned';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../../sheets/sheets.module.css';
import { useAnswer, useEdit } from '../../show/ShowProvider';

/** Needs of the whole show under each policy. */
export function PoliciesSheet({ plan }: { plan: Plan }) {
  const edit = useEdit();
  const rateHz = wantedRateOf(plan.show.addressing);
  const rows = useAnswer('policies', rateHz);
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Controllers and props that have a policy of their own keep it; these are the show’s, for all others.
        Both ends must agree: a sender that counts 510 and a controller that counts 512 rotate the colours.
      </p>
      {!rows && <p role="status">Planning the show under each policy…</p>}
      <SheetTable
        testId="policies"
        table={policiesTable(rows ?? [], rateHz)}
        chosen={(row) => row.isCurrent}
        after={{
          head: '',
          cell: (row) => (
            <UseThis
              inUse={row.isCurrent}
              onUse={() => edit({ type: 'setAddressing', change: row.addressing })}
            />
          ),
        }}
      />
    </div>
  );
}
