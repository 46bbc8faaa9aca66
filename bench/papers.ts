// A binder of 2,000 props as one PDF: how long it takes, its pages, and how much memory is held while it is written; and a table of 3,000
// rows beside what the PDF library takes for such a table by itself.
import { goal, sized, table } from './report';
import PDFDocument from 'pdfkit';
import { planShow } from '../src/core/plan/plan';
import { tableBlock } from '../src/core/pages/block';
import type { Sheet } from '../src/core/pages/sheet';
import { NO_FACTS } from '../src/core/show/facts';
import type { Show } from '../src/core/show/schema';
import { pdfPieces } from '../src/server/papers/pdf';
import { printJob } from '../src/server/papers/print';
import { readDemoShow } from '../scripts/lib/demoServer';

const PROPS = sized(2000, 3);
const ROWS = sized(3000, 30);
const ASKED = { origin: 'http://192.168.1.20:3000', showId: 'bench', printedAt: new Date().toISOString() };

const megabytes = (bytes: number) => Math.round(bytes / 1e6);

/** The demo show with its smaller props repeated until there are so many. */
function manyProps(): Show {
  const demo = readDemoShow();
  const small = demo.props.filter(({ kind }) => kind !== 'wall' && kind !== 'screen');
  const props = Array.from({ length: PROPS }, (_, i) => {
    const { order: _order, site: _site, ...prop } = small[i % small.length]!;
    return { ...prop, id: `${prop.id}-${i}`, name: `${prop.name} ${i + 1}` };
  });
  return { ...demo, props, patch: [], feeds: [], cuts: [], joints: [], tasks: [], supplies: [] } as Show;
}

function binder(): Record<string, string | number> {
  const plan = planShow(manyProps());
  global.gc?.();
  const before = process.memoryUsage().heapUsed;
  const started = performance.now();
  let [bytes, most, last] = [0, 0, 0];
  let firstMs: number | null = null;
  const job = printJob(plan, NO_FACTS, 1, 'binder', {}, ASKED);
  for (const piece of pdfPieces(job, () => {})) {
    bytes += piece.byteLength;
    if (piece.byteLength > 0) firstMs ??= performance.now() - started;
    if (bytes - last > 4e6) {
      last = bytes;
      global.gc?.();
      most = Math.max(most, process.memoryUsage().heapUsed - before);
    }
  }
  return {
    what: `binder of ${PROPS.toLocaleString('en')} props`,
    sheets: job.sheets.length,
    seconds: ((performance.now() - started) / 1000).toFixed(1),
    'first bytes after, s': ((firstMs ?? 0) / 1000).toFixed(1),
    'file, MB': megabytes(bytes),
    'held while writing, MB': megabytes(most),
    goal: goal('begins within 30 s', (firstMs ?? 0) <= 30_000),
  };
}

const cell = (row: number, column: number) => `row ${row} cell ${column}`;

function ourTable(): number {
  const rows = Array.from({ length: ROWS }, (_, row) => row);
  const sheet: Sheet = {
    id: 'rows',
    name: 'Rows',
    group: 'patch',
    about: { kind: 'show' },
    side: null,
    isPaper: true,
    table: null,
    blocks: () => [
      tableBlock({
        name: 'Rows',
        rows,
        keyOf: (row: number) => row,
        columns: Array.from({ length: 6 }, (_, column) => ({
          id: `c${column}`,
          head: `Head ${column}`,
          meaning: '',
          of: (row: number) => cell(row, column),
        })),
      }),
    ],
  };
  const started = performance.now();
  let bytes = 0;
  const job = {
    show: 'Bench',
    name: 'Rows',
    sheets: [sheet],
    size: 'a4' as const,
    explains: false,
    state: '',
    markOf: () => null,
  };
  for (const piece of pdfPieces(job, () => {})) bytes += piece.byteLength;
  return bytes > 0 ? performance.now() - started : NaN;
}

/** The same rows by the table of the library. */
function itsTable(): Promise<number> {
  const started = performance.now();
  return new Promise((resolve) => {
    const document = new PDFDocument({ size: 'A4', margin: 37 });
    document.on('data', () => {});
    document.on('end', () => resolve(performance.now() - started));
    document.fontSize(10).table({
      data: [
        Array.from({ length: 6 }, (_, column) => `Head ${column}`),
        ...Array.from({ length: ROWS }, (_, row) =>
          Array.from({ length: 6 }, (_c, column) => cell(row, column)),
        ),
      ],
    });
    document.end();
  });
}

async function main() {
  table('papers', [binder()]);
  // Both once before they are measured.
  ourTable();
  await itsTable();
  const [ours, its] = [ourTable(), await itsTable()];
  table('papers-table', [
    {
      what: `table of ${ROWS.toLocaleString('en')} rows`,
      'ours, ms': Math.round(ours),
      'the library’s own, ms': Math.round(its),
      ratio: (ours / its).toFixed(2),
      goal: goal('≤ 1.5', ours / its <= 1.5),
    },
  ]);
}

void main();
