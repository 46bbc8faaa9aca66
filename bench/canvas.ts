// Frames a second of the picture while it is panned and zoomed, and the time from an edit to its addresses on screen, in
// headless Chromium. Build first: npm run build.
import type { Browser, Page } from '@playwright/test';
import { startBrowser, startDemoServer, readDemoShow, type DemoServer } from '../scripts/lib/demoServer';
import { wall as wallKind } from '../src/core/props/wall';
import { readShow } from '../src/core/show/read';
import type { Show } from '../src/core/show/schema';
import { manyProps } from './manyProps';
import { netsOf } from './nets';
import { goal, isSmall, sized, table } from './report';

const SIZES: readonly [columns: number, rows: number][] = sized(
  [
    [20, 28],
    [100, 50],
    [200, 100],
    [500, 500],
  ],
  [[20, 28]],
);
const FRAMES = sized(120, 12);
/** Along each side of the large wall. */
const PANELS = sized(64, 8);

type Row = Record<string, string>;

async function main() {
  const server = await startDemoServer();
  const browser = await startBrowser();
  const rows: Row[] = [];
  const edits: Row[] = [];
  try {
    for (const [columns, gridRows] of SIZES) {
      const demo = readDemoShow();
      const net = demo.props.find((prop) => prop.id === 'net-curtain')!;
      Object.assign(net.shape, { columns, rows: gridRows });
      const id = await server.keep({ ...demo, name: `Net ${columns} by ${gridRows}` } as Show);
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      // The compiler that runs this file calls __name to name functions, which the page does not know.
      await page.addInitScript('window.__name = (named) => named');
      await page.goto(`${server.address}/shows/${id}/route/prop/net-curtain`);
      await page.getByRole('region', { name: 'Address ruler' }).waitFor();
      await page.waitForTimeout(500);
      rows.push(...(await framesOf(page, 'picture', (columns * gridRows).toLocaleString('en'))));
      await page.close();
    }
    const wall = await server.keep(largeWall());
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript('window.__name = (named) => named');
    await page.goto(`${server.address}/shows/${wall}/build/prop/wall`);
    await page.getByTestId('wall').waitFor();
    await page.waitForTimeout(1500);
    rows.push(...(await framesOf(page, 'wall', `wall of ${PANELS} × ${PANELS} panels`)));
    await page.close();
    for (const pixels of sized([2_000, 20_000, 250_000], [2_000]))
      edits.push(await netEdit(server, browser, pixels));
    for (const [stage, label, from] of [
      ['build', 'Pixels', 125],
      ['patch', 'Skipped before it', 0],
    ] as const) {
      if (isSmall) continue;
      const many = await editToAddresses(server, browser, manyProps(), `${stage}/prop/prop-0`, label, from);
      edits.push(editRow(`2,000 props, 250,000 pixels, ${label}`, many, 250));
    }
  } finally {
    await browser.close();
    server.stop();
  }
  table('canvas-frames', rows);
  table('canvas-edits', edits);
}

/** Frames a second of a drawing at rest, panned and zoomed. */
async function framesOf(page: Page, testId: string, pixels: string): Promise<Row[]> {
  const rows: Row[] = [];
  // At rest first: what the machine gives just now, whatever is drawn.
  for (const motion of ['rest', 'pan', 'zoom'] as const) {
    // One input an animation frame, as a mouse gives them; the time between frames is what the eye sees.
    const gaps = await page.evaluate(
      async ({ testId, motion, frames }) => {
        const canvas = document.querySelector(`[data-testid=${testId}]`)!;
        const box = canvas.getBoundingClientRect();
        const at = (x: number, y: number) => ({
          bubbles: true,
          clientX: box.left + x,
          clientY: box.top + y,
          pointerId: 1,
          pointerType: 'mouse',
        });
        (canvas as HTMLElement).setPointerCapture = () => {};
        if (motion === 'pan') canvas.dispatchEvent(new PointerEvent('pointerdown', at(300, 300)));
        const gaps: number[] = [];
        let last = await new Promise<number>(requestAnimationFrame);
        for (let i = 0; i < frames; i += 1) {
          if (motion === 'pan')
            canvas.dispatchEvent(
              new PointerEvent('pointermove', at(300 + 120 * Math.sin(i / 9), 300 + 60 * Math.cos(i / 7))),
            );
          else
            canvas.dispatchEvent(
              new WheelEvent('wheel', { ...at(300, 300), deltaY: i % 60 < 30 ? -20 : 20 }),
            );
          const now = await new Promise<number>(requestAnimationFrame);
          gaps.push(now - last);
          last = now;
        }
        if (motion === 'pan') canvas.dispatchEvent(new PointerEvent('pointerup', at(300, 300)));
        return gaps.slice(10);
      },
      { testId, motion, frames: FRAMES },
    );
    gaps.sort((a, b) => a - b);
    const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
    rows.push({
      pixels,
      motion,
      'frames a second': (1000 / mean).toFixed(0),
      'frame ms, middle': gaps[gaps.length >> 1]!.toFixed(1),
      'frame ms, 95 of 100': gaps[Math.floor(gaps.length * 0.95)]!.toFixed(1),
    });
  }
  return rows;
}

/** As many panels as a wall may have, of two million pixels; in a small run a few. */
function largeWall(): Show {
  const { shape, threading } = wallKind.starter();
  const demo = readDemoShow();
  const prop = { ...demo.props[0]!, id: 'wall', name: 'Wall', kind: 'wall', shape, threading };
  return readShow({
    ...demo,
    props: [
      {
        ...prop,
        shape: {
          ...shape,
          columns: PANELS,
          rows: PANELS,
          panel: { ...shape.panel, columns: 32, rows: 16, pitchMm: 10 },
        },
      },
    ],
    // Records of other props would lead nowhere.
    patch: [],
    feeds: [],
    cuts: [],
    joints: [],
    tasks: [],
  });
}

const EDITS = sized(11, 3);

/** Adds a column to the first of many nets. */
async function netEdit(server: DemoServer, browser: Browser, pixels: number): Promise<Row> {
  const times = await editToAddresses(server, browser, netsOf(pixels), 'build/prop/net-0', 'Columns', 40);
  const most = { 20_000: 50, 250_000: 250 }[pixels] ?? null;
  return editRow(`nets, ${pixels.toLocaleString('en')} pixels`, times, most);
}

/** An undo is to be on screen within this. */
const MOST_UNDO_MS = 150;

function editRow(show: string, { edits, undos }: Times, mostMs: number | null): Row {
  const middle = (times: readonly number[]) => times[times.length >> 1]!;
  const goals = [
    ...(mostMs === null ? [] : [goal(`edit ≤ ${mostMs} ms`, middle(edits) <= mostMs)]),
    goal(`undo ≤ ${MOST_UNDO_MS} ms`, middle(undos) <= MOST_UNDO_MS),
  ];
  return {
    show,
    'edit to addresses ms, middle': middle(edits).toFixed(0),
    worst: edits.at(-1)!.toFixed(0),
    'undo to addresses ms, middle': middle(undos).toFixed(0),
    'undo, worst': undos.at(-1)!.toFixed(0),
    goal: goals.join(', '),
  };
}

/** In milliseconds, the shortest first. */
interface Times {
  edits: number[];
  undos: number[];
}

/** Types one more into a field, again and again, and waits for the addresses below the picture to change. */
async function editToAddresses(
  server: DemoServer,
  browser: Browser,
  show: Show,
  view: string,
  label: string,
  from: number,
): Promise<Times> {
  const id = await server.keep(show);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript('window.__name = (named) => named');
  await page.goto(`${server.address}/shows/${id}/${view}`);
  await page.getByRole('region', { name: 'Address ruler' }).waitFor();
  await page.waitForTimeout(500);
  /** From an act to other addresses on screen; `how` is Enter in the field, or the button that takes back. */
  const untilChanged = (how: 'enter' | 'undo') =>
    page.evaluate(async (act) => {
      const words = document.querySelector('[data-testid=ruler-selection]')!;
      const before = words.textContent;
      const start = performance.now();
      if (act === 'undo') document.querySelector<HTMLElement>('[aria-label=Undo]')!.click();
      else
        (document.activeElement as HTMLElement).dispatchEvent(
          new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }),
        );
      return new Promise<number>((resolve) => {
        const look = () =>
          words.textContent === before ? requestAnimationFrame(look) : resolve(performance.now() - start);
        look();
      });
    }, how);
  const edits: number[] = [];
  for (let i = 1; i <= EDITS; i += 1) {
    await page.getByLabel(label, { exact: true }).fill(String(from + i));
    edits.push(await untilChanged('enter'));
  }
  await page
    .getByTestId('saving')
    .getByText(/· saved$/)
    .or(page.locator('[data-state=saved]'))
    .waitFor();
  const undos: number[] = [];
  for (let i = 1; i < EDITS; i += 1) {
    undos.push(await untilChanged('undo'));
    await page.waitForTimeout(150);
  }
  await page.close();
  for (const times of [edits, undos]) times.sort((a, b) => a - b);
  return { edits, undos };
}

void main();
