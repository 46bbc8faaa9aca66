/**
 * Raw frames as receiver cards take them straight from the sender’s port: one row of the picture each, or a piece of one, and a last one that shows what
 * came. Cards differ in their frames; this is the form of the simulated link.
 */

const ROW_FRAME = 0x55;
const SHOW_FRAME = 0x01;
const HEADER_BYTES = 7;
/** Pixels of a frame of the usual size. */
export const MOST_RAW_PIXELS = Math.floor((1500 - HEADER_BYTES) / 3);

type RawFrame =
  { kind: 'row'; row: number; firstColumn: number; rgb: Uint8Array } | { kind: 'show'; brightness: number };

/** A picture by rows from the top left, three bytes a pixel, as frames. */
export function rawFrames(width: number, rgb: Uint8Array, brightness = 255): Uint8Array[] {
  const frames: Uint8Array[] = [];
  const height = rgb.length / 3 / width;
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += MOST_RAW_PIXELS) {
      const count = Math.min(MOST_RAW_PIXELS, width - column);
      const bytes = new Uint8Array(HEADER_BYTES + 3 * count);
      const view = new DataView(bytes.buffer);
      view.setUint8(0, ROW_FRAME);
      view.setUint16(1, row);
      view.setUint16(3, column);
      view.setUint16(5, count);
      const from = 3 * (row * width + column);
      bytes.set(rgb.subarray(from, from + 3 * count), HEADER_BYTES);
      frames.push(bytes);
    }
  frames.push(Uint8Array.of(SHOW_FRAME, brightness));
  return frames;
}

/** Contents of a frame; null for one that is not well formed. Colours are a view into it. */
export function decodeRawFrame(bytes: Uint8Array): RawFrame | null {
  if (bytes[0] === SHOW_FRAME && bytes.length === 2) return { kind: 'show', brightness: bytes[1]! };
  if (bytes[0] !== ROW_FRAME || bytes.length < HEADER_BYTES) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = view.getUint16(5);
  if (count > MOST_RAW_PIXELS || bytes.length !== HEADER_BYTES + 3 * count) return null;
  return {
    kind: 'row',
    row: view.getUint16(1),
    firstColumn: view.getUint16(3),
    rgb: bytes.subarray(HEADER_BYTES),
  };
}
