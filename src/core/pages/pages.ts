import type { Lengths } from '../units/length';
import type { Sheet } from './sheet';
import { labelPages } from './labelPages';
import type { Block, PaperStep } from './block';
import { Footnotes } from './footnotes';
import type { PaperSize } from '../catalogue/paper';
import { pageRoom, type PageRoom } from './format';
import type { Ink, Measure } from './ink';
import type { Page } from './page';
import { placeDrawing } from './placeDrawing';
import { boxInk, fitsWidth, layTable, type LaidTable } from './tableLayout';
import { linesOf } from './text';

export interface PageSetting {
  size: PaperSize;
  measure: Measure;
  /** Numbers say at the end of the sheet how they came about. */
  explains: boolean;
}

const BODY_PT = 11;
const HEADING_PT = 14;
const SMALL_PT = 9;
const LINE = 1.3;
const GAP_PT = 9;
const BOX_PT = 13;
const STEP_GAP_PT = 6;
/** A heading has at least so much of what it heads below it. */
const KEPT_WITH_HEADING_PT = 70;
/** Whether a sheet lies on its side: a table that does not fit upright paper in letters that are easily read. */
function liesOnItsSide(blocks: readonly Block[], { size, measure }: PageSetting, lengths: Lengths): boolean {
  const { leftPt, rightPt } = pageRoom(size, false, false);
  return blocks.some(
    (block) =>
      block.is === 'table' && !fitsWidth(block.table, block.write ?? [], rightPt - leftPt, measure, lengths),
  );
}

/** Scales of letters and gaps that are tried for a sheet of one page. */
const SCALES = [1, 0.94, 0.88, 0.82, 0.76];

/** The pages of a sheet, one after another, each made when it is asked for. No row, step or line is parted between two. */
export function* pagesOf(sheet: Sheet, setting: PageSetting): Generator<Page> {
  const blocks = sheet.blocks();
  const labels = blocks.flatMap((block) => (block.is === 'labels' ? [block.labels] : []));
  if (labels.length > 0) {
    for (const each of labels) yield* labelPages(each, setting.measure);
    return;
  }
  if (!sheet.isOnePage) return yield* flowing(blocks, sheet, setting, 1);
  for (const scale of SCALES) {
    const pages = [...flowing(blocks, sheet, setting, scale)];
    if (pages.length === 1 || scale === SCALES.at(-1)) return yield* pages;
  }
}

function* flowing(
  blocks: readonly Block[],
  sheet: Sheet,
  setting: PageSetting,
  scale: number,
): Generator<Page> {
  const flow = new Flow(
    pageRoom(setting.size, liesOnItsSide(blocks, setting, sheet.lengths), sheet.side !== null),
    setting.measure,
    sheet.lengths,
    setting.explains ? new Footnotes(sheet.lengths) : null,
    scale,
  );
  for (const block of blocks) yield* flow.put(block);
  yield* flow.putFootnotes();
  yield flow.page();
}

/** Fills page after page from the top. */
class Flow {
  private inks: Ink[] = [];
  /** Steps are counted on below a heading, whatever stands between them. */
  private stepNumber = 0;
  private yPt: number;
  private readonly bodyPt: number;
  private readonly headingPt: number;
  private readonly smallPt: number;
  private readonly gapPt: number;
  private readonly keptPt: number;
  private readonly stepGapPt: number;

  constructor(
    private readonly room: PageRoom,
    private readonly measure: Measure,
    private readonly lengths: Lengths,
    private readonly footnotes: Footnotes | null,
    /** Letters and gaps are so much of their usual size. */
    scale: number,
  ) {
    this.yPt = room.topPt;
    this.bodyPt = BODY_PT * scale;
    this.headingPt = HEADING_PT * scale;
    this.smallPt = SMALL_PT * scale;
    // White is given up before letters are.
    this.gapPt = GAP_PT * scale ** 3;
    this.stepGapPt = STEP_GAP_PT * scale ** 3;
    this.keptPt = KEPT_WITH_HEADING_PT * scale ** 3;
  }

  page(): Page {
    return { room: this.room, inks: this.inks, isBare: false };
  }

  private get isEmpty(): boolean {
    return this.inks.length === 0;
  }

  private get widthPt(): number {
    return this.room.rightPt - this.room.leftPt;
  }

  private get leftPt(): number {
    return this.room.bottomPt - this.yPt;
  }

  /** A new page where less than so much is left. */
  private *need(heightPt: number): Generator<Page> {
    if (this.isEmpty || this.leftPt >= heightPt) return;
    yield* this.turn();
  }

  private *turn(): Generator<Page> {
    if (this.isEmpty) return;
    yield this.page();
    this.inks = [];
    this.yPt = this.room.topPt;
  }

  *put(block: Block): Generator<Page> {
    switch (block.is) {
      case 'newPage':
        return yield* this.turn();
      case 'heading':
        this.stepNumber = 0;
        yield* this.need(this.headingPt * LINE + this.keptPt);
        if (!this.isEmpty) this.yPt += this.gapPt;
        return yield* this.lines(
          linesOf(block.words, this.widthPt, this.headingPt, 'bold', this.measure),
          this.headingPt,
          'bold',
        );
      case 'words':
        yield* this.lines(
          linesOf(block.words, this.widthPt, this.bodyPt, 'regular', this.measure),
          this.bodyPt,
          'regular',
        );
        this.yPt += this.gapPt / 2;
        return;
      case 'caution':
        return yield* this.caution(block.words);
      case 'blanks':
        return yield* this.blanks(block.words);
      case 'steps':
        for (const step of block.steps) yield* this.step(step, (this.stepNumber += 1));
        this.yPt += this.gapPt;
        return;
      case 'table':
        for (const laid of layTable(
          block.table,
          block.write ?? [],
          this.widthPt,
          this.measure,
          this.lengths,
          this.footnotes,
        ))
          yield* this.table(laid);
        return;
      case 'drawing': {
        const mostPt = (this.room.bottomPt - this.room.topPt) * block.share;
        const placed = placeDrawing(block.drawing, this.widthPt, mostPt, this.measure, this.lengths);
        yield* this.need(placed.heightPt);
        this.inks.push(...placed.inks(this.room.leftPt, this.yPt));
        this.yPt += placed.heightPt + this.gapPt;
        return;
      }
      case 'labels':
        // They have pages of their own.
        return;
    }
  }

  *putFootnotes(): Generator<Page> {
    const words = this.footnotes?.words ?? [];
    if (words.length === 0) return;
    yield* this.put({ is: 'heading', words: 'How these numbers come about' });
    for (const each of words) {
      const lines = linesOf(each, this.widthPt, this.smallPt, 'regular', this.measure);
      yield* this.need(Math.min(lines.length, 8) * this.smallPt * LINE);
      yield* this.lines(lines, this.smallPt, 'regular');
      this.yPt += 3;
    }
  }

  private *lines(
    lines: readonly string[],
    sizePt: number,
    style: 'regular' | 'bold',
    indentPt = 0,
  ): Generator<Page> {
    for (const words of lines) {
      yield* this.need(sizePt * LINE);
      this.text(words, sizePt, style, indentPt);
      this.yPt += sizePt * LINE;
    }
  }

  private text(
    words: string,
    sizePt: number,
    style: 'regular' | 'bold',
    indentPt: number,
    grey = false,
  ): void {
    this.inks.push({
      is: 'text',
      xPt: this.room.leftPt + indentPt,
      baselinePt: this.yPt + sizePt,
      sizePt,
      style,
      words,
      ...(grey && { grey }),
    });
  }

  private *caution(words: string): Generator<Page> {
    const padPt = 7;
    const lines = linesOf(words, this.widthPt - 2 * padPt, this.bodyPt, 'regular', this.measure);
    const heightPt = (lines.length + 1) * this.bodyPt * LINE + 2 * padPt;
    yield* this.need(heightPt);
    this.inks.push({ ...boxInk(this.room.leftPt, this.yPt, this.widthPt, heightPt), widthPt: 1.5 } as Ink);
    this.yPt += padPt;
    this.text('Caution', this.bodyPt, 'bold', padPt);
    this.yPt += this.bodyPt * LINE;
    for (const line of lines) {
      this.text(line, this.bodyPt, 'regular', padPt);
      this.yPt += this.bodyPt * LINE;
    }
    this.yPt += padPt + this.gapPt;
  }

  /** Heads with a line to write on, two beside one another. */
  private *blanks(words: readonly string[]): Generator<Page> {
    const rowPt = 26;
    const half = (this.widthPt - 16) / 2;
    for (let i = 0; i < words.length; i += 2) {
      yield* this.need(rowPt);
      for (const [k, each] of words.slice(i, i + 2).entries()) {
        const indentPt = k * (half + 16);
        const wide = this.measure(each, this.smallPt, 'regular') + 6;
        this.yPt += rowPt - this.smallPt - 6;
        this.text(each, this.smallPt, 'regular', indentPt);
        this.yPt -= rowPt - this.smallPt - 6;
        const [from, to] = [this.room.leftPt + indentPt + wide, this.room.leftPt + indentPt + half];
        const y = this.yPt + rowPt - 5;
        this.inks.push({ is: 'path', points: [from, y, Math.max(from + 20, to), y], widthPt: 0.6 });
      }
      this.yPt += rowPt;
    }
    this.yPt += this.gapPt / 2;
  }

  private *step(
    { words, why, caution, write = [], isDone, isStop }: PaperStep,
    number: number,
  ): Generator<Page> {
    const indentPt = BOX_PT + 24;
    const blankPt = 78;
    const room = this.widthPt - indentPt - write.length * (blankPt + 6);
    const head = linesOf(
      `${words}${isStop ? '  Stop here where it is otherwise.' : ''}`,
      room,
      this.bodyPt,
      'bold',
      this.measure,
    );
    const below = [why, caution && `Caution: ${caution}`].flatMap((each) =>
      each ? linesOf(each, room, this.smallPt, 'regular', this.measure) : [],
    );
    const heightPt = Math.max(
      head.length * this.bodyPt * LINE + below.length * this.smallPt * LINE,
      write.length > 0 ? 30 : BOX_PT,
    );
    yield* this.need(heightPt + this.stepGapPt);
    const { leftPt } = this.room;
    this.inks.push(boxInk(leftPt, this.yPt, BOX_PT, BOX_PT));
    if (isDone) {
      const [x, y] = [leftPt, this.yPt];
      this.inks.push({ is: 'path', points: [x + 3, y + 7, x + 5.5, y + 10, x + 10, y + 3], widthPt: 1.4 });
    }
    this.inks.push({
      is: 'text',
      xPt: leftPt + indentPt - 5,
      baselinePt: this.yPt + this.bodyPt,
      sizePt: this.bodyPt,
      style: 'mono',
      words: String(number),
      anchor: 'end',
    });
    for (const [i, each] of write.entries()) {
      const x = this.room.rightPt - (write.length - i) * (blankPt + 6) + 6;
      this.inks.push(boxInk(x, this.yPt, blankPt, 17), {
        is: 'text',
        xPt: x,
        baselinePt: this.yPt + 17 + this.smallPt,
        sizePt: this.smallPt * 0.9,
        style: 'regular',
        words: each,
        grey: true,
      });
    }
    const top = this.yPt;
    for (const line of head) {
      this.text(line, this.bodyPt, 'bold', indentPt);
      this.yPt += this.bodyPt * LINE;
    }
    for (const line of below) {
      this.text(line, this.smallPt, 'regular', indentPt);
      this.yPt += this.smallPt * LINE;
    }
    this.yPt = top + heightPt + this.stepGapPt;
  }

  /** Row by row; where a page is full its head stands on the next one again. */
  private *table(laid: LaidTable): Generator<Page> {
    const { leftPt } = this.room;
    const head = () => {
      this.inks.push(...laid.headInks(leftPt, this.yPt));
      this.yPt += laid.headPt;
    };
    const first = laid.rowCount > 0 ? laid.row(0).heightPt : 0;
    yield* this.need(laid.headPt + first);
    head();
    for (let i = 0; i < laid.rowCount; i += 1) {
      const { heightPt, inks } = laid.row(i);
      if (this.leftPt < heightPt) {
        yield* this.turn();
        head();
      }
      this.inks.push(...inks(leftPt, this.yPt));
      this.yPt += heightPt;
    }
    this.yPt += this.gapPt;
  }
}
