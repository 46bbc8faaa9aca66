import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const isThere = (tool: string, option: string) => {
  try {
    execFileSync(tool, [option], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
};

/** Whether PDF files and codes can be read back on this machine by tools of others. */
export const hasPoppler = (): boolean => isThere('pdftotext', '-v');
export const hasZbar = (): boolean => isThere('zbarimg', '--version');

function inFolder<Result>(pdf: Uint8Array, work: (file: string, folder: string) => Result): Result {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-'));
  try {
    const file = path.join(folder, 'sheet.pdf');
    fs.writeFileSync(file, pdf);
    return work(file, folder);
  } finally {
    fs.rmSync(folder, { recursive: true });
  }
}

/** The words of each page, as they stand beside one another. */
export function textOfPages(pdf: Uint8Array): string[] {
  const text = inFolder(pdf, (file) =>
    execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }),
  );
  // A form feed ends each page.
  return text.split('\f').slice(0, -1);
}

interface WordOnPage {
  words: string;
  /** From 1. */
  page: number;
  /** In points from the top left. */
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Every word with its place. */
export function wordsOfPages(pdf: Uint8Array): {
  pages: { width: number; height: number }[];
  words: WordOnPage[];
} {
  const text = inFolder(pdf, (file) =>
    execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8', maxBuffer: 1e9 }),
  );
  const pages: { width: number; height: number }[] = [];
  const words: WordOnPage[] = [];
  for (const line of text.split('\n')) {
    const page = /<page width="([\d.]+)" height="([\d.]+)"/.exec(line);
    if (page) pages.push({ width: Number(page[1]), height: Number(page[2]) });
    const word =
      /<word xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)">(.*)<\/word>/.exec(line);
    if (word) {
      const [left, top, right, bottom] = word.slice(1, 5).map(Number) as [number, number, number, number];
      words.push({ words: word[5]!, page: pages.length, left, top, right, bottom });
    }
  }
  return { pages, words };
}

/** Grey values of a page, 0 black to 255 white. */
interface Picture {
  width: number;
  height: number;
  grey: Uint8Array;
}

function readPicture(file: string): Picture {
  const bytes = fs.readFileSync(file);
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 60).toString('latin1'))!;
  return { width: Number(head[1]), height: Number(head[2]), grey: bytes.subarray(head[0].length) };
}

/** Every page as it looks. */
export function picturesOf(pdf: Uint8Array, dotsPerInch: number): Picture[] {
  return inFolder(pdf, (file, folder) => {
    execFileSync('pdftoppm', ['-gray', '-r', String(dotsPerInch), file, path.join(folder, 'page')]);
    return fs
      .readdirSync(folder)
      .filter((name) => name.endsWith('.pgm'))
      .sort()
      .map((name) => readPicture(path.join(folder, name)));
  });
}

const CODE_DPI = 200;

/** The codes that an independent reader finds on a page, or on a part of it. @param part from the top left of the page */
export function codesOnPage(
  pdf: Uint8Array,
  page: number,
  part?: { xMm: number; yMm: number; widthMm: number; heightMm: number },
): string[] {
  const dots = (mm: number) => String(Math.round((mm * CODE_DPI) / 25.4));
  const crop = part
    ? ['-x', dots(part.xMm), '-y', dots(part.yMm), '-W', dots(part.widthMm), '-H', dots(part.heightMm)]
    : [];
  return inFolder(pdf, (file, folder) => {
    const picture = path.join(folder, 'page');
    const pages = ['-f', String(page), '-l', String(page), '-singlefile'];
    execFileSync('pdftoppm', ['-r', String(CODE_DPI), ...pages, ...crop, '-png', file, picture]);
    return execFileSync('zbarimg', ['--quiet', '--raw', '-Sdisable', '-Sqrcode.enable', `${picture}.png`], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
    })
      .split('\n')
      .filter((line) => line !== '');
  });
}
