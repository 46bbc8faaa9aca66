import { Select } from '@mantine/core';
import type { Values } from '@/core/devices/settings/values';
import { ParsedField } from '@/ui/fields/ParsedField';
import styles from './SettingGrid.module.css';

type Value = string | number;

interface SettingFieldProps {
  label: string;
  /** In a grid: its label is told to screen readers alone. */
  isCell?: boolean;
  values: Values<Value>;
  placeholder: string;
  /** Undefined where it is not set. */
  value: Value | undefined;
  /** The value that counts as nothing said. */
  usual?: Value | null;
  onCommit: (value: Value | undefined) => void;
}

/** A value of a setting, which may be left unsaid: then the field is empty. */
export function SettingField({
  label,
  isCell,
  values,
  placeholder,
  value,
  usual,
  onCommit,
}: SettingFieldProps) {
  const isUsual = usual !== undefined && value === undefined;
  const name = isCell
    ? { 'aria-label': label, size: 'xs', className: isUsual ? `${styles.cell} ${styles.usual}` : styles.cell }
    : { label };
  if (values.choices)
    return (
      <Select
        {...name}
        placeholder={placeholder}
        clearable={usual === undefined}
        allowDeselect={false}
        data={values.choices.map(String)}
        value={value === undefined ? (usual?.toString() ?? null) : String(value)}
        onChange={(chosen) => onCommit(chosen === null || chosen === usual ? undefined : chosen)}
      />
    );
  return (
    <ParsedField
      {...name}
      placeholder={placeholder}
      value={value}
      format={(shown: Value | undefined) => (shown === undefined ? '' : String(shown))}
      parse={(text) => {
        const typed = text.trim();
        if (typed === '') return { ok: true, value: undefined };
        const read = values.read(typed);
        if (read === null) return { ok: false, message: `“${typed}” is not ${values.allowed}.` };
        return { ok: true, value: read === usual ? undefined : read };
      }}
      onCommit={onCommit}
    />
  );
}
