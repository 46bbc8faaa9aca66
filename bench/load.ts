// How much script the first load of each stage takes, gzipped, and how soon it can be worked with, beside a page that has nothing but
// the providers; and the first edit after opening. Build first: npm run build.
import type { Browser, Response } from '@playwright/test';
import { STAGES } from '../src/features/stages/registry';
import { readDemoShow, startBrowser, startDemoServer } from '../scripts/lib/demoServer';

const RUNS = 5;

interface Load {
  scriptBytes: number;
  readyMs: number;
}

async function main() {
  const server = await startDemoServer();
  const browser = await startBrowser();
  try {
    const id = await server.keep(readDemoShow());
    const blank = await measure(browser, `${server.address}/nowhere`, 'h1');
    const rows = [{ page: 'blank, with the providers', ...inWords(blank, blank) }];
    for (const stage of STAGES)
      rows.push({
        page: stage.label,
        ...inWords(
          await measure(
            browser,
            `${server.address}/shows/${id}/${stage.id}`,
            '[data-testid="sheet-tabs"] button',
          ),
          blank,
        ),
      });
    console.table(rows);
    console.table([{ 'first edit after opening, ms': await firstEdit(browser, server.address, id) }]);
  } finally {
    await browser.close();
    server.stop();
  }
}

const inWords = ({ scriptBytes, readyMs }: Load, blank: Load) => ({
  'script kB': Math.round(scriptBytes / 1000),
  'kB above blank': Math.round((scriptBytes - blank.scriptBytes) / 1000),
  'ready ms': Math.round(readyMs),
  'times blank': Math.round((readyMs / blank.readyMs) * 10) / 10,
});

const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Scripts that were asked for until the page can be worked with, and the time until then; the median of some loads with an empty cache. */
async function measure(browser: Browser, address: string, ready: string): Promise<Load> {
  const loads: Load[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    const scripts: Response[] = [];
    page.on('response', (response) => {
      if (response.request().resourceType() === 'script') scripts.push(response);
    });
    const began = performance.now();
    await page.goto(address);
    await page.locator(ready).first().waitFor();
    const readyMs = performance.now() - began;
    const sizes = await Promise.all(
      [...scripts].map((response) =>
        response
          .request()
          .sizes()
          .then(
            (size) => size.responseBodySize,
            () => 0,
          ),
      ),
    );
    loads.push({ scriptBytes: sizes.reduce((sum, size) => sum + size, 0), readyMs });
    await context.close();
  }
  return {
    scriptBytes: median(loads.map((load) => load.scriptBytes)),
    readyMs: median(loads.map((load) => load.readyMs)),
  };
}

/** From the key that ends a field to the new count in the list, just after opening. */
async function firstEdit(browser: Browser, address: string, id: string): Promise<number> {
  const times: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/shows/${id}/build/prop/net-curtain`);
    const rows = page.getByLabel('Rows', { exact: true });
    await rows.waitFor();
    await rows.fill(String(30 + run));
    const began = performance.now();
    await rows.press('Enter');
    await page
      .getByTestId('prop-net-curtain')
      .getByText(`× ${30 + run} px`)
      .waitFor();
    times.push(performance.now() - began);
    await page.close();
  }
  return Math.round(median(times));
}

void main();
