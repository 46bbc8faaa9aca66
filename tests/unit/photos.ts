import { deflateSync } from 'node:zlib';

/** CRC-32 (RFC 2083, 15), bit by bit: pictures of tests are small. */
function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit += 1) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}

function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const around = Buffer.alloc(8);
  around.writeUInt32BE(data.length, 0);
  around.writeUInt32BE(crc32(body), 4);
  return Buffer.concat([around.subarray(0, 4), body, around.subarray(4)]);
}

/** A picture of one grey (PNG, RFC 2083). @param says what it says of its size, where that is not true */
export function aPng(grey: number, widthPx = 2, heightPx = 2, says = { widthPx, heightPx }): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(says.widthPx, 0);
  head.writeUInt32BE(says.heightPx, 4);
  head.writeUInt8(8, 8);
  const rows = Buffer.alloc(heightPx * (widthPx + 1), grey);
  for (let y = 0; y < heightPx; y += 1) rows[y * (widthPx + 1)] = 0;
  return Buffer.concat([
    Buffer.from('\x89PNG\r\n\x1a\n', 'latin1'),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}
