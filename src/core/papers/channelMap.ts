import { portName } from '../catalogue/controller';
import type { Plan } from '../plan/planned';

export type Row = readonly (string | number)[];

export const CHANNEL_MAP_COLUMNS: Row = [
  'prop',
  'run',
  'pixel in run',
  'port',
  'chain position',
  'universe',
  'channel',
  'show channel',
  'x mm',
  'y mm',
  'z mm',
];

/**
 * One row for each pixel, in the order of props and of data. The chain position is that of the pixel's run behind the
 * port. What a pixel does not have (a port, a universe) stays empty.
 */
export function* channelMapRows(plan: Plan): Generator<Row> {
  const { universe, channel, showChannel, xMm, yMm, zMm } = plan.pixels;
  for (const run of plan.runs) {
    const prop = plan.show.props[run.prop]!.name;
    const port = run.wire ? portName(plan.show.controllers[run.wire.controller]!, run.wire.port) : '';
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
