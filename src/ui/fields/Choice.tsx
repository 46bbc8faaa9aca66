'use client';

import { SegmentedControl } from '@mantine/core';
import styles from './fields.module.css';

interface ChoiceProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  data: { value: string; label: string }[];
}

/** One of a few, side by side. */
export function Choice({ label, ...rest }: ChoiceProps) {
  return (
    <div>
      <div className={styles.label}>{label}</div>
      <SegmentedControl fullWidth aria-label={label} {...rest} />
    </div>
  );
}
