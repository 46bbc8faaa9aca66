import { currentReadings, formatAmps, formatWatts, parseCurrent } from '@/core/units/electric';
import { ParsedField } from '@/ui/fields/ParsedField';

interface CurrentFieldProps {
  label: string;
  /** In amps. */
  value: number;
  volts: number;
  /** Unit of a number without one. */
  bareUnit?: 'mA' | 'A';
  /** In amps: what it cannot be above, and what is plausible. */
  mostAmps: number;
  plausible?: { least: number; most: number };
  onCommit: (amps: number) => boolean | void;
}

/** A current in amps, milliamps or watts. One that is hardly meant is asked about. The other way to say it stands below. */
export function CurrentField({
  label,
  value,
  volts,
  bareUnit = 'mA',
  mostAmps,
  plausible,
  onCommit,
}: CurrentFieldProps) {
  return (
    <ParsedField
      label={label}
      description={`${formatWatts(value * volts)} at ${volts} V`}
      value={value}
      format={formatAmps}
      parse={(text) => {
        const read = parseCurrent(text, volts, bareUnit);
        if (!read.ok || read.value <= mostAmps) return read;
        return {
          ok: false,
          message: `At most ${formatAmps(mostAmps)} here; “${text.trim()}” is ${formatAmps(read.value)}.`,
        };
      }}
      {...(plausible && { readings: (text) => currentReadings(text, volts, bareUnit, plausible) })}
      onCommit={onCommit}
    />
  );
}
