'use client';

import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import sheets from '../sheets/sheets.module.css';
import { BandsHelp } from './help/BandsHelp';
import { BreakHelp } from './help/BreakHelp';
import { CountHelp } from './help/CountHelp';
import { FlickerHelp } from './help/FlickerHelp';
import { OrderHelp } from './help/OrderHelp';
import { PanelsHelp } from './help/PanelsHelp';
import { PortsHelp } from './help/PortsHelp';
import { ScanHelp } from './help/ScanHelp';
import { SmearHelp } from './help/SmearHelp';
import { StockHelp } from './help/StockHelp';
import styles from './help/help.module.css';

/** Small helps for one question each: what is seen goes in, what to change comes out. */
export function HelpSheet({ plan, prop }: { plan: Plan; prop: number | null }) {
  const isPanelled = prop !== null && (kindOf(plan.show.props[prop]!).panelled ?? false);
  return (
    <div className={sheets.sheet}>
      <h2>Bench help</h2>
      <p className={sheets.lead}>
        One question each: say what you see, and what to change follows. Change it at one end, at the device
        or at the sender, never at both.
      </p>
      <div className={styles.cards}>
        <OrderHelp plan={plan} prop={prop} />
        <CountHelp plan={plan} prop={prop} />
        {prop !== null && !isPanelled && <BreakHelp plan={plan} prop={prop} />}
        {isPanelled && <PanelsHelp plan={plan} prop={prop!} />}
        <PortsHelp plan={plan} prop={prop} />
        <SmearHelp />
        <BandsHelp />
        <ScanHelp />
        <FlickerHelp />
        <StockHelp />
      </div>
    </div>
  );
}
