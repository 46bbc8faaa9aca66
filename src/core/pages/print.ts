import type { Sheet } from './sheet';
import { tableBlock } from './block';
import type { PaperSize } from '../catalogue/paper';
import type { Ink, Measure } from './ink';
import { furniture } from './furniture';
import type { Page } from './page';
import { pagesOf, type PageSetting } from './pages';
import { itemAt } from '../units/there';

/** A job for the printer. */
export interface PrintJob {
  /** As the whole is called: the show, and what of it. */
  show: string;
  name: string;
  sheets: readonly Sheet[];
  size: PaperSize;
  explains: boolean;
  /** `rev 41 · 27 Nov 2026` */
  state: string;
  /** By which it is asked whether a sheet is still as planned; null where nobody asks. */
  markOf: (sheet: Sheet) => { mark: string; link: string } | null;
}

/** A page that is ready to be written. */
export interface PrintedPage {
  widthPt: number;
  heightPt: number;
  inks: Ink[];
  /** The sheet that begins on the page. */
  bookmark: string | null;
}

/** Time for others, between two pages that are only counted. */
type Step = { is: 'counted'; part: number } | { is: 'page'; page: PrintedPage; part: number };

/**
 * The pages of some sheets, with page n of m. They are laid out twice: first to count them, then to be written, so that never more than one
 * page is held. More than one sheet has its contents in front.
 */
export function* printed(job: PrintJob, measure: Measure): Generator<Step> {
  const setting: PageSetting = { size: job.size, measure, explains: job.explains };
  const counts: number[] = [];
  const many = job.sheets.length > 1;
  for (const [i, sheet] of job.sheets.entries()) {
    let count = 0;
    for (const page of pagesOf(sheet, setting)) {
      count += page ? 1 : 0;
      yield { is: 'counted', part: (0.45 * (i + 0.5)) / job.sheets.length };
    }
    counts.push(count);
  }
  const inFront = many ? countOf(pagesOf(contents(job, counts, 0), setting)) : 0;
  const pages = counts.reduce((sum, count) => sum + count, inFront);
  let number = 0;
  const write = function* (sheet: Sheet, isContents: boolean): Generator<Step> {
    const mark = isContents ? null : job.markOf(sheet);
    let isFirst = true;
    for (const page of pagesOf(sheet, setting)) {
      number += 1;
      yield {
        is: 'page',
        page: finished(page, job, sheet, mark, { page: number, pages }, measure, isFirst),
        part: 0.45 + (0.55 * number) / pages,
      };
      isFirst = false;
    }
  };
  if (many) yield* write(contents(job, counts, inFront), true);
  for (const sheet of job.sheets) yield* write(sheet, false);
}

function countOf(pages: Iterable<Page>): number {
  let count = 0;
  for (const page of pages) count += page ? 1 : 0;
  return count;
}

function finished(
  page: Page,
  job: PrintJob,
  sheet: Sheet,
  mark: { mark: string; link: string } | null,
  place: { page: number; pages: number },
  measure: Measure,
  isFirst: boolean,
): PrintedPage {
  const { widthPt, heightPt } = page.room;
  const around = page.isBare
    ? []
    : furniture(
        page,
        {
          show: job.show,
          sheet: sheet.name,
          side: sheet.side,
          state: job.state,
          mark: mark?.mark ?? null,
          link: mark?.link ?? null,
          ...place,
        },
        measure,
      );
  return { widthPt, heightPt, inks: [...around, ...page.inks], bookmark: isFirst ? sheet.name : null };
}

/** The contents, as a sheet in front of the others. @param inFront pages that they take themselves */
function contents(job: PrintJob, counts: readonly number[], inFront: number): Sheet {
  let page = inFront + 1;
  const rows = job.sheets.map((sheet, i) => {
    const first = page;
    page += itemAt(counts, i);
    return { name: sheet.name, side: sheet.side, first };
  });
  return {
    id: 'contents',
    name: `${job.name}: contents`,
    group: 'build',
    about: { kind: 'show' },
    side: null,
    isPaper: false,
    table: null,
    blocks: () => [
      tableBlock({
        name: 'Contents',
        rows,
        keyOf: (row: (typeof rows)[number]) => row.first,
        columns: [
          { id: 'sheet', head: 'Sheet', meaning: 'its name', as: 'key' as const, of: ({ name }) => name },
          { id: 'side', head: 'Side', meaning: 'from which side it is seen', of: ({ side }) => side },
          {
            id: 'page',
            head: 'Page',
            meaning: 'its first page',
            as: 'figure' as const,
            of: ({ first }) => first,
          },
        ],
      }),
    ],
  };
}
