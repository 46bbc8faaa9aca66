/** Art-Net 4: levels, synchronisation, poll and its reply. Names of constants and fields are those of the specification. */
import {
  partsWords,
  type DeviceReply,
  type Heard,
  type StreamPacket,
  type UniverseParts,
  type WireProtocol,
} from './protocol';

export const ART_NET_PORT = 0x1936;
const OP_POLL = 0x2000;
const OP_POLL_REPLY = 0x2100;
const OP_DMX = 0x5000;
const OP_SYNC = 0x5200;
const PROT_VER = 14;

const ID = [0x41, 0x72, 0x74, 0x2d, 0x4e, 0x65, 0x74, 0];
const DATA_AT = 18;
const MOST_SLOTS = 512;
export const LAST_PORT_ADDRESS = 32_767;
const REPLY_BYTES = 239;
const SHORT_NAME_BYTES = 18;
const LONG_NAME_BYTES = 64;

interface ArtDmx {
  kind: 'dmx';
  /** 1 to 255 and around; 0 where the sender does not count. */
  sequence: number;
  physical: number;
  /** Net, sub-net and universe in one: 0 to 32767. */
  portAddress: number;
  /** Even in number, 2 to 512. */
  slots: Uint8Array;
}

interface ArtSync {
  kind: 'sync';
}

interface ArtPoll {
  kind: 'poll';
  flags: number;
  diagPriority: number;
}

/** A reply, as far as it is of use for addresses. */
interface ArtPollReply extends DeviceReply {
  kind: 'pollReply';
  ip: readonly [number, number, number, number];
  nodeReport: string;
  /** Port-addresses of its outputs, at most four that share net and sub-net. */
  outputs: readonly number[];
  netSwitch: number;
  subSwitch: number;
}

type ArtNetPacket = ArtDmx | ArtSync | ArtPoll | ArtPollReply;

function begin(byteCount: number, opCode: number): DataView {
  const view = new DataView(new ArrayBuffer(byteCount));
  ID.forEach((byte, i) => view.setUint8(i, byte));
  view.setUint16(8, opCode, true);
  return view;
}

const bytesOf = (view: DataView) => new Uint8Array(view.buffer, view.byteOffset, view.byteLength);

/** @param packet its slots at most 512; an odd number of them gets one more, which is 0 */
export function encodeArtDmx({ sequence, physical, portAddress, slots }: Omit<ArtDmx, 'kind'>): Uint8Array {
  const length = Math.max(2, slots.length + (slots.length % 2));
  const view = begin(DATA_AT + length, OP_DMX);
  view.setUint16(10, PROT_VER);
  view.setUint8(12, sequence);
  view.setUint8(13, physical);
  view.setUint8(14, portAddress & 0xff);
  view.setUint8(15, portAddress >> 8);
  view.setUint16(16, length);
  bytesOf(view).set(slots, DATA_AT);
  return bytesOf(view);
}

/** Writes another picture into a packet that `encodeArtDmx` made, of as many slots; without one it just counts on. */
function rewriteArtDmx(bytes: Uint8Array, sequence: number, slots: Uint8Array | null): void {
  bytes[12] = sequence;
  if (slots) bytes.set(slots, DATA_AT);
}

export function encodeArtSync(): Uint8Array {
  const view = begin(14, OP_SYNC);
  view.setUint16(10, PROT_VER);
  return bytesOf(view);
}

export function encodeArtPoll({ flags, diagPriority }: Omit<ArtPoll, 'kind'>): Uint8Array {
  const view = begin(14, OP_POLL);
  view.setUint16(10, PROT_VER);
  view.setUint8(12, flags);
  view.setUint8(13, diagPriority);
  return bytesOf(view);
}

export function encodeArtPollReply(reply: Omit<ArtPollReply, 'kind'>): Uint8Array {
  const view = begin(REPLY_BYTES, OP_POLL_REPLY);
  const bytes = bytesOf(view);
  bytes.set(reply.ip, 10);
  view.setUint16(14, ART_NET_PORT, true);
  view.setUint8(18, reply.netSwitch);
  view.setUint8(19, reply.subSwitch);
  writeText(bytes, 26, SHORT_NAME_BYTES, reply.shortName);
  writeText(bytes, 44, LONG_NAME_BYTES, reply.longName);
  writeText(bytes, 108, LONG_NAME_BYTES, reply.nodeReport);
  view.setUint16(172, reply.outputs.length);
  reply.outputs.slice(0, 4).forEach((portAddress, i) => {
    // It can output DMX512 from the network, and does.
    view.setUint8(174 + i, 0x80);
    view.setUint8(182 + i, 0x80);
    view.setUint8(190 + i, portAddress & 0x0f);
  });
  bytes.set(reply.ip, 207);
  view.setUint8(211, 1);
  // 15-bit port-addresses.
  view.setUint8(212, 0x08);
  return bytes;
}

/** Reads a datagram; null for one that is no well-formed packet of this protocol, or of a kind that is not needed here. Slots are a view into it. */
export function decodeArtNet(bytes: Uint8Array): ArtNetPacket | null {
  if (bytes.length < 14) return null;
  for (let i = 0; i < ID.length; i += 1) if (bytes[i] !== ID[i]) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const opCode = view.getUint16(8, true);
  if (opCode === OP_POLL_REPLY) return decodeReply(view);
  if (view.getUint16(10) < PROT_VER) return null;
  switch (opCode) {
    case OP_DMX:
      return decodeDmx(view);
    case OP_SYNC:
      return { kind: 'sync' };
    case OP_POLL:
      return { kind: 'poll', flags: view.getUint8(12), diagPriority: view.getUint8(13) };
    default:
      return null;
  }
}

function decodeDmx(view: DataView): ArtDmx | null {
  if (view.byteLength < DATA_AT + 2) return null;
  const length = view.getUint16(16);
  const net = view.getUint8(15);
  if (
    length < 2 ||
    length > MOST_SLOTS ||
    length % 2 !== 0 ||
    DATA_AT + length > view.byteLength ||
    net > 127
  )
    return null;
  return {
    kind: 'dmx',
    sequence: view.getUint8(12),
    physical: view.getUint8(13),
    portAddress: (net << 8) | view.getUint8(14),
    slots: bytesOf(view).subarray(DATA_AT, DATA_AT + length),
  };
}

function decodeReply(view: DataView): ArtPollReply | null {
  if (view.byteLength < 207 || view.getUint16(14, true) !== ART_NET_PORT) return null;
  const bytes = bytesOf(view);
  const netSwitch = view.getUint8(18);
  const subSwitch = view.getUint8(19);
  const ports = Math.min(4, view.getUint16(172));
  if (netSwitch > 127 || subSwitch > 15) return null;
  const outputs: number[] = [];
  for (let i = 0; i < ports; i += 1)
    if (bytes[174 + i]! & 0x80) outputs.push((netSwitch << 8) | (subSwitch << 4) | (bytes[190 + i]! & 0x0f));
  return {
    kind: 'pollReply',
    ip: [bytes[10]!, bytes[11]!, bytes[12]!, bytes[13]!],
    shortName: textAt(bytes, 26, SHORT_NAME_BYTES),
    longName: textAt(bytes, 44, LONG_NAME_BYTES),
    nodeReport: textAt(bytes, 108, LONG_NAME_BYTES),
    outputs,
    netSwitch,
    subSwitch,
  };
}

/** Letters beyond ASCII become a question mark, as the specification knows only those. The last byte stays 0. */
function writeText(bytes: Uint8Array, at: number, size: number, text: string): void {
  [...text].slice(0, size - 1).forEach((letter, i) => {
    const code = letter.codePointAt(0)!;
    bytes[at + i] = code >= 0x20 && code < 0x7f ? code : 0x3f;
  });
}

function textAt(bytes: Uint8Array, at: number, size: number): string {
  const field = bytes.subarray(at, at + size);
  const end = field.indexOf(0);
  return String.fromCharCode(...(end === -1 ? field : field.subarray(0, end)));
}

/** 15-bit port-address = net * 256 + sub-net * 16 + universe. */
export function artNetAddress(portAddress: number): UniverseParts {
  return { net: portAddress >> 8, subNet: (portAddress >> 4) & 15, universe: portAddress & 15 };
}

export function portAddressOf({ net, subNet, universe }: UniverseParts): number {
  return net * 256 + subNet * 16 + universe;
}

/** `0.1.4`: net, sub-net, universe. */
export function artNetWords(portAddress: number): string {
  return partsWords(artNetAddress(portAddress));
}

function packetOf(portAddress: number, slots: Uint8Array): StreamPacket {
  const payload = encodeArtDmx({ sequence: 1, physical: 0, portAddress, slots });
  return {
    payload,
    // 0 says that nobody counts, so that counting goes from 1 to 255.
    write: (data, frame) => rewriteArtDmx(payload, 1 + (frame % 255), data),
  };
}

function hear(payload: Uint8Array): Heard | null {
  const packet = decodeArtNet(payload);
  if (!packet) return null;
  if (packet.kind === 'sync') return { kind: 'show' };
  if (packet.kind !== 'dmx') return { kind: 'other' };
  return {
    kind: 'universe',
    told: packet.portAddress,
    slots: packet.slots,
    sequence: packet.sequence === 0 ? null : packet.sequence,
    source: '',
    priority: 0,
    isLast: false,
    isHeld: false,
  };
}

function answerPoll(name: string, outputs: readonly number[]): Uint8Array {
  const first = Math.max(0, outputs[0] ?? 0);
  return encodeArtPollReply({
    ip: [127, 0, 0, 1],
    shortName: name,
    longName: `${name}, on the simulator`,
    nodeReport: '#0001 [0000] Power On Tests successful',
    netSwitch: first >> 8,
    subSwitch: (first >> 4) & 15,
    outputs: outputs.filter((each) => each >> 4 === first >> 4).slice(0, 4),
  });
}

function readReply(payload: Uint8Array): DeviceReply | null {
  const packet = decodeArtNet(payload);
  return packet?.kind === 'pollReply' ? packet : null;
}

/** Art-Net among the protocols. Of a packet (ArtDmx) 18 bytes go before the slots. */
export const artnet: WireProtocol<'artnet'> = {
  id: 'artnet',
  name: 'Art-Net',
  port: ART_NET_PORT,
  headerBytes: DATA_AT,
  mostDataBytes: MOST_SLOTS,
  counts: {
    kind: 'universes',
    word: 'port-address',
    short: 'port-address ',
    least: 0,
    most: LAST_PORT_ADDRESS,
    hasOffset: true,
    // No menu takes a net above 127.
    partsOf: (told) => (told >= 0 && told <= LAST_PORT_ADDRESS ? artNetAddress(told) : null),
    // It has no groups of its own: what is not unicast is broadcast.
    groupOf: null,
    sharedWords: (told) => `broadcast, port-address ${told}`,
    packetOf,
  },
  syncPacket: () => ({ payload: encodeArtSync(), write: () => {} }),
  hear,
  sequence: { first: 1, last: 255, dropsLate: false },
  holdsOnceShown: true,
  poll: {
    question: () => encodeArtPoll({ flags: 0, diagPriority: 0 }),
    isQuestion: (payload) => decodeArtNet(payload)?.kind === 'poll',
    answer: answerPoll,
    read: readReply,
    outputWords: artNetWords,
  },
};
