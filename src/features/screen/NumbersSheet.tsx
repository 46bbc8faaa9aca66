'use client';

import { Select, Switch } from '@mantine/core';
import { useState } from 'react';
import { namedRangesTable, numbersTable } from '@/core/papers/tables/screens';
import type { PropOf } from '@/core/props/registry';
import { framePieces } from '@/core/screens/frame';
import { conventionNumbers, type Convention } from '@/core/screens/numbers';
import { namedRanges } from '@/core/screens/ranges';
import { SCREEN_CORNERS, startWords } from '@/core/screens/sides';
import { Hint } from '@/ui/Panel';
import { SheetTable } from '@/ui/SheetTable';
import sheets from '../sheets/sheets.module.css';
import { ScreenDrawing } from './ScreenDrawing';
import styles from './screen.module.css';

/** The same frame in the count of whatever program shows the picture. */
export function NumbersSheet({ prop }: { prop: PropOf<'screen'> }) {
  const { shape, name } = prop;
  const [convention, setConvention] = useState<Convention>({
    corner: 'topLeft',
    direction: 'clockwise',
    firstIndex: 0,
    countsHidden: false,
  });
  const set = (change: Partial<Convention>) => setConvention({ ...convention, ...change });
  const numbers = conventionNumbers(shape, convention);
  return (
    <div className={sheets.sheet}>
      <h2>Numbers to type</h2>
      <p className={sheets.lead}>
        Programs count from different corners and in different directions. Say how yours counts, as seen from
        the front; everything follows.
      </p>
      <div className={sheets.fields}>
        <Select
          label="It counts from the"
          allowDeselect={false}
          value={convention.corner}
          data={SCREEN_CORNERS.map((value) => ({ value, label: startWords(value) }))}
          onChange={(corner) => corner && set({ corner })}
        />
        <Select
          label="It counts"
          allowDeselect={false}
          value={convention.direction}
          data={[
            { value: 'clockwise', label: 'clockwise' },
            { value: 'counterclockwise', label: 'counter-clockwise' },
          ]}
          onChange={(direction) => direction && set({ direction })}
        />
        <Select
          label="Its first light is"
          allowDeselect={false}
          value={String(convention.firstIndex)}
          data={['0', '1']}
          onChange={(value) => value && set({ firstIndex: value === '1' ? 1 : 0 })}
        />
        <Switch
          label="Hidden ones have numbers"
          checked={convention.countsHidden}
          onChange={(event) => set({ countsHidden: event.currentTarget.checked })}
        />
      </div>
      <div className={styles.beside}>
        <SheetTable testId="numbers" table={numbersTable(name, numbers)} />
        <div className={styles.two}>
          <figure>
            <ScreenDrawing shape={shape} numbers={null} />
            <figcaption>As it is wired: 0 is where the data begins</figcaption>
          </figure>
          <figure>
            <ScreenDrawing shape={shape} numbers={numbers.of} />
            <figcaption>As your program counts</figcaption>
          </figure>
        </div>
      </div>
      <h3>Named ranges</h3>
      <p className={sheets.lead}>
        Lights that are set together, by their numbers on the wire from 0, dark ones counted. Both ends belong
        to it.
      </p>
      <SheetTable testId="named-ranges" table={namedRangesTable(name, namedRanges(shape))} />
      {framePieces(shape).some(({ planned, pixels }) => planned !== pixels) && (
        <Hint>Counts that were installed are used, where they differ from the planned ones.</Hint>
      )}
    </div>
  );
}
