import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { NO_LINK, PLAIN_WORDS, roughMeasure } from '../../../tests/unit/papers';
import { PAPER_SIZES } from '../catalogue/paper';
import type { Sheet } from './sheet';
import type { Table } from './table';
import { tableBlock, type Block } from './block';
import type { Ink } from './ink';
import { furniture } from './furniture';
import type { Page } from './page';
import { pagesOf } from './pages';
import { printed } from './print';
import { linesOf } from './text';

const sheetOf = (blocks: Block[], side: string | null = null): Sheet => ({
  id: 'any',
  name: 'Any sheet',
  group: 'build',
  about: { kind: 'show' },
  side,
  isPaper: true,
  table: null,
  blocks: () => blocks,
});

interface Row {
  number: number;
  cells: string[];
}

/** A table of which each row carries its number in a cell of its own. */
const tableOf = (rows: Row[], columns: number): Table<Row> => ({
  name: 'Rows',
  rows,
  keyOf: ({ number }) => number,
  columns: [
    { id: 'number', head: 'Row', meaning: 'its number', as: 'key', of: ({ number }) => `#${number}` },
    ...Array.from({ length: columns }, (_, i) => ({
      id: `c${i}`,
      head: `Head ${i}`,
      unit: i % 2 ? 'of something long' : 'mm',
      meaning: 'anything',
      as: i % 3 === 0 ? ('figure' as const) : undefined,
      of: ({ cells }: Row) => cells[i] ?? null,
    })).map(({ as, ...rest }) => ({ ...rest, ...(as && { as }) })),
  ],
});

const anyCell = fc.oneof(
  fc.string({ maxLength: 12 }),
  fc.constantFrom(
    '1,008',
    'Boathouse gable run 2, pixel 146',
    'x'.repeat(80),
    '10.40.0.21 / 255.255.255.0',
    '',
    'ä ö ü – ↑ up',
  ),
);
const anyTable = fc
  .record({
    rows: fc.integer({ min: 1, max: 500 }),
    columns: fc.integer({ min: 1, max: 16 }),
    cells: fc.array(anyCell, { minLength: 1, maxLength: 40 }),
  })
  .map(({ rows, columns, cells }) =>
    tableOf(
      Array.from({ length: rows }, (_, number) => ({
        number,
        cells: Array.from({ length: columns }, (_c, i) => cells[(number * 7 + i * 3) % cells.length]!),
      })),
      columns,
    ),
  );

const textsOf = (page: Page) =>
  page.inks.filter((ink): ink is Extract<Ink, { is: 'text' }> => ink.is === 'text');

it('cuts nothing off, parts no row, and repeats the head of a table on each of its pages', () => {
  fc.assert(
    fc.property(anyTable, fc.constantFrom(...PAPER_SIZES), fc.boolean(), (table, size, hasSide) => {
      const pages = [
        ...pagesOf(
          sheetOf([tableBlock(table, [{ head: 'Done', as: 'tick' }])], hasSide ? 'seen from the back' : null),
          {
            size,
            measure: roughMeasure,
            explains: false,
          },
        ),
      ];
      const seen = new Map<string, Set<number>>();
      pages.forEach((page, number) => {
        const { room } = page;
        const texts = textsOf(page);
        const outside = texts.filter((ink) => {
          const width = roughMeasure(ink.words, ink.sizePt, ink.style);
          const left = ink.xPt - (ink.anchor === 'end' ? width : 0);
          return (
            left < room.leftPt - 0.1 ||
            left + width > room.rightPt + 0.1 ||
            ink.baselinePt - ink.sizePt < room.topPt - 0.1 ||
            ink.baselinePt > room.bottomPt + 0.1
          );
        });
        expect(outside).toEqual([]);
        for (const { words } of texts)
          if (/^#\d+$/.test(words)) seen.set(words, (seen.get(words) ?? new Set()).add(number));
        // Each page that holds rows has the head of the first column above them.
        const rows = texts.filter(({ words }) => /^#\d+$/.test(words));
        const heads = texts.filter(({ words }) => words === 'Row');
        if (rows.length > 0)
          expect(Math.min(...heads.map(({ baselinePt }) => baselinePt))).toBeLessThan(
            Math.min(...rows.map(({ baselinePt }) => baselinePt)),
          );
      });
      // All rows are there; in a part of the columns each stands on one page.
      expect(seen.size).toBe(table.rows.length);
    }),
    { numRuns: tries(30) },
  );
});

it('keeps all lines of a row between the rules of one page', () => {
  const table = tableOf(
    Array.from({ length: 90 }, (_, number) => ({ number, cells: ['word '.repeat(1 + ((number * 7) % 40))] })),
    1,
  );
  const pages = [
    ...pagesOf(sheetOf([tableBlock(table)]), { size: 'a4', measure: roughMeasure, explains: false }),
  ];
  const words = pages.map((page) =>
    textsOf(page)
      .map((ink) => ink.words)
      .join(' '),
  );
  table.rows.forEach(({ number, cells }) => {
    const page = words.find((text) => text.includes(`#${number} `) || text.endsWith(`#${number}`))!;
    expect(page).toBeDefined();
    const after = page.slice(page.indexOf(`#${number}`)).split(/#\d+/)[1]!;
    expect(after.split(/\s+/).filter((word) => word === 'word')).toHaveLength(
      cells[0]!.trim().split(' ').length,
    );
  });
});

it('breaks lines between words, and a word that is too long where it has to be', () => {
  fc.assert(
    fc.property(
      fc.array(fc.string({ minLength: 1, maxLength: 60 })),
      fc.integer({ min: 20, max: 300 }),
      (parts, width) => {
        const words = parts.join(' ').replace(/\n/g, ' ');
        const lines = linesOf(words, width, 10, 'regular', roughMeasure);
        for (const line of lines)
          expect(roughMeasure(line, 10, 'regular') <= width + 0.02 || [...line].length === 1).toBe(true);
        expect(lines.join('').replace(/\s/g, '')).toBe(words.replace(/\s/g, ''));
      },
    ),
  );
});

it('numbers every page of all, contents in front, and says the side in large type', () => {
  const sheets = ['seen from the front', 'seen from the back', null].map((side, i) => ({
    ...sheetOf(
      [
        { is: 'heading', words: `Part ${i}` },
        ...Array.from({ length: 70 }, (): Block => ({ is: 'words', words: 'A line.' })),
      ],
      side,
    ),
    name: `Sheet ${i}`,
  }));
  const steps = [
    ...printed(
      {
        show: 'Quay',
        name: 'Binder',
        sheets,
        size: 'letter',
        explains: false,
        state: 'rev 1',
        markOf: () => null,
      },
      roughMeasure,
    ),
  ];
  const pages = steps.flatMap((step) => (step.is === 'page' ? [step.page] : []));
  const words = pages.map(({ inks }) => inks.flatMap((ink) => (ink.is === 'text' ? [ink] : [])));
  words.forEach((texts, i) =>
    expect(texts.map((ink) => ink.words)).toContain(`page ${i + 1} of ${pages.length}`),
  );
  expect(pages.map(({ bookmark }) => bookmark).filter(Boolean)).toEqual([
    'Binder: contents',
    'Sheet 0',
    'Sheet 1',
    'Sheet 2',
  ]);
  // The contents tell the pages on which the sheets begin.
  const first = pages.findIndex(({ bookmark }) => bookmark === 'Sheet 2') + 1;
  expect(words[0]!.map((ink) => ink.words)).toContain(String(first));
  for (const texts of words.slice(1, first - 1)) {
    const sides = texts.filter(({ words: each }) => /^SEEN FROM THE (FRONT|BACK)$/.test(each));
    expect(sides).toHaveLength(1);
    expect(sides[0]!.sizePt).toBeGreaterThanOrEqual(20);
  }
  // Progress goes on and ends at the end.
  const parts = steps.map(({ part }) => part);
  expect([...parts].sort((a, b) => a - b)).toEqual(parts);
  expect(parts.at(-1)).toBe(1);
});

it('keeps names that are far too long inside the head of the page', () => {
  const page = {
    room: [...pagesOf(sheetOf([]), { size: 'a4', measure: roughMeasure, explains: false })][0]!.room,
    inks: [],
    isBare: false,
  };
  for (const ink of furniture(
    page,
    {
      ...PLAIN_WORDS,
      ...NO_LINK,
      sheet: 'W'.repeat(300),
      show: 'Quay '.repeat(60),
      side: 'seen from '.repeat(20),
    },
    roughMeasure,
  ))
    if (ink.is === 'text' && ink.anchor !== 'end')
      expect(ink.xPt + roughMeasure(ink.words, ink.sizePt, ink.style)).toBeLessThanOrEqual(
        page.room.rightPt + 0.5,
      );
});
