import { useState } from 'react';
import { scanOf } from '@/core/diagnose/help/scan';
import { MaybeWholeField } from '@/ui/fields/fields';
import { HelpAnswer, QuickCheck } from './QuickCheck';
import styles from './quickChecks.module.css';

/** The scan of a panel of which nobody knows anything. */
export function ScanCheck() {
  const [rows, setRows] = useState<number | null>(null);
  const [atOnce, setAtOnce] = useState<number | null>(null);
  const found = rows !== null && atOnce !== null ? scanOf(rows, atOnce) : null;
  return (
    <QuickCheck
      title="An unknown panel"
      says="Light one line of data, and count the rows that are lit at once. A walk then shows the path of its pixels, which is noted in the wall."
    >
      <div className={styles.row}>
        <MaybeWholeField
          label="Rows of the panel"
          what="The rows"
          least={1}
          most={256}
          value={rows}
          onCommit={setRows}
        />
        <MaybeWholeField
          label="Rows lit at once"
          what="The rows at once"
          least={1}
          most={256}
          value={atOnce}
          onCommit={setAtOnce}
        />
      </div>
      {found && (
        <HelpAnswer>
          <p>{found.words}</p>
        </HelpAnswer>
      )}
    </QuickCheck>
  );
}
