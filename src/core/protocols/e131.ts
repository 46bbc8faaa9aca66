/** E1.31 (ANSI E1.31-2018, streaming ACN): data, synchronisation and universe discovery. Names of constants are those of the standard. */
import type { Heard, Source, StreamPacket, WireProtocol } from './protocol';

export const ACN_SDT_MULTICAST_PORT = 5568;
const VECTOR_ROOT_E131_DATA = 0x00000004;
const VECTOR_ROOT_E131_EXTENDED = 0x00000008;
const VECTOR_E131_DATA_PACKET = 0x00000002;
const VECTOR_E131_EXTENDED_SYNCHRONIZATION = 0x00000001;
const VECTOR_E131_EXTENDED_DISCOVERY = 0x00000002;
const VECTOR_DMP_SET_PROPERTY = 0x02;
const VECTOR_UNIVERSE_DISCOVERY_UNIVERSE_LIST = 0x00000001;
const E131_DEFAULT_PRIORITY = 100;

const PREAMBLE_SIZE = 0x0010;
const ACN_PACKET_IDENTIFIER = [0x41, 0x53, 0x43, 0x2d, 0x45, 0x31, 0x2e, 0x31, 0x37, 0, 0, 0];
const FLAGS = 0x7000;
const DMP_ADDRESS_AND_DATA_TYPE = 0xa1;
const PREVIEW_DATA = 0x80;
const STREAM_TERMINATED = 0x40;
const SOURCE_NAME_BYTES = 64;
const ROOT_AT = 16;
const FRAMING_AT = 38;
const DMP_AT = 115;
const SLOTS_AT = 126;
const DISCOVERY_AT = 112;
const MOST_SLOTS = 512;
/** The last universe that carries levels. */
export const E131_LAST_UNIVERSE = 63_999;
/** Synchronisation packets are known by a universe that carries no levels. */
const SYNC_UNIVERSE = E131_LAST_UNIVERSE;
/** Most universes on a page of universe discovery. */
const MOST_LISTED = 512;

export interface E131Data {
  kind: 'data';
  source: Source;
  universe: number;
  /** 0 to 200. */
  priority: number;
  sequence: number;
  /** Universe whose synchronisation packets show the data; 0 shows it at once. */
  syncAddress: number;
  isPreview: boolean;
  isTerminated: boolean;
  /** 0 for levels. */
  startCode: number;
  slots: Uint8Array;
}

interface E131Sync {
  kind: 'sync';
  cid: Uint8Array;
  sequence: number;
  syncAddress: number;
}

interface E131Discovery {
  kind: 'discovery';
  source: Source;
  page: number;
  lastPage: number;
  universes: number[];
}

type E131Packet = E131Data | E131Sync | E131Discovery;

function begin(byteCount: number, rootVector: number, cid: Uint8Array): DataView {
  const view = new DataView(new ArrayBuffer(byteCount));
  view.setUint16(0, PREAMBLE_SIZE);
  ACN_PACKET_IDENTIFIER.forEach((byte, i) => view.setUint8(4 + i, byte));
  view.setUint16(ROOT_AT, FLAGS | (byteCount - ROOT_AT));
  view.setUint32(18, rootVector);
  bytesOf(view).set(cid.subarray(0, 16), 22);
  view.setUint16(FRAMING_AT, FLAGS | (byteCount - FRAMING_AT));
  return view;
}

const bytesOf = (view: DataView) => new Uint8Array(view.buffer, view.byteOffset, view.byteLength);

function writeName(view: DataView, name: string): void {
  // The last byte stays 0.
  bytesOf(view).set(utf8(name, SOURCE_NAME_BYTES - 1), 44);
}

/** Text as UTF-8, cut between letters so that it takes no more bytes than these. */
function utf8(text: string, mostBytes: number): Uint8Array {
  const bytes = new TextEncoder().encode(text);
  if (bytes.length <= mostBytes) return bytes;
  let end = mostBytes;
  while (end > 0 && (bytes[end]! & 0xc0) === 0x80) end -= 1;
  return bytes.subarray(0, end);
}

/** @param packet its slots at most 512 */
export function encodeE131Data(packet: Omit<E131Data, 'kind'>): Uint8Array {
  const { source, slots } = packet;
  const view = begin(SLOTS_AT + slots.length, VECTOR_ROOT_E131_DATA, source.cid);
  view.setUint32(40, VECTOR_E131_DATA_PACKET);
  writeName(view, source.name);
  view.setUint8(108, packet.priority);
  view.setUint16(109, packet.syncAddress);
  view.setUint8(111, packet.sequence);
  view.setUint8(112, (packet.isPreview ? PREVIEW_DATA : 0) | (packet.isTerminated ? STREAM_TERMINATED : 0));
  view.setUint16(113, packet.universe);
  view.setUint16(DMP_AT, FLAGS | (view.byteLength - DMP_AT));
  view.setUint8(117, VECTOR_DMP_SET_PROPERTY);
  view.setUint8(118, DMP_ADDRESS_AND_DATA_TYPE);
  view.setUint16(119, 0);
  view.setUint16(121, 1);
  view.setUint16(123, slots.length + 1);
  view.setUint8(125, packet.startCode);
  bytesOf(view).set(slots, SLOTS_AT);
  return bytesOf(view);
}

/**
 * Writes another picture into a packet that `encodeE131Data` made, of as many slots; without one it just counts on.
 *
 * @param isTerminated the last packets of a stream say so
 */
function rewriteE131Data(
  bytes: Uint8Array,
  sequence: number,
  slots: Uint8Array | null,
  isTerminated = false,
): void {
  bytes[111] = sequence;
  bytes[112] = isTerminated ? bytes[112]! | STREAM_TERMINATED : bytes[112]! & ~STREAM_TERMINATED;
  if (slots) bytes.set(slots, SLOTS_AT);
}

export function encodeE131Sync({ cid, sequence, syncAddress }: Omit<E131Sync, 'kind'>): Uint8Array {
  const view = begin(49, VECTOR_ROOT_E131_EXTENDED, cid);
  view.setUint32(40, VECTOR_E131_EXTENDED_SYNCHRONIZATION);
  view.setUint8(44, sequence);
  view.setUint16(45, syncAddress);
  return bytesOf(view);
}

/** All pages of the universes that a source sends, in ascending order. */
export function encodeE131Discovery(source: Source, universes: readonly number[]): Uint8Array[] {
  const sorted = [...universes].sort((a, b) => a - b);
  const pages = Math.max(1, Math.ceil(sorted.length / MOST_LISTED));
  return Array.from({ length: pages }, (_, page) => {
    const list = sorted.slice(page * MOST_LISTED, (page + 1) * MOST_LISTED);
    const view = begin(120 + 2 * list.length, VECTOR_ROOT_E131_EXTENDED, source.cid);
    view.setUint32(40, VECTOR_E131_EXTENDED_DISCOVERY);
    writeName(view, source.name);
    view.setUint16(DISCOVERY_AT, FLAGS | (view.byteLength - DISCOVERY_AT));
    view.setUint32(114, VECTOR_UNIVERSE_DISCOVERY_UNIVERSE_LIST);
    view.setUint8(118, page);
    view.setUint8(119, pages - 1);
    list.forEach((universe, i) => view.setUint16(120 + 2 * i, universe));
    return bytesOf(view);
  });
}

/** The packet in a datagram; null for one that is no well-formed packet of this protocol. Slots are a view into it. */
export function decodeE131(bytes: Uint8Array): E131Packet | null {
  if (bytes.length < 49) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (view.getUint16(0) !== PREAMBLE_SIZE || view.getUint16(2) !== 0) return null;
  for (let i = 0; i < ACN_PACKET_IDENTIFIER.length; i += 1)
    if (bytes[4 + i] !== ACN_PACKET_IDENTIFIER[i]) return null;
  const end = ROOT_AT + lengthAt(view, ROOT_AT);
  if (end > bytes.length || FRAMING_AT + lengthAt(view, FRAMING_AT) !== end) return null;
  const cid = bytes.slice(22, 38);
  const vector = view.getUint32(40);
  switch (view.getUint32(18)) {
    case VECTOR_ROOT_E131_DATA:
      return vector === VECTOR_E131_DATA_PACKET ? decodeData(view, end, cid) : null;
    case VECTOR_ROOT_E131_EXTENDED:
      if (vector === VECTOR_E131_EXTENDED_SYNCHRONIZATION)
        return end === 49
          ? { kind: 'sync', cid, sequence: bytes[44]!, syncAddress: view.getUint16(45) }
          : null;
      return vector === VECTOR_E131_EXTENDED_DISCOVERY ? decodeDiscovery(view, end, cid) : null;
    default:
      return null;
  }
}

/** The twelve bits of a length; -1 where the flags above them are not those of the standard. */
function lengthAt(view: DataView, at: number): number {
  const word = view.getUint16(at);
  return (word & 0xf000) === FLAGS ? word & 0x0fff : -1;
}

function decodeData(view: DataView, end: number, cid: Uint8Array): E131Data | null {
  if (end < SLOTS_AT || DMP_AT + lengthAt(view, DMP_AT) !== end) return null;
  const slots = view.getUint16(123) - 1;
  const isProperty =
    view.getUint8(117) === VECTOR_DMP_SET_PROPERTY &&
    view.getUint8(118) === DMP_ADDRESS_AND_DATA_TYPE &&
    view.getUint16(119) === 0 &&
    view.getUint16(121) === 1;
  const universe = view.getUint16(113);
  const priority = view.getUint8(108);
  if (!isProperty || slots < 0 || slots > MOST_SLOTS || SLOTS_AT + slots !== end) return null;
  if (universe < 1 || universe > E131_LAST_UNIVERSE || priority > 200) return null;
  const options = view.getUint8(112);
  return {
    kind: 'data',
    source: { cid, name: nameIn(view) },
    universe,
    priority,
    sequence: view.getUint8(111),
    syncAddress: view.getUint16(109),
    isPreview: (options & PREVIEW_DATA) !== 0,
    isTerminated: (options & STREAM_TERMINATED) !== 0,
    startCode: view.getUint8(125),
    slots: bytesOf(view).subarray(SLOTS_AT, end),
  };
}

function decodeDiscovery(view: DataView, end: number, cid: Uint8Array): E131Discovery | null {
  if (end < 120 || DISCOVERY_AT + lengthAt(view, DISCOVERY_AT) !== end || (end - 120) % 2 !== 0) return null;
  if (view.getUint32(114) !== VECTOR_UNIVERSE_DISCOVERY_UNIVERSE_LIST || (end - 120) / 2 > MOST_LISTED)
    return null;
  const universes: number[] = [];
  for (let at = 120; at < end; at += 2) universes.push(view.getUint16(at));
  return {
    kind: 'discovery',
    source: { cid, name: nameIn(view) },
    page: view.getUint8(118),
    lastPage: view.getUint8(119),
    universes,
  };
}

function nameIn(view: DataView): string {
  const bytes = bytesOf(view).subarray(44, 44 + SOURCE_NAME_BYTES);
  const end = bytes.indexOf(0);
  return (decoder ??= new TextDecoder()).decode(end === -1 ? bytes : bytes.subarray(0, end));
}
/** Made once: a packet is read in less time than one of these is made. */
let decoder: TextDecoder | undefined;

/** The multicast group of a universe: 239.255.high.low (ANSI E1.31-2018, section 9.3.1). */
export function multicastGroup(universe: number): string {
  return `239.255.${universe >> 8}.${universe & 255}`;
}

function packetOf(universe: number, slots: Uint8Array, source: Source, isSynced: boolean): StreamPacket {
  const payload = encodeE131Data({
    source,
    universe,
    priority: E131_DEFAULT_PRIORITY,
    sequence: 0,
    syncAddress: isSynced ? SYNC_UNIVERSE : 0,
    isPreview: false,
    isTerminated: false,
    startCode: 0,
    slots: slots.subarray(0, MOST_SLOTS),
  });
  return {
    payload,
    write: (data, frame, isLast) =>
      rewriteE131Data(payload, frame % 256, data && data.subarray(0, MOST_SLOTS), isLast),
  };
}

function syncPacket({ cid }: Source): StreamPacket {
  const payload = encodeE131Sync({ cid, sequence: 0, syncAddress: SYNC_UNIVERSE });
  return {
    payload,
    write: (_, frame) => {
      payload[44] = frame % 256;
    },
  };
}

function hear(payload: Uint8Array): Heard | null {
  const packet = decodeE131(payload);
  if (!packet) return null;
  if (packet.kind === 'sync') return { kind: 'show' };
  if (packet.kind !== 'data' || packet.startCode !== 0 || packet.isPreview) return { kind: 'other' };
  return {
    kind: 'universe',
    told: packet.universe,
    slots: packet.slots,
    sequence: packet.sequence,
    source: packet.source.cid.join(' '),
    priority: packet.priority,
    isLast: packet.isTerminated,
    isHeld: packet.syncAddress !== 0,
  };
}

/** E1.31 among the protocols. Of a packet 126 bytes go before the slots. */
export const e131: WireProtocol<'e131'> = {
  id: 'e131',
  name: 'E1.31',
  port: ACN_SDT_MULTICAST_PORT,
  headerBytes: SLOTS_AT,
  mostDataBytes: MOST_SLOTS,
  counts: {
    kind: 'universes',
    word: 'universe',
    short: 'U',
    least: 1,
    most: E131_LAST_UNIVERSE,
    hasOffset: false,
    partsOf: null,
    groupOf: multicastGroup,
    sharedWords: multicastGroup,
    packetOf,
  },
  syncPacket,
  hear,
  sequence: { first: 0, last: 255, dropsLate: true },
  holdsOnceShown: false,
};
