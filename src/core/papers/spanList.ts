import { portName } from '../catalogue/controller';
import type { Plan } from '../plan/planned';
import type { Row } from './channelMap';

export const SPAN_COLUMNS: Row = [
  'prop',
  'run',
  'first pixel in run',
  'last pixel in run',
  'port',
  'chain position',
  'universe',
  'first channel',
  'last channel',
  'channels',
  'first show channel',
  'last show channel',
];

/**
 * One row for each span: consecutive channels of one run in one universe. A pixel that straddles two universes is
 * named by both. Spans of skipped pixels name no pixel; under DDP there is no universe and channels are bytes from 1.
 */
export function* spanRows(plan: Plan): Generator<Row> {
  for (const span of plan.spans) {
    const run = plan.runs[span.run]!;
    const lit = span.runChannel >= 0;
    const lastChannel = span.runChannel + span.channelCount - 1;
    yield [
      plan.show.props[run.prop]!.name,
      run.number,
      lit ? Math.floor(span.runChannel / run.channelsPerPixel) + 1 : 'skipped',
      lit ? Math.floor(lastChannel / run.channelsPerPixel) + 1 : 'skipped',
      portName(plan.show.controllers[span.controller]!, run.wire!.port),
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
