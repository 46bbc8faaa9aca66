'use client';

import { LOADING } from '@/core/catalogue/supply';
import type { Plan } from '@/core/plan/planned';
import { overWords } from '@/core/power/overWords';
import type { LoadedFuseRow } from '@/core/power/report';
import { FULL_WHITE } from '@/core/power/shown';
import { formatAmps, formatVolts, formatWatts } from '@/core/units/electric';
import { countOf } from '@/core/units/number';
import { Hint } from '@/ui/Panel';
import sheets from '../sheets/sheets.module.css';
import { useShow } from '../show/ShowProvider';
import { BoardCards } from './BoardCards';
import styles from './power.module.css';
import { Opening } from '../sheets/Opening';
import { AddSupply, SupplyFields } from './SupplyFields';
import { usePower } from './usePower';

function fuseRowWords(positions: number, row: LoadedFuseRow): string {
  const spare = Math.max(0, row.spare);
  return `Row of ${positions} fuses: ${positions - row.spare} taken${spare > 0 ? `, ${spare} spare (with those ${formatAmps(row.fullAmps)})` : ''}; its pair carries ${formatAmps(row.carriesAmps)} and loses ${formatVolts(row.dropVolts)}`;
}

/** Every supply with what hangs on it. */
export function SuppliesSheet({ plan }: { plan: Plan }) {
  const supplies = useShow((state) => state.show.supplies);
  const power = usePower(FULL_WHITE, null);
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Closed, certified supplies, or ones in an enclosure with strain relief and earth, behind
        residual-current protection outdoors. Their mains side is for licensed people and local codes, and is
        never planned here.
      </p>
      {supplies.length === 0 && (
        <p className={sheets.empty}>
          No supply yet. Add one, choose a prop on the left, and bring a lead to it: then the volts at every
          pixel are known.
        </p>
      )}
      <div className={styles.cards}>
        {supplies.map((supply) => {
          const index = plan.show.supplies.findIndex((each) => each.id === supply.id);
          const load = power?.report.supplies[index];
          const place = plan.show.places.find((each) => each.id === supply.placeId);
          return (
            <section key={supply.id} className={styles.card} aria-label={supply.name}>
              <h3>
                {supply.name}{' '}
                <small className={styles.small}>
                  {supply.volts} V, {formatAmps(supply.ratedAmps.value)}
                  {place && `, ${place.name}`}
                </small>
              </h3>
              {load && (
                <>
                  <div className={styles.bar} data-over={load.isOver}>
                    <span style={{ width: `${Math.min(100, (100 * load.wantedAmps) / load.ratedAmps)}%` }} />
                  </div>
                  <p className={styles.small}>
                    <b>{formatAmps(load.wantedAmps)}</b> ({formatWatts(load.wantedAmps * supply.volts)}) at
                    full white, of {formatAmps(load.carriesAmps)} for hours, {formatAmps(load.ratedAmps)} at
                    most · {countOf(load.leads, 'lead')}
                  </p>
                  {load.fuseRow && (
                    <p className={styles.small}>{fuseRowWords(supply.fuseRow!.positions, load.fuseRow)}</p>
                  )}
                  {load.isOver && (
                    <p className={`${styles.small} ${styles.bad}`}>{overWords(supply.volts, load)}</p>
                  )}
                </>
              )}
              <Opening words="Change it">
                <SupplyFields supply={supply} />
              </Opening>
            </section>
          );
        })}
      </div>
      <div style={{ marginTop: supplies.length > 0 ? 14 : 0 }}>
        <AddSupply plan={plan} prop={undefined} />
      </div>
      {plan.show.controllers.length > 0 && (
        <>
          <h3>Boards</h3>
          <BoardCards plan={plan} power={power} />
        </>
      )}
      <Hint>
        A supply carries {LOADING * 100} % of its rating for hours. Never join the plus of two supplies: part
        it into zones, and join the grounds.
      </Hint>
    </div>
  );
}
