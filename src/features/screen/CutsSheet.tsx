'use client';

import { useState } from 'react';
import { bridgesTable, screenCutsTable } from '@/core/papers/tables/screens';
import type { Plan } from '@/core/plan/planned';
import type { PropOf } from '@/core/props/registry';
import { frameTicks, screenCuts } from '@/core/screens/cuts';
import { pictureSize, type CornerWay } from '@/core/screens/shape';
import { startWords } from '@/core/screens/sides';
import { formatLength } from '@/core/units/length';
import { countOf } from '@/core/units/number';
import { Facts } from '@/ui/Facts';
import { LengthField } from '@/ui/fields/fields';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import styles from './screen.module.css';
import { plannedAt } from '@/core/plan/records';

const STYLE_WORDS: Record<CornerWay['style'], string> = {
  bent: 'bent',
  cut: 'cut and bridged',
  pieces: 'with a corner piece',
};

/** Cuts, bridges, and the rest of the rolls. */
export function CutsSheet({ plan, index, prop }: { plan: Plan; index: number; prop: PropOf<'screen'> }) {
  const { shape, name, pixelTypeId } = prop;
  const [rollMm, setRollMm] = useState(5000);
  const pixelType = plan.show.pixelTypes.find(({ id }) => id === pixelTypeId);
  const list = screenCuts(shape, rollMm, pixelType);
  const { widthMm, heightMm } = pictureSize(shape);
  const inches = (mm: number) => `${(mm / 25.4).toFixed(1)} in`;
  return (
    <div className={sheets.sheet}>
      <h2>Strip and cuts</h2>
      <p className={sheets.lead}>
        In the order of the data, from where it begins. Unplug the supply before you cut; cut on the marks
        alone, in the middle of the copper.
      </p>
      <SheetTable testId="cuts" table={screenCutsTable(name, list, plan.show.lengths)} />
      <div className={styles.beside}>
        <div>
          <Facts
            facts={[
              {
                name: 'Strip in all',
                value: formatLength(list.stripMm, plan.show.lengths),
                note:
                  list.bridges.length === 0
                    ? 'one strip that runs on'
                    : `${countOf(list.bridges.length + 1, 'piece')}, mounted one by one`,
              },
              {
                name: 'Rolls',
                value: String(list.rolls),
                note: `${formatLength(list.leftMm, plan.show.lengths)} left over`,
              },
              list.largestDiagonalMm !== null && {
                name: 'One roll frames up to',
                value: inches(list.largestDiagonalMm),
                note: `this one is ${inches(Math.hypot(widthMm, heightMm))}`,
              },
              ...list.corners.map(({ corner, style, lostPixels }) => ({
                name: `Corner ${startWords(corner)}`,
                value: STYLE_WORDS[style],
                note: lostPixels > 0 ? `costs ${countOf(lostPixels, 'pixel')}` : 'costs no pixel',
              })),
            ]}
          />
          <LengthField
            label="Length of a roll"
            what="A roll"
            leastMm={100}
            mostMm={100_000}
            value={rollMm}
            onCommit={setRollMm}
          />
        </div>
        <ul className={styles.checks} aria-label="What should agree">
          {frameTicks(shape, plannedAt(plan, index).pixelCount).map(({ words, isRight }) => (
            <li key={words} data-right={isRight}>
              {isRight ? '✓' : '✗'} {words}
            </li>
          ))}
        </ul>
      </div>
      {list.bridges.length > 0 && (
        <>
          <h3>Wire bridges, {list.bridges.length}</h3>
          <SheetTable testId="bridges" table={bridgesTable(name, list, plan.show.lengths)} />
        </>
      )}
    </div>
  );
}
