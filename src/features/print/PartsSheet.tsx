'use client';

import { useMemo } from 'react';
import { USUAL_MINUTES_PER_JOINT, USUAL_SPARE_PERCENT } from '@/core/catalogue/partsBook';
import { minutesWords, partsTable, priceWords } from '@/core/papers/tables/parts';
import { partsList, type PartLine } from '@/core/parts/partsList';
import type { Plan } from '@/core/plan/planned';
import { countOf } from '@/core/units/number';
import { NumberUnitField } from '@/ui/fields/NumberUnitField';
import { ParsedField } from '@/ui/fields/ParsedField';
import { WordsField } from '@/ui/fields/WordsField';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { useEdit, useShow } from '../show/ShowProvider';
import styles from './print.module.css';
import { PrintButton } from '../sheets/PrintButton';

/** Parts of the plan, stock at hand, parts to buy, and the time for the joints. */
export function PartsSheet({ plan }: { plan: Plan }) {
  const edit = useEdit();
  // Typed values are in the show before it is planned anew.
  const book = useShow((state) => state.show.parts);
  const list = useMemo(
    () => partsList({ ...plan, show: { ...plan.show, ...(book ? { parts: book } : {}) } }),
    [plan, book],
  );
  const { labour, cost, withoutPrice, currency } = list;
  if (list.lines.length === 0)
    return (
      <div className={sheets.sheet}>
        <p className={sheets.empty}>
          Nothing is planned yet. Add a prop in Build, and what it takes stands here.
        </p>
      </div>
    );
  const field = (line: PartLine, name: 'have' | 'price' | 'spare', label: string) => (
    <ParsedField
      aria-label={`${label}: ${line.name}`}
      className={styles.narrow}
      inputMode="decimal"
      size="xs"
      value={name === 'price' ? line.price : name === 'spare' ? line.spare : line.have || null}
      format={(value: number | null) => (value === null ? '' : String(value))}
      parse={(text) => {
        if (text.trim() === '') return { ok: true, value: null };
        const value = Number(text.trim().replace(',', '.'));
        return Number.isFinite(value) && value >= 0 && value <= 1_000_000
          ? { ok: true, value }
          : { ok: false, message: `A number from 0 to 1,000,000; “${text.trim()}” is not.` };
      }}
      onCommit={(value) =>
        edit({ type: 'setPart', part: line.id, name: line.name.slice(0, 120), change: { [name]: value } })
      }
    />
  );
  const table = partsTable(list);
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Everything that the plan takes. Type what you have and, if you like, what one costs: what is to be
        bought follows, and is on the printed list too.
      </p>
      <div className={styles.fields}>
        <NumberUnitField
          label="Spare of what breaks or gets lost"
          unit="%"
          least={0}
          most={200}
          value={book?.sparePercent ?? USUAL_SPARE_PERCENT}
          onCommit={(sparePercent) => edit({ type: 'setParts', change: { sparePercent } })}
        />
        <NumberUnitField
          label="One joint takes you"
          unit="min"
          least={0.1}
          most={240}
          value={book?.minutesPerJoint ?? USUAL_MINUTES_PER_JOINT}
          onCommit={(minutesPerJoint) => edit({ type: 'setParts', change: { minutesPerJoint } })}
        />
        <WordsField
          label="Prices are in"
          placeholder="EUR"
          most={6}
          value={book?.currency ?? ''}
          onCommit={(currency) => edit({ type: 'setParts', change: { currency: currency || null } })}
        />
        <PrintButton sheet="parts" name="Parts and labour" />
      </div>
      <p className={styles.sums} role="status">
        <b className="mono">{countOf(labour.joints, 'joint')}</b> to solder, about{' '}
        <b className="mono">{minutesWords(labour.minutes)}</b>
        {labour.isOwnPace ? ' at your pace' : ' at a usual pace'}.{' '}
        {cost !== null && (
          <>
            To buy: <b className="mono">{priceWords(cost, currency)}</b>
            {withoutPrice > 0 && `, and ${countOf(withoutPrice, 'part')} without a price`}.
          </>
        )}
      </p>
      <div className={styles.parts}>
        <SheetTable
          testId="parts"
          table={table}
          fields={{
            have: (line) => field(line, 'have', 'Have'),
            spare: (line) => field(line, 'spare', 'Spare'),
            price: (line) => field(line, 'price', 'Price'),
          }}
          after={
            list.lines.some(({ price }) => price !== null)
              ? []
              : [{ head: 'Price', cell: (line: PartLine) => field(line, 'price', 'Price') }]
          }
        />
      </div>
    </div>
  );
}
