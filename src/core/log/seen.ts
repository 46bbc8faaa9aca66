import { CARE_WORDS, DEVICE_CARE, type Fact, type FactKind } from '../show/facts';
import { isObject } from '../fields/json';
import { capitalised } from '../units/words';
import { PORT_SETTINGS, DEVICE_SETTINGS } from '../devices/settings/registry';

/** Notes that the program makes itself, in words; null for what it does not know. */
export function seenWordsOf(
  kind: FactKind,
  field: string,
  value: Fact['value'],
  unit: string | undefined,
): { what: string; value: string | null } | null {
  const object = isObject(value) ? value : {};
  if (kind === 'told')
    return { what: `${typeof value === 'string' ? value : 'A sheet'} was ${field}`, value: null };
  if (kind === 'deviceStep') return { what: `Noted as ${field}`, value: null };
  if (kind === 'tick')
    return { what: tickWords(field), value: typeof value === 'string' && !/-/.test(value) ? value : null };
  if (kind === 'found')
    return { what: `Read off ${field === 'sender' ? 'the sender' : 'the device'}`, value: null };
  const revision = /^revision\.(\d+)$/.exec(field)?.[1];
  if (kind === 'decision' && revision)
    return { what: `Revision ${revision} was named`, value: String(object.name ?? '') };
  if (kind === 'test' && field === 'rig') return { what: 'Faults of the simulator were set', value: null };
  if (kind === 'test' && field === 'firmware')
    return { what: 'Firmware', value: String(object.version ?? '') };
  const care = DEVICE_CARE.find((each) => field === `care.${each}`);
  if (care) return { what: CARE_WORDS[care], value: null };
  const step = /^bringUp\.(.+)$/.exec(field)?.[1];
  if (kind === 'test' && step)
    return {
      what: `First power-up, ${step}: ${object.seen === 'asPlanned' ? 'as planned' : 'otherwise'}`,
      value:
        typeof object.volts === 'number'
          ? `${object.volts} ${unit ?? 'V'}`
          : typeof object.words === 'string'
            ? object.words
            : null,
    };
  if (kind === 'measurement') {
    const read = READ_WORDS[String(object.what)]?.(object);
    const number = object.volts ?? object.amps;
    if (read) return { what: read, value: typeof number === 'number' && unit ? `${number} ${unit}` : null };
  }
  return null;
}

/** Readings of Power, by what was read. */
const READ_WORDS: Record<string, (value: Record<string, unknown>) => string> = {
  pixelVolts: ({ run, pixel }) => `Volts at pixel ${String(pixel)} of run ${String(run)}`,
  leadVolts: ({ piece }) => `Volts where piece ${Number(piece) + 1} ends`,
  supplyVolts: () => 'Volts of the supply',
  amps: () => 'Amps at its source',
  fadesFrom: ({ run, pixel }) => `White fades from pixel ${String(pixel)} of run ${String(run)}`,
  recovers: ({ run, percent }) => `White again at ${String(percent)} % to the end of run ${String(run)}`,
};

function tickWords(field: string): string {
  const step = /^step\.(.+)$/.exec(field)?.[1];
  if (step) return `Step of a sheet: ${step}`;
  const port = /^port\.(\d+)\.(.+)$/.exec(field);
  const setting = [...PORT_SETTINGS, ...DEVICE_SETTINGS].find((each) => each.field === (port?.[2] ?? field));
  const words = setting?.words ?? field;
  return `${capitalised(words)}${port ? ` of port ${port[1]}` : ''} was typed`;
}
