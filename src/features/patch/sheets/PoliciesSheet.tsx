'use client';

import { Button } from '@mantine/core';
import type { PolicyRow } from '@/core/answers/comparePolicies';
import { USUAL_RATE_HZ } from '@/core/checks/frameRate';
import type { Plan } from '@/core/plan/planned';
import { groupDigits } from '@/core/units/number';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../../sheets/sheets.module.css';
import { useAnswer, useEdit } from '../../show/ShowProvider';

/** What the whole show takes under each policy. */
export function PoliciesSheet({ plan }: { plan: Plan }) {
  const edit = useEdit();
  const rateHz = plan.show.addressing.wantedRateHz ?? USUAL_RATE_HZ;
  const rows = useAnswer('policies', rateHz);
  const figure = (head: string, unit: string | undefined, text: (row: PolicyRow) => string) => ({
    head,
    unit,
    numeric: true,
    cell: text,
    text,
  });
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Controllers and props that have a policy of their own keep it; these are the show’s, for all others.
        Both ends must agree: a sender that counts 510 and a controller that counts 512 rotate the colours.
      </p>
      {!rows && <p role="status">Planning the show under each policy…</p>}
      <SheetTable
        label="Policies compared"
        testId="policies"
        rows={rows ?? []}
        rowKey={(row) => row.words}
        chosen={(row) => row.isCurrent}
        columns={[
          { head: 'Policy', cell: (row: PolicyRow) => row.words, text: (row) => row.words },
          figure('Universes', undefined, (row) => groupDigits(row.universes)),
          figure('Last', 'show channel', (row) => groupDigits(row.lastShowChannel)),
          figure('Straddling', 'props', (row) => groupDigits(row.straddlingProps)),
          figure('Packets', 'a second', (row) => groupDigits(row.packetsPerSecond)),
          figure('On the wire', `Mbit/s at ${rateHz}/s`, (row) => row.mbits.toFixed(2)),
          {
            head: '',
            cell: (row) =>
              row.isCurrent ? (
                <b style={{ color: 'var(--lamp)' }}>in use</b>
              ) : (
                <Button
                  size="compact-xs"
                  variant="default"
                  onClick={() => edit({ type: 'setAddressing', change: row.addressing })}
                >
                  Use this
                </Button>
              ),
          },
        ]}
      />
    </div>
  );
}
