import { Select } from '@mantine/core';
import { FUSE_AMPS, type FuseAmps } from '@/core/catalogue/fuse';

/** A fuse of a usual size, or none. */
export function FuseSelect({
  label,
  value,
  onChange,
}: {
  label: string;
  value: FuseAmps | undefined;
  onChange: (amps: FuseAmps | null) => void;
}) {
  return (
    <Select
      label={label}
      clearable
      placeholder="none"
      value={value === undefined ? null : String(value)}
      data={FUSE_AMPS.map((amps) => ({ value: String(amps), label: `${amps} A` }))}
      onChange={(amps) => onChange(FUSE_AMPS.find((each) => String(each) === amps) ?? null)}
    />
  );
}
