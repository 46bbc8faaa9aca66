/**
 * The plain frame of microcontrollers that are fed over a serial line: two bytes to begin with, the number of pixels, the channels of each, a
 * check byte, and then the channels. Six bytes before the data.
 */

const SERIAL_BEGIN = [0xa5, 0x5a] as const;
export const SERIAL_HEADER_BYTES = 6;

/** @param channelsPerPixel 1 to 4 @param data a whole number of pixels, at most 65,535 */
export function encodeSerialFrame(channelsPerPixel: number, data: Uint8Array): Uint8Array {
  const bytes = new Uint8Array(SERIAL_HEADER_BYTES + data.length);
  const pixels = data.length / channelsPerPixel;
  bytes.set(SERIAL_BEGIN);
  bytes[2] = pixels >> 8;
  bytes[3] = pixels & 0xff;
  bytes[4] = channelsPerPixel;
  bytes[5] = checkOf(bytes, 0);
  bytes.set(data, SERIAL_HEADER_BYTES);
  return bytes;
}

const checkOf = (bytes: Uint8Array, at: number) => bytes[at + 2]! ^ bytes[at + 3]! ^ bytes[at + 4]! ^ 0xff;

interface SerialFrame {
  channelsPerPixel: number;
  data: Uint8Array;
}

/** Reads frames out of a stream that may begin, and break off, anywhere. */
export class SerialReader {
  private rest = new Uint8Array(0);
  /** Bytes that belonged to no frame. */
  skippedBytes = 0;

  /** @returns the frames that are whole now */
  push(chunk: Uint8Array): SerialFrame[] {
    const bytes = new Uint8Array(this.rest.length + chunk.length);
    bytes.set(this.rest);
    bytes.set(chunk, this.rest.length);
    const frames: SerialFrame[] = [];
    let at = 0;
    while (bytes.length - at >= SERIAL_HEADER_BYTES) {
      const channels = bytes[at + 4]!;
      const isHeader =
        bytes[at] === SERIAL_BEGIN[0] &&
        bytes[at + 1] === SERIAL_BEGIN[1] &&
        channels >= 1 &&
        channels <= 4 &&
        bytes[at + 5] === checkOf(bytes, at);
      if (!isHeader) {
        at += 1;
        this.skippedBytes += 1;
        continue;
      }
      const length = channels * ((bytes[at + 2]! << 8) | bytes[at + 3]!);
      if (bytes.length - at - SERIAL_HEADER_BYTES < length) break;
      const start = at + SERIAL_HEADER_BYTES;
      frames.push({ channelsPerPixel: channels, data: bytes.slice(start, start + length) });
      at = start + length;
    }
    this.rest = bytes.slice(at);
    return frames;
  }
}
