import type { Plan } from '../plan/planned';
import { propPower } from '../power/propPower';
import type { Shown } from '../power/shown';
import type { FileColumn, Row } from './channelMap';
import { plannedAt, runAt } from '../plan/records';

export const VOLTAGE_COLUMNS: readonly FileColumn[] = [
  { head: 'prop', meaning: 'the name of the prop' },
  { head: 'run', meaning: 'the run of the prop, from 1' },
  { head: 'pixel', meaning: 'its place in the run, from 1' },
  { head: 'volts', meaning: 'between its plus and its ground; empty where no supply reaches' },
  { head: 'ground lift', meaning: 'volts of its ground above that of the supply' },
  { head: 'amps', meaning: 'that it draws' },
  { head: 'red', meaning: 'light of its red, from 0 to 1' },
  { head: 'green', meaning: 'light of its green, from 0 to 1' },
  { head: 'blue', meaning: 'light of its blue, from 0 to 1' },
  { head: 'white', meaning: 'light of its white channel, from 0 to 1' },
];

/** One line a pixel of every prop that a lead goes to, in the order of the show; panels are fed as a whole and have none. */
export function* voltageRows(plan: Plan, shown: Shown): Generator<Row> {
  for (const [prop, { name }] of plan.show.props.entries()) {
    const power = propPower(plan, prop, shown);
    if (!power) continue;
    const { firstRun, runCount, firstPixel } = plannedAt(plan, prop);
    for (let run = firstRun; run < firstRun + runCount; run += 1) {
      const { number, pixelCount, firstPixel: start } = runAt(plan, run);
      for (let i = 0; i < pixelCount; i += 1) {
        const at = start - firstPixel + i;
        const fed = !power.unfed[at];
        const light = [0, 1, 2, 3].map((part) => digits(power.light[4 * at + part]! / 255, 3));
        yield [
          name,
          number,
          i + 1,
          fed ? digits(power.volts[at]!, 4) : '',
          fed ? digits(power.liftVolts[at]!, 4) : '',
          fed ? digits(power.amps[at]!, 5) : '',
          ...light,
        ];
      }
    }
  }
}

const digits = (value: number, count: number) => Number(value.toFixed(count));
