/** Distributed Display Protocol: pixel data by byte offset in one flat space of a device. */
import type { Heard, StreamPacket, WireProtocol } from './protocol';

export const DDP_PORT = 4048;
const DDP_ID_DISPLAY = 1;
const DDP_MOST_DATA_BYTES = 1440;

const HEADER_BYTES = 10;
const VERSION_1 = 0x40;
const FLAG_TIMECODE = 0x10;
const FLAG_STORAGE = 0x08;
const FLAG_REPLY = 0x04;
const FLAG_QUERY = 0x02;
const FLAG_PUSH = 0x01;

/** Data types: RGB and RGBW of eight bits a channel; 0 where the device knows by itself. */
const DDP_TYPES = { undefined: 0x00, rgb8: 0x0b, rgbw8: 0x1b } as const;

interface DdpPacket {
  /** 1 to 15 and around; 0 where the sender does not count. */
  sequence: number;
  dataType: number;
  destinationId: number;
  offset: number;
  /** Data sent up to here is shown now. */
  isPush: boolean;
  isQuery: boolean;
  isReply: boolean;
  /** Middle 32 bits of an NTP time at which it is to be shown; null where it is shown as it comes. */
  timecode: number | null;
  data: Uint8Array;
}

/** @param packet its data at most 1,440 bytes; of a query none */
export function encodeDdp(packet: DdpPacket): Uint8Array {
  const { data, timecode } = packet;
  const headerBytes = timecode === null ? HEADER_BYTES : HEADER_BYTES + 4;
  const view = new DataView(new ArrayBuffer(headerBytes + data.length));
  view.setUint8(
    0,
    VERSION_1 |
      (timecode === null ? 0 : FLAG_TIMECODE) |
      (packet.isReply ? FLAG_REPLY : 0) |
      (packet.isQuery ? FLAG_QUERY : 0) |
      (packet.isPush ? FLAG_PUSH : 0),
  );
  view.setUint8(1, packet.sequence & 0x0f);
  view.setUint8(2, packet.dataType);
  view.setUint8(3, packet.destinationId);
  view.setUint32(4, packet.offset);
  view.setUint16(8, data.length);
  if (timecode !== null) view.setUint32(10, timecode);
  const bytes = new Uint8Array(view.buffer);
  bytes.set(data, headerBytes);
  return bytes;
}

/** Writes another picture into a packet without a time that `encodeDdp` made, of as many bytes; without one it just counts on. */
function rewriteDdp(bytes: Uint8Array, sequence: number, data: Uint8Array | null): void {
  bytes[1] = sequence & 0x0f;
  if (data) bytes.set(data, HEADER_BYTES);
}

/** A picture of a device as packets, of which the last one shows it. */
export function ddpFrame(
  frame: Uint8Array,
  { dataType, sequenceOf }: { dataType: number; sequenceOf: (packet: number) => number },
): Uint8Array[] {
  const count = Math.max(1, Math.ceil(frame.length / DDP_MOST_DATA_BYTES));
  return Array.from({ length: count }, (_, i) =>
    encodeDdp({
      sequence: sequenceOf(i),
      dataType,
      destinationId: DDP_ID_DISPLAY,
      offset: i * DDP_MOST_DATA_BYTES,
      isPush: i === count - 1,
      isQuery: false,
      isReply: false,
      timecode: null,
      data: frame.subarray(i * DDP_MOST_DATA_BYTES, (i + 1) * DDP_MOST_DATA_BYTES),
    }),
  );
}

/** The packet in a datagram; null for one that is no well-formed packet of this protocol. Data is a view into it. */
export function decodeDdp(bytes: Uint8Array): DdpPacket | null {
  if (bytes.length < 10) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const flags = view.getUint8(0);
  if ((flags & 0xc0) !== VERSION_1 || (flags & FLAG_STORAGE) !== 0) return null;
  const hasTimecode = (flags & FLAG_TIMECODE) !== 0;
  const headerBytes = hasTimecode ? HEADER_BYTES + 4 : HEADER_BYTES;
  const isQuery = (flags & FLAG_QUERY) !== 0;
  const length = view.getUint16(8);
  // A query names how much it asks for, and carries nothing.
  const carried = isQuery ? 0 : length;
  if (bytes.length < headerBytes + carried || carried > DDP_MOST_DATA_BYTES) return null;
  return {
    sequence: view.getUint8(1) & 0x0f,
    dataType: view.getUint8(2),
    destinationId: view.getUint8(3),
    offset: view.getUint32(4),
    isPush: (flags & FLAG_PUSH) !== 0,
    isQuery,
    isReply: (flags & FLAG_REPLY) !== 0,
    timecode: hasTimecode ? view.getUint32(10) : null,
    data: bytes.subarray(headerBytes, headerBytes + carried),
  };
}

function packetsOf(picture: Uint8Array): StreamPacket[] {
  const packets = ddpFrame(picture, { dataType: DDP_TYPES.rgb8, sequenceOf: () => 1 });
  return packets.map((payload, i) => ({
    payload,
    // 0 says that nobody counts, so that counting goes from 1 to 15.
    write: (data, frame) => rewriteDdp(payload, 1 + ((frame * packets.length + i) % 15), data),
  }));
}

function hear(payload: Uint8Array): Heard | null {
  const packet = decodeDdp(payload);
  if (!packet) return null;
  if (packet.isQuery || packet.isReply) return { kind: 'other' };
  return { kind: 'bytes', offset: packet.offset, data: packet.data, isLast: packet.isPush };
}

/** DDP among the protocols. */
export const ddp: WireProtocol<'ddp'> = {
  id: 'ddp',
  name: 'DDP',
  port: DDP_PORT,
  headerBytes: HEADER_BYTES,
  mostDataBytes: DDP_MOST_DATA_BYTES,
  counts: { kind: 'bytes', packetsOf },
  hear,
  sequence: { first: 1, last: 15, dropsLate: false },
  holdsOnceShown: false,
};
