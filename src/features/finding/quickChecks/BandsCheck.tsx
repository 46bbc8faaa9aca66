import { Select } from '@mantine/core';
import { useState } from 'react';
import { packingOf } from '@/core/diagnose/help/packingBands';
import { HelpAnswer, QuickCheck } from './QuickCheck';
import styles from './quickChecks.module.css';

const COLOURS = [
  { value: 'R', label: 'Red' },
  { value: 'G', label: 'Green' },
  { value: 'B', label: 'Blue' },
];

/** Size of universes from the bands of a sent fill. */
export function BandsCheck() {
  const [bands, setBands] = useState<readonly (string | null)[]>(['R', null, null]);
  const told = bands.slice(0, bands.indexOf(null) === -1 ? 3 : bands.indexOf(null)).join('');
  const found = packingOf(told);
  return (
    <QuickCheck
      title="Bands on a fill of red"
      says="Red is sent, and after the first 170 lights the colour changes, band by band: the two ends count universes otherwise."
    >
      <div className={styles.row}>
        {['First band', 'Second band', 'Third band'].map((label, i) => (
          <Select
            key={label}
            label={label}
            placeholder="I see…"
            data={COLOURS}
            value={bands[i] ?? null}
            onChange={(value) => setBands(bands.map((each, k) => (k === i ? value : each)))}
          />
        ))}
      </div>
      {told.length >= 2 && (
        <HelpAnswer>
          <p>
            {found
              ? found.words
              : 'Universes of another size do not show that: look at the colour order and the start channel first.'}
          </p>
        </HelpAnswer>
      )}
    </QuickCheck>
  );
}
