'use client';

import { useRef } from 'react';
import { CORNERS, cornerWords, type Corner, type ViewSide } from '@/core/threading/view';
import styles from './fields.module.css';

interface CornerPickerProps {
  /** The thing at the corner; the first pixel unless said otherwise. */
  what?: string;
  /** As seen from `side`. */
  value: Corner;
  side: ViewSide;
  onChange: (corner: Corner) => void;
}

/** The four corners where they are, as seen from the side that is shown. Arrows go from corner to corner. */
export function CornerPicker({ what = 'First pixel', value, side, onChange }: CornerPickerProps) {
  const group = useRef<HTMLDivElement>(null);
  const step = (key: string) => {
    const at = CORNERS.indexOf(value);
    // Corners are listed row by row, two a row.
    const next = { ArrowLeft: at & 2, ArrowRight: at | 1, ArrowUp: at & 1, ArrowDown: at | 2 }[key];
    if (next === undefined) return false;
    onChange(CORNERS[next]!);
    group.current?.querySelectorAll('button')[next]?.focus();
    return true;
  };
  return (
    <div>
      <div className={styles.label}>
        {what}, seen from the {side}
      </div>
      <div
        ref={group}
        className={styles.corners}
        role="radiogroup"
        aria-label={`${what}, seen from the ${side}`}
        onKeyDown={(event) => {
          if (!step(event.key)) return;
          event.preventDefault();
          event.stopPropagation();
        }}
      >
        {CORNERS.map((corner) => (
          <button
            key={corner}
            type="button"
            role="radio"
            aria-checked={corner === value}
            tabIndex={corner === value ? 0 : -1}
            className={styles.corner}
            onClick={() => onChange(corner)}
          >
            {cornerWords(corner)}
          </button>
        ))}
      </div>
    </div>
  );
}
