import type { Lengths } from '../units/length';
import { cellWords, isExplained, type Cell, type Column, type Table } from './table';
import type { WriteColumn } from './block';
import type { Footnotes } from './footnotes';
import type { Ink, Measure, TextStyle } from './ink';
import { linesOf, widestPart } from './text';
import { itemAt, lastOf } from '../units/there';

/** Left and right of what stands in a cell. */
const PAD_PT = 4;
const LINE = 1.25;
/** Letters are made smaller before a table is parted, and never smaller than that. */
const SIZES_PT = [10, 9, 8];
const EASY_PT = 9;
const NOTE_SHARE = 0.85;
const TICK_PT = 13;
/** Room to write a figure by hand. */
const WRITE_PT = 62;
/** Words that are shorter stay together, and so does a figure up to twice as long. */
const KEPT_LETTERS = 12;
/** Columns are not made wider than that while others want room. */
const MOST_WORDS_PT = 190;
const MOST_HEAD_PT = 110;

/** A column as it stands on paper. */
interface PaperColumn {
  head: string;
  unit: string | undefined;
  style: TextStyle;
  of: ((row: never, index: number) => Cell) | null;
  write: WriteColumn['as'] | null;
  isFigure: boolean;
}

/** A part of a table that fits the width of a page: all of its rows, and some of its columns. */
export interface LaidTable {
  sizePt: number;
  widthPt: number;
  headPt: number;
  headInks: (xPt: number, yPt: number) => Ink[];
  rowCount: number;
  /** A row as high as it has to be, and what is in it. */
  row: (index: number) => { heightPt: number; inks: (xPt: number, yPt: number) => Ink[] };
}

/**
 * A table for a width of paper: columns as wide as their longest words need, letters smaller where that helps, and parted into several
 * tables with the first column in each where nothing else does.
 *
 * @param footnotes where numbers are to be explained below the sheet
 */
export function layTable(
  table: Table<never>,
  write: readonly WriteColumn[],
  widthPt: number,
  measure: Measure,
  lengths: Lengths,
  footnotes: Footnotes | null,
): LaidTable[] {
  const columns = [...table.columns.map(planned), ...write.map(written)];
  const words = new TableWords(table, measure, lengths, footnotes);
  for (const sizePt of SIZES_PT) {
    const widths = words.widths(columns, sizePt, widthPt);
    if (widths) return [laid(words, columns, widths, sizePt)];
  }
  const sizePt = lastOf(SIZES_PT);
  return parted(words, columns, sizePt, widthPt).map(({ part, widths }) => laid(words, part, widths, sizePt));
}

/** Whether all columns of a table fit a width in letters that are easily read. */
export function fitsWidth(
  table: Table<never>,
  write: readonly WriteColumn[],
  widthPt: number,
  measure: Measure,
  lengths: Lengths,
): boolean {
  const columns = [...table.columns.map(planned), ...write.map(written)];
  return new TableWords(table, measure, lengths, null).widths(columns, EASY_PT, widthPt) !== null;
}

function planned(column: Column<never>): PaperColumn {
  const { head, unit, as } = column;
  return {
    head,
    unit,
    style: as === 'figure' || as === 'address' ? 'mono' : as === 'key' ? 'bold' : 'regular',
    of: column.of,
    write: null,
    isFigure: as === 'figure',
  };
}

function written({ head, unit, as }: WriteColumn): PaperColumn {
  return { head, unit, style: 'regular', of: null, write: as, isFigure: false };
}

/** Short words, and figures, stand in one line: `↓ down`, `991 px`, `113–140`. */
function isKept(words: string, { style }: PaperColumn): boolean {
  return words.length <= (style === 'mono' ? 2 * KEPT_LETTERS : KEPT_LETTERS);
}

interface CellText {
  words: string;
  note: string | undefined;
  isQuiet: boolean;
  /** Number of the footnote that explains it. */
  footnote: number | null;
}

/** The words of the cells, and the room that they need. */
class TableWords {
  private readonly needs = new Map<PaperColumn, { least: number; most: number }>();

  constructor(
    readonly table: Table<never>,
    readonly measure: Measure,
    private readonly lengths: Lengths,
    private readonly footnotes: Footnotes | null,
  ) {}

  cell(column: PaperColumn, index: number): CellText | null {
    if (!column.of) return null;
    const cell = column.of(itemAt(this.table.rows, index), index);
    const told = cell !== null && typeof cell === 'object' && !isExplained(cell) ? cell : null;
    const why = cell !== null && isExplained(cell) ? cell : told?.why;
    return {
      words: cellWords(cell, this.lengths),
      note: told?.note,
      isQuiet: told?.mood === 'quiet',
      footnote: (why && this.footnotes?.numberOf(why)) ?? null,
    };
  }

  /** The least and the most that a column needs with its letters at 10 pt; all else follows in proportion. */
  private needOf(column: PaperColumn): { least: number; most: number } {
    const known = this.needs.get(column);
    if (known) return known;
    const { measure } = this;
    const size = itemAt(SIZES_PT, 0);
    let least = Math.max(
      widestPart(column.head, size, 'bold', measure),
      column.unit ? widestPart(column.unit, size * NOTE_SHARE, 'regular', measure) : 0,
    );
    let most = Math.max(
      least,
      Math.min(MOST_HEAD_PT, measure(column.head, size, 'bold')),
      Math.min(MOST_HEAD_PT, measure(column.unit ?? '', size * NOTE_SHARE, 'regular')),
    );
    if (column.write === 'write') least = Math.max(least, WRITE_PT);
    if (column.write === 'tick') least = Math.max(least, TICK_PT);
    if (column.of)
      for (let i = 0; i < this.table.rows.length; i += 1) {
        const { words, note, footnote } = this.cell(column, i)!;
        const whole = measure(words, size, column.style) + (footnote === null ? 0 : size);
        least = Math.max(
          least,
          isKept(words, column)
            ? whole
            : widestPart(words, size, column.style, measure) + (footnote === null ? 0 : size),
        );
        most = Math.max(most, whole);
        if (note !== undefined) {
          least = Math.max(least, widestPart(note, size * NOTE_SHARE, 'regular', measure));
          most = Math.max(most, Math.min(measure(note, size * NOTE_SHARE, 'regular'), MOST_WORDS_PT));
        }
      }
    const need = { least, most: Math.max(least, most) };
    this.needs.set(column, need);
    return need;
  }

  /** Width of each column where all of them fit; null where their longest words do not. */
  widths(columns: readonly PaperColumn[], sizePt: number, widthPt: number): number[] | null {
    const scale = sizePt / itemAt(SIZES_PT, 0);
    const needs = columns.map((column) => {
      const { least, most } = this.needOf(column);
      return { least: least * scale + 2 * PAD_PT, most: most * scale + 2 * PAD_PT };
    });
    const leastSum = needs.reduce((sum, { least }) => sum + least, 0);
    if (leastSum > widthPt) return null;
    const mostSum = needs.reduce((sum, { most }) => sum + most, 0);
    if (mostSum <= widthPt) return needs.map(({ most }) => most);
    // Room above the least is shared out by the wish of each column.
    const share = (widthPt - leastSum) / (mostSum - leastSum);
    return needs.map(({ least, most }) => least + (most - least) * share);
  }
}

/** Columns in groups that fit, the first column in each of them. A column that does not fit by itself has its words broken. */
function parted(words: TableWords, columns: readonly PaperColumn[], sizePt: number, widthPt: number) {
  const parts: { part: PaperColumn[]; widths: number[] }[] = [];
  const [first, ...others] = columns as [PaperColumn, ...PaperColumn[]];
  let rest = others;
  do {
    let count = rest.length;
    let widths: number[] | null = null;
    while (count > 0 && !(widths = words.widths([first, ...rest.slice(0, count)], sizePt, widthPt)))
      count -= 1;
    if (widths) parts.push({ part: [first, ...rest.slice(0, count)], widths });
    else {
      const two = [first, ...rest.slice(0, 1)];
      parts.push({ part: two, widths: two.map(() => widthPt / two.length) });
    }
    rest = rest.slice(Math.max(1, count));
  } while (rest.length > 0);
  return parts;
}

function laid(
  words: TableWords,
  columns: readonly PaperColumn[],
  widths: readonly number[],
  sizePt: number,
): LaidTable {
  const { measure, table } = words;
  const lineOf = (size: number) => size * LINE;
  const lefts = widths.map((_, i) => widths.slice(0, i).reduce((sum, width) => sum + width, 0));
  const widthPt = widths.reduce((sum, width) => sum + width, 0);
  const heads = columns.map(({ head, unit }, i) => {
    const room = itemAt(widths, i) - 2 * PAD_PT;
    return {
      head: linesOf(head, room, sizePt, 'bold', measure),
      unit: unit === undefined ? [] : linesOf(unit, room, sizePt * NOTE_SHARE, 'regular', measure),
    };
  });
  const unitLine = lineOf(sizePt * NOTE_SHARE);
  const headPt =
    Math.max(...heads.map(({ head, unit }) => head.length * lineOf(sizePt) + unit.length * unitLine)) + 4;
  const rule = (xPt: number, yPt: number, thickPt: number): Ink => ({
    is: 'path',
    points: [xPt, yPt, xPt + widthPt, yPt],
    widthPt: thickPt,
  });
  /** Lines of a column from a height on, to its left or, of figures, to its right. */
  const put = (
    i: number,
    xPt: number,
    yPt: number,
    lines: readonly string[],
    size: number,
    style: TextStyle,
    grey: boolean,
  ): Ink[] => {
    const isRight = itemAt(columns, i).isFigure;
    return lines.map((line, k) => ({
      is: 'text',
      xPt: xPt + itemAt(lefts, i) + (isRight ? itemAt(widths, i) - PAD_PT : PAD_PT),
      baselinePt: yPt + k * lineOf(size) + size,
      sizePt: size,
      style,
      words: line,
      ...(isRight && { anchor: 'end' as const }),
      ...(grey && { grey }),
    }));
  };
  return {
    sizePt,
    widthPt,
    headPt,
    headInks: (xPt, yPt) => [
      ...heads.flatMap(({ head, unit }, i) => [
        ...put(i, xPt, yPt, head, sizePt, 'bold', false),
        ...put(i, xPt, yPt + head.length * lineOf(sizePt), unit, sizePt * NOTE_SHARE, 'regular', true),
      ]),
      rule(xPt, yPt + headPt - 1, 1),
    ],
    rowCount: table.rows.length,
    row: (index) => {
      const cells = columns.map((column, i) => {
        const cell = words.cell(column, index);
        if (!cell) return null;
        const room = itemAt(widths, i) - 2 * PAD_PT - (cell.footnote === null ? 0 : sizePt);
        return {
          ...cell,
          lines:
            isKept(cell.words, column) && measure(cell.words, sizePt, column.style) <= room + 0.01
              ? [cell.words]
              : linesOf(cell.words, room, sizePt, column.style, measure),
          notes:
            cell.note === undefined
              ? []
              : linesOf(cell.note, itemAt(widths, i) - 2 * PAD_PT, sizePt * NOTE_SHARE, 'regular', measure),
        };
      });
      const noteLine = lineOf(sizePt * NOTE_SHARE);
      const textPt = Math.max(
        0,
        ...cells.map((cell) =>
          cell ? cell.lines.length * lineOf(sizePt) + cell.notes.length * noteLine : 0,
        ),
      );
      const hasBoxes = columns.some(({ write }) => write !== null);
      const heightPt = Math.max(textPt, hasBoxes ? TICK_PT + 3 : 0) + 4;
      return {
        heightPt,
        inks: (xPt, yPt) => [
          ...columns.flatMap((column, i): Ink[] => {
            const cell = cells[i];
            if (cell) {
              const inks = put(i, xPt, yPt + 1, cell.lines, sizePt, column.style, cell.isQuiet);
              if (cell.footnote !== null)
                inks.push(
                  footnoteMark(lastOf(inks), cell.footnote, column.isFigure, lastOf(cell.lines), measure),
                );
              return [
                ...inks,
                ...put(
                  i,
                  xPt,
                  yPt + 1 + cell.lines.length * lineOf(sizePt),
                  cell.notes,
                  sizePt * NOTE_SHARE,
                  'regular',
                  true,
                ),
              ];
            }
            const left = xPt + itemAt(lefts, i) + PAD_PT;
            if (column.write === 'tick') return [boxInk(left, yPt + 2, TICK_PT - 1, TICK_PT - 1)];
            return [boxInk(left, yPt + 1.5, itemAt(widths, i) - 2 * PAD_PT, heightPt - 4)];
          }),
          {
            is: 'path',
            points: [xPt, yPt + heightPt, xPt + widthPt, yPt + heightPt],
            widthPt: 0.4,
            grey: true,
          },
        ],
      };
    },
  };
}

function footnoteMark(after: Ink, number: number, isRight: boolean, words: string, measure: Measure): Ink {
  const { xPt, baselinePt, sizePt, style } = after as Extract<Ink, { is: 'text' }>;
  const size = sizePt * 0.65;
  return {
    is: 'text',
    // Figures end where they end; the mark stands in front of them.
    xPt: isRight ? xPt - measure(words, sizePt, style) - 1 : xPt + measure(words, sizePt, style) + 1,
    baselinePt: baselinePt - sizePt * 0.35,
    sizePt: size,
    style: 'regular',
    words: String(number),
    ...(isRight && { anchor: 'end' as const }),
  };
}

export function boxInk(xPt: number, yPt: number, widthPt: number, heightPt: number): Ink {
  return {
    is: 'path',
    points: [xPt, yPt, xPt + widthPt, yPt, xPt + widthPt, yPt + heightPt, xPt, yPt + heightPt],
    closed: true,
    widthPt: 0.8,
  };
}
