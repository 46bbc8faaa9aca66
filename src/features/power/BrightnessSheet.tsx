'use client';

import { liftedWords, limitersTable, supplyCapsTable } from '@/core/papers/tables/brightness';
import type { Plan } from '@/core/plan/planned';
import { PatternsSection } from './PatternsSection';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useAnswer } from '../show/ShowProvider';

/** The brightest level: by each supply, and the value for the limiter of each device. */
export function BrightnessSheet({ plan }: { plan: Plan }) {
  const caps = useAnswer('caps', null);
  if (plan.show.supplies.length === 0)
    return (
      <div className={sheets.sheet}>
        <p className={sheets.empty}>
          No supply yet. With one, and leads to its pixels, this says how bright they may be.
        </p>
      </div>
    );
  const isCurrent =
    caps?.supplies.length === plan.show.supplies.length &&
    caps.controllers.every(({ controller }) => plan.show.controllers[controller]);
  if (!caps || !isCurrent) return <p role="status">Adding up what draws…</p>;
  const lifted = liftedWords(plan, caps.lifted);
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        A limiter inside a device keeps its total whatever is sent to it. A percent in a program does not: a
        reset, a test or another program lifts it, so nothing is sized by it.
      </p>
      {lifted && <p className={sheets.lead}>{lifted}</p>}
      <SheetTable testId="supply-caps" table={supplyCapsTable(plan, caps.supplies)} />
      <h3>To type into each device</h3>
      {caps.controllers.length === 0 ? (
        <p className={sheets.empty}>No fed pixel is on a port yet.</p>
      ) : (
        <SheetTable testId="limiters" table={limitersTable(plan, caps.controllers)} />
      )}
      <PatternsSection plan={plan} supplies={caps.supplies} />
      <p className={sheets.lead}>
        Levels are bytes at the chips, rounded down; what chips take while dark is never dimmed. A percent in
        a program is the same only without a gamma or a dimming curve. Strips in closed, hot or flammable
        places need less still.
      </p>
    </div>
  );
}
