// 20,000 pixels lit in the browser while a line wanders over them: pictures drawn a second, and how long an input waits for the page; as a
// preview, and over real packets from the rig. Build first: npm run build.
import type { Page } from '@playwright/test';
import { goal, sized, table } from './report';
import { startBrowser, startDemoServer, readDemoShow } from '../scripts/lib/demoServer';
import type { Show } from '../src/core/show/schema';

const [COLUMNS, ROWS] = sized([200, 100], [20, 28]);
const SECONDS = sized(6, 1);
const LEAST_A_SECOND = 25;

interface Counted {
  drawn: number;
  waits: number[];
}

async function main() {
  const server = await startDemoServer();
  const browser = await startBrowser();
  const rows: Record<string, string>[] = [];
  try {
    const demo = readDemoShow();
    const net = demo.props.find(({ id }) => id === 'net-curtain')!;
    Object.assign(net.shape, { columns: COLUMNS, rows: ROWS });
    const controllers = demo.controllers.map((each) => ({ ...each, mostPixelsPerPort: 20_000 }));
    const id = await server.keep({
      ...demo,
      controllers,
      name: 'Twenty thousand',
      feeds: [],
      cuts: [],
      joints: [],
    } as Show);
    for (const goes of ['Preview', 'To the simulator']) {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.addInitScript('window.__name = (named) => named');
      await page.goto(`${server.address}/shows/${id}/test/prop/net-curtain`);
      await page.getByRole('button', { name: 'Line from left to right' }).click();
      await page.getByText(goes, { exact: true }).click();
      await page.waitForTimeout(sized(3000, 300));
      const { drawn, waits } = await count(page);
      waits.sort((a, b) => a - b);
      const at = (share: number) => waits[Math.floor(share * (waits.length - 1))]!.toFixed(1);
      rows.push({
        'comes by': goes,
        pixels: (COLUMNS * ROWS).toLocaleString('en'),
        'pictures a second': (drawn / SECONDS).toFixed(1),
        'an input waits, middle ms': at(0.5),
        '95 of 100, ms': at(0.95),
        'most, ms': at(1),
        goal: goal(`≥ ${LEAST_A_SECOND} a second`, drawn / SECONDS >= LEAST_A_SECOND),
      });
      await page.getByRole('button', { name: 'Stop', exact: true }).first().click();
      await page.waitForTimeout(500);
      await page.close();
    }
  } finally {
    await browser.close();
    server.stop();
  }
  table('light', rows);
}

/** Counts pictures as they are put on the canvas; inputs are stood in for by messages at random times, which wait in the same line. */
function count(page: Page): Promise<Counted> {
  return page.evaluate(async (seconds) => {
    let drawn = 0;
    const put = CanvasRenderingContext2D.prototype.putImageData;
    CanvasRenderingContext2D.prototype.putImageData = function (
      this: CanvasRenderingContext2D,
      ...args: Parameters<typeof put>
    ) {
      drawn += 1;
      return put.apply(this, args);
    } as typeof put;
    const waits: number[] = [];
    const source = new Worker(
      URL.createObjectURL(
        new Blob(['setInterval(() => postMessage(performance.timeOrigin + performance.now()), 7)'], {
          type: 'text/javascript',
        }),
      ),
    );
    source.onmessage = ({ data }: MessageEvent<number>) =>
      waits.push(Math.max(0, performance.timeOrigin + performance.now() - data));
    await new Promise((resume) => setTimeout(resume, 1000 * seconds));
    source.terminate();
    CanvasRenderingContext2D.prototype.putImageData = put;
    return { drawn, waits };
  }, SECONDS);
}

void main();
