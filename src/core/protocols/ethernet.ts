/** A UDP datagram as it is on the wire: Ethernet II, IPv4 (RFC 791) and UDP (RFC 768). */

export interface Datagram {
  /** Dotted. */
  from: string;
  to: string;
  fromPort: number;
  toPort: number;
  payload: Uint8Array;
}

const ETHERTYPE_IPV4 = 0x0800;
const PROTOCOL_UDP = 17;
const ETHERNET_BYTES = 14;
const IP_BYTES = 20;
const UDP_BYTES = 8;
/** Address of a made-up sender: locally administered. */
const SENDER_MAC = [0x02, 0, 0, 0, 0, 0x01];

const octets = (ip: string) => ip.split('.').map(Number);

/** The group's own address for IPv4 multicast (RFC 1112), else a made-up one by address. */
function macOf(ip: string): number[] {
  const [a, b, c, d] = octets(ip) as [number, number, number, number];
  return a >= 224 && a < 240 ? [0x01, 0x00, 0x5e, b & 0x7f, c, d] : [0x02, 0, a, b, c, d];
}

/** One's complement sum of 16-bit words (RFC 1071). */
function checksum(bytes: Uint8Array, sum = 0): number {
  let total = sum;
  for (let i = 0; i < bytes.length; i += 2) total += (bytes[i]! << 8) | (bytes[i + 1] ?? 0);
  while (total > 0xffff) total = (total & 0xffff) + (total >>> 16);
  return ~total & 0xffff;
}

/** @param identification of the IPv4 header, 0 to 65,535 */
export function encodeEthernet(
  { from, to, fromPort, toPort, payload }: Datagram,
  identification: number,
): Uint8Array {
  const bytes = new Uint8Array(ETHERNET_BYTES + IP_BYTES + UDP_BYTES + payload.length);
  const view = new DataView(bytes.buffer);
  bytes.set(macOf(to), 0);
  bytes.set(SENDER_MAC, 6);
  view.setUint16(12, ETHERTYPE_IPV4);
  const ip = ETHERNET_BYTES;
  view.setUint8(ip, 0x45);
  view.setUint16(ip + 2, IP_BYTES + UDP_BYTES + payload.length);
  view.setUint16(ip + 4, identification & 0xffff);
  view.setUint8(ip + 8, 16);
  view.setUint8(ip + 9, PROTOCOL_UDP);
  bytes.set(octets(from), ip + 12);
  bytes.set(octets(to), ip + 16);
  view.setUint16(ip + 10, checksum(bytes.subarray(ip, ip + IP_BYTES)));
  const udp = ip + IP_BYTES;
  view.setUint16(udp, fromPort);
  view.setUint16(udp + 2, toPort);
  view.setUint16(udp + 4, UDP_BYTES + payload.length);
  bytes.set(payload, udp + UDP_BYTES);
  let pseudo = PROTOCOL_UDP + UDP_BYTES + payload.length;
  for (let i = ip + 12; i < ip + 20; i += 2) pseudo += view.getUint16(i);
  // A sum of 0 is written as all ones: 0 says that there is none.
  view.setUint16(udp + 6, checksum(bytes.subarray(udp), pseudo) || 0xffff);
  return bytes;
}

/** The UDP datagram in a packet that begins with its IPv4 header; null where there is none, or only a piece of one. */
export function decodeIpv4(bytes: Uint8Array): Datagram | null {
  if (bytes.length < IP_BYTES + UDP_BYTES || bytes[0]! >> 4 !== 4) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const headerBytes = 4 * (bytes[0]! & 0x0f);
  const total = view.getUint16(2);
  const isPiece = (view.getUint16(6) & 0x3fff) !== 0;
  if (headerBytes < IP_BYTES || total > bytes.length || total < headerBytes + UDP_BYTES || isPiece)
    return null;
  if (bytes[9] !== PROTOCOL_UDP) return null;
  const length = view.getUint16(headerBytes + 4);
  if (length < UDP_BYTES || headerBytes + length > total) return null;
  return {
    from: bytes.subarray(12, 16).join('.'),
    to: bytes.subarray(16, 20).join('.'),
    fromPort: view.getUint16(headerBytes),
    toPort: view.getUint16(headerBytes + 2),
    payload: bytes.subarray(headerBytes + UDP_BYTES, headerBytes + length),
  };
}

/** The same of an Ethernet frame, with or without a VLAN tag. */
export function decodeEthernet(bytes: Uint8Array): Datagram | null {
  if (bytes.length < ETHERNET_BYTES + 4) return null;
  const type = (at: number) => (bytes[at]! << 8) | bytes[at + 1]!;
  if (type(12) === ETHERTYPE_IPV4) return decodeIpv4(bytes.subarray(ETHERNET_BYTES));
  return type(12) === 0x8100 && type(16) === ETHERTYPE_IPV4
    ? decodeIpv4(bytes.subarray(ETHERNET_BYTES + 4))
    : null;
}
