import { toldUniverse, universeOfTold } from '../../addressing/numbering';
import { LAST_UNIVERSE } from '../../catalogue/controller';
import { UNIVERSE_SLOTS } from '../../catalogue/packing';
import { protocolOf } from '../../protocols/registry';
import { countOf } from '../../units/number';
import { channelShift, universeShift } from '../counting';
import type { PortBasis } from './basis';
import { typeIt, type PortHeld, type Wrong } from './setting';
import { whole } from './values';
import { itemAt, valueIn } from '../../units/there';
import { runAt } from '../../plan/records';

/** Channels of the largest device that any protocol addresses. */
const MOST_CHANNEL = 40_000_000;

export const universe: PortHeld<'universe', number, number | null> = {
  field: 'universe',
  words: 'start universe',
  callsUniverse: true,
  meaning: 'of its first channel, as the device counts',
  head: 'Start',
  unit: 'universe',
  startsBy: 'universe',
  isKept: true,
  planned: ({ device, first, isInUniverses, hasStart }) =>
    isInUniverses && hasStart ? toldUniverse(device, first!.universe!) : null,
  values: whole(0, LAST_UNIVERSE),
  heads: /^(start\s*)?(universe|uni|u|port-?address)$/i,
  shift: universeShift,
  whenWrong: (wrong) =>
    wrong.shift !== null
      ? {
          symptom: `every port is ${Math.abs(wrong.shift)} out: one side counts universes from 0, the other from 1`,
          mend: `set the numbering of universes once on ${wrong.side}${offsetWords(wrong.basis)}, instead of every port`,
        }
      : { symptom: 'the port shows what another prop is sent, or stays dark', mend: typeIt(wrong) },
  simulate: (port, value, basis) => ({
    ...port,
    start: { channel: startOf(basis).channel, ...port.start, universe: universeOfTold(basis.device, value) },
  }),
};

export const channel: PortHeld<'channel', number, number | null> = {
  field: 'channel',
  words: 'start channel',
  meaning: 'in that universe, from 1',
  head: 'Start',
  unit: 'channel',
  startsBy: 'universe',
  isKept: true,
  planned: ({ first, isInUniverses, hasStart }) => (isInUniverses && hasStart ? first!.startChannel : null),
  values: whole(0, UNIVERSE_SLOTS),
  heads: /^(start\s*)?(channel|chan|ch|address|slot)$/i,
  shift: channelShift,
  whenWrong: (wrong) => ({ symptom: shiftedBy(wrong), mend: typeIt(wrong) }),
  simulatedValues: whole(1, UNIVERSE_SLOTS),
  simulate: (port, value, basis) => ({
    ...port,
    start: { universe: startOf(basis).universe, ...port.start, channel: value },
  }),
};

export const deviceChannel: PortHeld<'deviceChannel', number, number | null> = {
  field: 'deviceChannel',
  words: 'start over the device',
  meaning: 'for devices that count their channels on over all their universes, from 1',
  head: 'Over the device',
  unit: 'start',
  startsBy: 'device',
  isKept: false,
  planned: ({ first, isInUniverses, channelsBefore }) =>
    isInUniverses ? valueIn(channelsBefore, first!.universe!) + first!.startChannel : null,
  values: whole(0, MOST_CHANNEL),
  heads: /^(start over the device|device (start|channel)|absolute (start|channel)|start)$/i,
  shift: channelShift,
  whenWrong: (wrong) => ({ symptom: shiftedBy(wrong), mend: typeIt(wrong) }),
  simulatedValues: whole(1, MOST_CHANNEL),
  simulate: (port, value, { channelsBefore }) => {
    // The last universe that begins at or before it; a start beyond all of them is in none that it is sent.
    const before = [...channelsBefore].findLast(([, channels]) => channels < value);
    return before ? { ...port, start: { universe: before[0], channel: value - before[1] } } : port;
  },
};

/** The other way to bring two counts together, where the protocol has it. */
function offsetWords({ device }: PortBasis): string {
  const { name, counts } = protocolOf(device);
  return counts.kind === 'universes' && counts.hasOffset ? `, or the ${name} offset here` : '';
}

/** Planned start of a port, by the count of the show. */
function startOf({ first }: PortBasis): { universe: number | null; channel: number } {
  return { universe: first?.universe ?? null, channel: first?.startChannel ?? 1 };
}

/** The look of a start that is off by so many channels. */
function shiftedBy({ planned, found, basis: { plan, port } }: Wrong<number, PortBasis>): string {
  const off = Math.abs(found - planned);
  const channels = runAt(plan, itemAt(port.runs, 0)).channelsPerPixel;
  return off % channels === 0
    ? `the picture is shifted by ${countOf(off / channels, 'pixel')}`
    : 'colours rotate: red shows as green or blue, and an end pixel is half lit';
}
