import { portName } from '../catalogue/controller';
import type { Plan } from '../plan/planned';
import type { FileColumn, Row } from './channelMap';
import { propAt, runAt, controllerAt } from '../plan/records';

export const SPAN_COLUMNS: readonly FileColumn[] = [
  { head: 'prop', meaning: 'the name of the prop' },
  { head: 'run', meaning: 'the run of the prop, from 1' },
  {
    head: 'first pixel in run',
    meaning: 'the first pixel with a channel in it, or that it is of skipped pixels',
  },
  {
    head: 'last pixel in run',
    meaning: 'the last pixel with a channel in it, or that it is of skipped pixels',
  },
  { head: 'port', meaning: 'the port that feeds the run' },
  { head: 'chain position', meaning: 'the place of the run behind the port, from 1' },
  { head: 'universe', meaning: 'that the channels are in; none under DDP' },
  { head: 'first channel', meaning: 'in the universe, or byte of the device, from 1' },
  { head: 'last channel', meaning: 'in the universe, or byte of the device, from 1' },
  { head: 'channels', meaning: 'how many they are' },
  { head: 'first show channel', meaning: 'counted over the show, from 1' },
  { head: 'last show channel', meaning: 'counted over the show, from 1' },
];

/**
 * One row for each span: consecutive channels of one run in one universe. A pixel that straddles two universes is
 * named by both. Spans of skipped pixels name no pixel; under DDP there is no universe and channels are bytes from 1.
 */
export function* spanRows(plan: Plan): Generator<Row> {
  for (const span of plan.spans) {
    const run = runAt(plan, span.run);
    const lit = span.runChannel >= 0;
    const lastChannel = span.runChannel + span.channelCount - 1;
    yield [
      propAt(plan, run.prop).name,
      run.number,
      lit ? Math.floor(span.runChannel / run.channelsPerPixel) + 1 : 'skipped',
      lit ? Math.floor(lastChannel / run.channelsPerPixel) + 1 : 'skipped',
      portName(controllerAt(plan, span.controller), run.wire!.port),
      run.wire!.chainPosition,
      span.universe ?? '',
      span.startChannel,
      span.startChannel + span.channelCount - 1,
      span.channelCount,
      span.startShowChannel,
      span.startShowChannel + span.channelCount - 1,
    ];
  }
}
