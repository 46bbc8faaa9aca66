import { Select } from '@mantine/core';
import { WIRE_SIZES } from '@/core/catalogue/wire';

/** A size of wire, each with what it carries. */
export function WireSelect({
  value,
  onChange,
  label = 'Wire',
}: {
  value: string;
  onChange: (wire: string) => void;
  label?: string;
}) {
  return (
    <Select
      label={label}
      allowDeselect={false}
      value={value}
      data={WIRE_SIZES.map(({ id, words, amps }) => ({ value: id, label: `${words}, ${amps} A` }))}
      onChange={(wire) => wire && onChange(wire)}
    />
  );
}
