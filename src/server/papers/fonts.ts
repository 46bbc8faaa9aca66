import { readFileSync } from 'node:fs';
import path from 'node:path';
import PDFDocument from 'pdfkit';
import type { Measure, TextStyle } from '@/core/pages/ink';
import { fontOfWoff } from './woff';

const NEXT = '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next';
const MONO = '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono';

/** Letters by style: Latin first, then what other languages of Europe add, and at last a font with arrows, Greek and Cyrillic. */
const FILES: Record<TextStyle, readonly string[]> = {
  regular: [
    `${NEXT}-latin-400-normal.woff`,
    `${NEXT}-latin-ext-400-normal.woff`,
    'dejavu-fonts-ttf/ttf/DejaVuSans.ttf',
  ],
  bold: [
    `${NEXT}-latin-700-normal.woff`,
    `${NEXT}-latin-ext-700-normal.woff`,
    'dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf',
  ],
  mono: [
    `${MONO}-latin-400-normal.woff`,
    `${MONO}-latin-ext-400-normal.woff`,
    'dejavu-fonts-ttf/ttf/DejaVuSansMono.ttf',
  ],
};

const opened = new Map<string, Buffer>();

/** A font file as documents take it, read once. */
function fontFile(file: string): Buffer {
  let font = opened.get(file);
  if (!font) {
    const bytes = readFileSync(path.join(process.cwd(), 'node_modules', file));
    font = file.endsWith('.woff') ? fontOfWoff(bytes) : bytes;
    opened.set(file, font);
  }
  return font;
}

/** A letter that no font has is printed as this. */
const UNKNOWN = '\u25a1';

/** Words in one font. */
interface FontStretch {
  /** As the document knows it. */
  font: string;
  words: string;
}

interface OpenFont {
  font: { hasGlyphForCodePoint: (codePoint: number) => boolean };
  widthOfString: (words: string, size: number, features?: unknown) => number;
}

/** More words than this are not remembered: a binder has more. */
const MOST_KEPT = 60_000;
/** Widths are measured at this size, and follow in proportion. */
const MEASURED_PT = 100;

/** The fonts of one document, each opened when it is first needed, and how wide words are in them. */
export class Fonts {
  private readonly stretches = new Map<string, readonly FontStretch[]>();
  private readonly widths = new Map<string, number>();
  private readonly fontOf = new Map<string, number>();

  constructor(private readonly document: PDFKit.PDFDocument) {
    for (const [style, files] of Object.entries(FILES))
      files.forEach((file, i) => document.registerFont(`${style}-${i}`, fontFile(file)));
  }

  private open(name: string): OpenFont {
    this.document.font(name);
    return (this.document as unknown as { _font: OpenFont })._font;
  }

  /** Words parted by the fonts that have their letters. */
  parted(words: string, style: TextStyle): readonly FontStretch[] {
    const key = `${style} ${words}`;
    const known = this.stretches.get(key);
    if (known) return known;
    const parts: { index: number; words: string }[] = [];
    for (const letter of words) {
      const index = this.indexOf(letter, style);
      const last = parts.at(-1);
      const shown = index < 0 ? UNKNOWN : letter;
      const font = index < 0 ? FILES[style].length - 1 : index;
      if (last?.index === font) last.words += shown;
      else parts.push({ index: font, words: shown });
    }
    const stretches = parts.map((part) => ({ font: `${style}-${part.index}`, words: part.words }));
    if (this.stretches.size >= MOST_KEPT) this.stretches.clear();
    this.stretches.set(key, stretches);
    return stretches;
  }

  /** The first font of a style that has a letter; -1 where none has it. */
  private indexOf(letter: string, style: TextStyle): number {
    const key = style + letter;
    const known = this.fontOf.get(key);
    if (known !== undefined) return known;
    const codePoint = letter.codePointAt(0)!;
    const index = FILES[style].findIndex((_, i) =>
      this.open(`${style}-${i}`).font.hasGlyphForCodePoint(codePoint),
    );
    this.fontOf.set(key, index);
    return index;
  }

  /** In points. */
  readonly measure: Measure = (words, sizePt, style) => {
    const key = `${style} ${words}`;
    let width = this.widths.get(key);
    if (width === undefined) {
      width = 0;
      for (const stretch of this.parted(words, style))
        width += this.open(stretch.font).widthOfString(stretch.words, MEASURED_PT);
      if (this.widths.size >= MOST_KEPT) this.widths.clear();
      this.widths.set(key, width);
    }
    return (width * sizePt) / MEASURED_PT;
  };
}

/** A way to measure words where no document is written. */
export function measureOnly(): Measure {
  return new Fonts(new PDFDocument({ autoFirstPage: false })).measure;
}
