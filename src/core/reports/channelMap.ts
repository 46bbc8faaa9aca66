import { portName } from '../catalogue/controller';
import type { Plan } from '../plan/planned';
import { propAt, controllerAt } from '../plan/records';

export type Row = readonly (string | number)[];

/** A column of a file that is too long to be held at once: its rows come one after another. */
export interface FileColumn {
  /** With its unit, as it stands in the first line. */
  head: string;
  /** The meaning of its values. */
  meaning: string;
}

export function headsOf(columns: readonly FileColumn[]): string[] {
  return columns.map(({ head }) => head);
}

export const CHANNEL_MAP_COLUMNS: readonly FileColumn[] = [
  { head: 'prop', meaning: 'the name of the prop' },
  { head: 'run', meaning: 'the run of the prop, from 1' },
  { head: 'pixel in run', meaning: 'the pixel in data order, from 1' },
  { head: 'port', meaning: 'the port that feeds the run' },
  { head: 'chain position', meaning: 'the place of the run behind the port, from 1' },
  { head: 'universe', meaning: 'of its first channel' },
  { head: 'channel', meaning: 'its first channel in the universe, from 1' },
  { head: 'show channel', meaning: 'its first channel counted over the show, from 1' },
  { head: 'x mm', meaning: 'to the right, on the prop, seen from the front' },
  { head: 'y mm', meaning: 'up' },
  { head: 'z mm', meaning: 'towards the audience' },
];

/**
 * One row for each pixel, in the order of props and of data. The chain position is that of the pixel's run behind the
 * port. What a pixel does not have (a port, a universe) stays empty.
 */
export function* channelMapRows(plan: Plan): Generator<Row> {
  const { universe, channel, showChannel, xMm, yMm, zMm } = plan.pixels;
  for (const run of plan.runs) {
    const prop = propAt(plan, run.prop).name;
    const port = run.wire ? portName(controllerAt(plan, run.wire.controller), run.wire.port) : '';
    const chainPosition = run.wire?.chainPosition ?? '';
    for (let i = 0; i < run.pixelCount; i += 1) {
      const pixel = run.firstPixel + i;
      yield [
        prop,
        run.number,
        i + 1,
        port,
        chainPosition,
        universe[pixel] || '',
        channel[pixel] || '',
        showChannel[pixel] || '',
        rounded(xMm[pixel]!),
        rounded(yMm[pixel]!),
        rounded(zMm[pixel]!),
      ];
    }
  }
}

/** To a hundredth of a millimetre, without a negative zero. */
function rounded(valueMm: number): number {
  return Math.round(valueMm * 100) / 100 + 0;
}
