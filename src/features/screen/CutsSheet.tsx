'use client';

import { useState } from 'react';
import { screenCutsTable } from '@/core/papers/tables/screens';
import type { PropOf } from '@/core/props/registry';
import { screenCuts } from '@/core/screens/cuts';
import { pictureSize } from '@/core/screens/frame';
import { formatLength } from '@/core/units/length';
import { countOf } from '@/core/units/number';
import { Facts } from '@/ui/Facts';
import { LengthField } from '@/ui/fields/fields';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import styles from './screen.module.css';

/** What is cut, what is bridged, and what of the rolls is left. */
export function CutsSheet({ prop }: { prop: PropOf<'screen'> }) {
  const { shape, name } = prop;
  const [rollMm, setRollMm] = useState(5000);
  const list = screenCuts(shape, rollMm);
  const { widthMm, heightMm } = pictureSize(shape);
  const inches = (mm: number) => `${(mm / 25.4).toFixed(1)} in`;
  return (
    <div className={sheets.sheet}>
      <h2>Strip and cuts</h2>
      <p className={sheets.lead}>
        Seen from the front, clockwise from the top left. Unplug the supply before you cut; cut on the marks
        alone, in the middle of the copper.
      </p>
      <SheetTable testId="cuts" table={screenCutsTable(name, list)} />
      <div className={styles.beside}>
        <div>
          <Facts
            facts={[
              { name: 'Strip in all', value: formatLength(list.stripMm) },
              {
                name: 'Wire bridges',
                value: String(list.bridges),
                note: 'plus, ground and data each; a clock too where the chip has one',
              },
              {
                name: 'Rolls',
                value: String(list.rolls),
                note: `${formatLength(list.leftMm)} left over`,
              },
              {
                name: 'One roll frames up to',
                value: inches(list.largestDiagonalMm),
                note: `this one is ${inches(Math.hypot(widthMm, heightMm))}`,
              },
            ]}
          />
          <LengthField
            label="Length of a roll"
            what="A roll"
            leastMm={100}
            mostMm={100_000}
            bareUnit="m"
            value={rollMm}
            onCommit={setRollMm}
          />
        </div>
        <ul className={styles.checks} aria-label="What should agree">
          {list.checks.map(({ words, isRight }) => (
            <li key={words} data-right={isRight}>
              {isRight ? '✓' : '✗'} {words}
            </li>
          ))}
          <li data-right>
            ✓{' '}
            {countOf(
              list.pieces.reduce((sum, { pixels }) => sum + pixels, 0),
              'pixel',
            )}{' '}
            in the run
            {shape.hiddenFirst > 0 && `, and ${shape.hiddenFirst} hidden`}
          </li>
        </ul>
      </div>
    </div>
  );
}
