'use client';

import type { Plan } from '@/core/plan/planned';
import { isPanelled } from '@/core/props/registry';
import sheets from '../sheets/sheets.module.css';
import { BandsCheck } from './quickChecks/BandsCheck';
import { BreakCheck } from './quickChecks/BreakCheck';
import { CountCheck } from './quickChecks/CountCheck';
import { FlickerCheck } from './quickChecks/FlickerCheck';
import { OrderCheck } from './quickChecks/OrderCheck';
import { PanelsCheck } from './quickChecks/PanelsCheck';
import { PortsCheck } from './quickChecks/PortsCheck';
import { ScanCheck } from './quickChecks/ScanCheck';
import { SmearCheck } from './quickChecks/SmearCheck';
import { StockCheck } from './quickChecks/StockCheck';
import styles from './quickChecks/quickChecks.module.css';
import { propAt } from '@/core/plan/records';

/** Small helps for one question each: what is seen goes in, what to change comes out. */
export function QuickChecksSheet({ plan, prop }: { plan: Plan; prop: number | null }) {
  const panelled = prop !== null && isPanelled(propAt(plan, prop));
  return (
    <div className={sheets.sheet}>
      <h2>Quick checks</h2>
      <p className={sheets.lead}>
        One question each: say what you see, and what to change follows. Change it at one end, at the device
        or at the sender, never at both.
      </p>
      <div className={styles.cards}>
        <OrderCheck plan={plan} prop={prop} />
        <CountCheck plan={plan} prop={prop} />
        {prop !== null && !panelled && <BreakCheck plan={plan} prop={prop} />}
        {panelled && <PanelsCheck plan={plan} prop={prop!} />}
        <PortsCheck plan={plan} prop={prop} />
        <SmearCheck />
        <BandsCheck />
        <ScanCheck />
        <FlickerCheck />
        <StockCheck />
      </div>
    </div>
  );
}
