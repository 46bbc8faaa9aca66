'use client';

import { SegmentedControl } from '@mantine/core';
import styles from './fields.module.css';

interface ChoiceProps<Value extends string> {
  label: string;
  value: Value;
  onChange: (value: Value) => void;
  data: { value: Value; label: string }[];
}

/** One of a few, side by side. */
export function Choice<Value extends string>({ label, ...rest }: ChoiceProps<Value>) {
  return (
    <div>
      <div className={styles.label}>{label}</div>
      <SegmentedControl fullWidth aria-label={label} {...rest} />
    </div>
  );
}
