import { joinedBytes } from '../units/bytes';
import { decodeEthernet, decodeIpv4, encodeEthernet, type Datagram } from './ethernet';

/** Captures in the pcap file format (draft-ietf-opsawg-pcap): a header of 24 bytes, and 16 before each packet. */

const MAGIC_US = 0xa1b2c3d4;
const MAGIC_NS = 0xa1b23c4d;
const LINKTYPE_ETHERNET = 1;
const LINKTYPE_RAW = 101;
const LINKTYPE_LINUX_SLL = 113;
const SNAPLEN = 65_535;

export interface CapturedDatagram extends Datagram {
  /** Since the start of the capture. */
  timeUs: number;
}

const PIECE_BYTES = 64 * 1024;

/** A capture of datagrams in the order of their times, piece by piece, so that one of hours takes no more memory than one of a moment. */
export function* pcapPieces(datagrams: Iterable<CapturedDatagram>): Generator<Uint8Array> {
  let piece = new Uint8Array(PIECE_BYTES);
  let view = new DataView(piece.buffer);
  view.setUint32(0, MAGIC_US, true);
  view.setUint16(4, 2, true);
  view.setUint16(6, 4, true);
  view.setUint32(16, SNAPLEN, true);
  view.setUint32(20, LINKTYPE_ETHERNET, true);
  let [at, count] = [24, 0];
  for (const datagram of datagrams) {
    const frame = encodeEthernet(datagram, count);
    count += 1;
    if (at + 16 + frame.length > PIECE_BYTES) {
      yield piece.subarray(0, at);
      piece = new Uint8Array(Math.max(PIECE_BYTES, 16 + frame.length));
      view = new DataView(piece.buffer);
      at = 0;
    }
    const timeUs = Math.round(datagram.timeUs);
    view.setUint32(at, Math.floor(timeUs / 1_000_000), true);
    view.setUint32(at + 4, timeUs % 1_000_000, true);
    view.setUint32(at + 8, frame.length, true);
    view.setUint32(at + 12, frame.length, true);
    piece.set(frame, at + 16);
    at += 16 + frame.length;
  }
  yield piece.subarray(0, at);
}

/** The same in one. */
export function writePcap(datagrams: Iterable<CapturedDatagram>): Uint8Array {
  return joinedBytes([...pcapPieces(datagrams)]);
}

interface ReadCapture {
  /** Payloads are views into the file. */
  datagrams: CapturedDatagram[];
  /** Packets that hold no whole UDP datagram over IPv4. */
  otherPackets: number;
}

/** Why a file cannot be read as a capture. */
export class CaptureError extends Error {}

/** @throws CaptureError where it is no such file, or breaks off within a packet */
export function readPcap(bytes: Uint8Array): ReadCapture {
  if (bytes.length < 24) throw new CaptureError('This is no capture: a pcap file has at least 24 bytes.');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const isLittle = [MAGIC_US, MAGIC_NS].includes(view.getUint32(0, true));
  const magic = view.getUint32(0, isLittle);
  if (magic !== MAGIC_US && magic !== MAGIC_NS)
    throw new CaptureError(
      'This is no capture in pcap form. One in pcapng form has to be saved as pcap first.',
    );
  const link = view.getUint32(20, isLittle) & 0x0fffffff;
  if (![LINKTYPE_ETHERNET, LINKTYPE_RAW, LINKTYPE_LINUX_SLL].includes(link))
    throw new CaptureError(
      `This capture is of a link of type ${link}; Ethernet, raw IP and Linux cooked ones are read.`,
    );
  const datagrams: CapturedDatagram[] = [];
  let otherPackets = 0;
  let startUs: number | null = null;
  let at = 24;
  while (at < bytes.length) {
    if (bytes.length - at < 16) throw new CaptureError('This capture breaks off in the middle of a packet.');
    const seconds = view.getUint32(at, isLittle);
    const part = view.getUint32(at + 4, isLittle);
    const length = view.getUint32(at + 8, isLittle);
    if (length > bytes.length - at - 16)
      throw new CaptureError('This capture breaks off in the middle of a packet.');
    const packet = bytes.subarray(at + 16, at + 16 + length);
    at += 16 + length;
    const datagram =
      link === LINKTYPE_ETHERNET
        ? decodeEthernet(packet)
        : decodeIpv4(link === LINKTYPE_RAW ? packet : packet.subarray(16));
    if (!datagram) {
      otherPackets += 1;
      continue;
    }
    const timeUs = seconds * 1_000_000 + (magic === MAGIC_NS ? part / 1000 : part);
    startUs ??= timeUs;
    datagrams.push({ ...datagram, timeUs: timeUs - startUs });
  }
  return { datagrams, otherPackets };
}
