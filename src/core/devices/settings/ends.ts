import { toldUniverse } from '../../addressing/numbering';
import type { Span } from '../../plan/planned';
import type { PortTold } from './setting';
import { valueIn } from '../../units/there';

const lastChannelOf = (span: Span): number => span.startChannel + span.channelCount - 1;

export const endUniverse: PortTold<'endUniverse', number | null> = {
  field: 'endUniverse',
  words: 'end universe',
  callsUniverse: true,
  meaning: 'of its last channel, as the device counts',
  head: 'End',
  unit: 'universe',
  isKept: false,
  planned: ({ device, last, isInUniverses }) =>
    isInUniverses && typeof last?.universe === 'number' ? toldUniverse(device, last.universe) : null,
};

export const endChannel: PortTold<'endChannel', number | null> = {
  field: 'endChannel',
  words: 'end channel',
  meaning: 'in that universe, the last one in use',
  head: 'End',
  unit: 'channel',
  isKept: false,
  planned: ({ last, isInUniverses }) => (isInUniverses ? lastChannelOf(last!) : null),
};

export const deviceEndChannel: PortTold<'deviceEndChannel', number | null> = {
  field: 'deviceEndChannel',
  words: 'end over the device',
  meaning: 'its last channel in that count',
  head: 'Over the device',
  unit: 'end',
  isKept: false,
  planned: ({ last, isInUniverses, channelsBefore }) =>
    isInUniverses ? valueIn(channelsBefore, last!.universe!) + lastChannelOf(last!) : null,
};

export const startByte: PortTold<'startByte', number | null> = {
  field: 'startByte',
  words: 'start byte',
  meaning: 'in the flat space of the device, from 0',
  head: 'Start',
  unit: 'byte, from 0',
  isKept: false,
  planned: ({ first, isInBytes, hasStart }) =>
    first && isInBytes && hasStart ? first.startChannel - 1 : null,
};

export const endByte: PortTold<'endByte', number | null> = {
  field: 'endByte',
  words: 'end byte',
  meaning: 'the last one in use, from 0',
  head: 'End',
  unit: 'byte, from 0',
  isKept: false,
  planned: ({ last, isInBytes }) => (last && isInBytes ? lastChannelOf(last) - 1 : null),
};
