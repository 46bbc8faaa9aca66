'use client';

import { Slider } from '@mantine/core';
import { useId, useState } from 'react';
import styles from './fields.module.css';

interface LevelSliderProps {
  label: string;
  /** In the unit that is shown; whole numbers. */
  value: number;
  least?: number;
  most: number;
  unit?: string;
  /** While it is dragged. */
  onDrag?: (value: number) => void;
  /** When it is let go of, or stepped by a key. */
  onCommit: (value: number) => void;
}

/** A figure that is found by eye: dragged, or stepped by the arrow keys. What is dragged is kept only when it is let go of. */
export function LevelSlider({
  label,
  value,
  least = 0,
  most,
  unit = '%',
  onDrag,
  onCommit,
}: LevelSliderProps) {
  const id = useId();
  const [dragged, setDragged] = useState<number | null>(null);
  const shown = dragged ?? Math.round(value);
  return (
    <div className={styles.level}>
      <span id={id}>{label}</span>
      <output className="mono">
        {shown} {unit}
      </output>
      <Slider
        aria-labelledby={id}
        thumbLabel={label}
        className={styles.levelTrack}
        min={least}
        max={most}
        label={null}
        value={shown}
        onChange={(next) => {
          setDragged(next);
          onDrag?.(next);
        }}
        onChangeEnd={(next) => {
          setDragged(null);
          onCommit(next);
        }}
      />
    </div>
  );
}
