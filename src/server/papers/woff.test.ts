import { readFileSync } from 'node:fs';
import path from 'node:path';
import PDFDocument from 'pdfkit';
import { fontOfWoff } from './woff';

const FONTS = 'node_modules/@fontsource';
const read = (file: string) => readFileSync(path.join(FONTS, file));
const woff = read('atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff');

interface Opened {
  font: {
    postscriptName: string;
    layout: (words: string) => { advanceWidth: number; glyphs: { id: number }[] };
  };
}

/** As the document opens it: its name, and how words are laid in it. */
function seen(font: Buffer) {
  const document = new PDFDocument({ autoFirstPage: false });
  document.registerFont('it', font);
  document.font('it');
  const { font: opened } = (document as unknown as { _font: Opened })._font;
  const laid = opened.layout('Slip rails, 1.838 m → AVATAR');
  return [opened.postscriptName, laid.advanceWidth, laid.glyphs.map(({ id }) => id)];
}

it('is the font that another reader finds in the same file', () => {
  const font = fontOfWoff(woff);
  expect(font.length).toBeGreaterThan(woff.length);
  expect(seen(font)).toEqual(seen(woff));
});

it('has the checksum in each of its tables that the file says, and all of them within the file', () => {
  const font = fontOfWoff(woff);
  const count = font.readUInt16BE(4);
  for (let i = 0; i < count; i += 1) {
    const at = 12 + 16 * i;
    const [sum, offset, length] = [4, 8, 12].map((more) => font.readUInt32BE(at + more)) as [
      number,
      number,
      number,
    ];
    expect(offset % 4).toBe(0);
    expect(offset + length).toBeLessThanOrEqual(font.length);
    // The checksum of `head` leaves out its own field, at byte 8 (OpenType, table directory).
    const isHead = font.toString('latin1', at, at + 4) === 'head';
    let own = 0;
    for (let word = 0; word < length; word += 4)
      if (!(isHead && word === 8))
        for (let byte = 0; byte < 4; byte += 1)
          if (word + byte < length) own += font[offset + word + byte]! * 2 ** (8 * (3 - byte));
    expect(own % 2 ** 32).toBe(sum);
  }
});

it('is refused where it is none, or not whole', () => {
  expect(() => fontOfWoff(Buffer.from('wOF2 and more that nobody reads, long enough for a header'))).toThrow(
    'no WOFF font',
  );
  expect(() => fontOfWoff(woff.subarray(0, woff.length / 2))).toThrow();
});
