// The script that the first load of each stage takes, gzipped, and the time until it can be worked with, beside a page that has nothing but
// the providers; and the first edit after opening. Build first: npm run build.
import { gzipSync } from 'node:zlib';
import type { Browser, Response } from '@playwright/test';
import { STAGES } from '../src/core/stages/stages';
import { goal, sized, table } from './report';
import { readDemoShow, startBrowser, startDemoServer } from '../scripts/lib/demoServer';

const RUNS = sized(5, 1);
/** Above the blank page, of the scripts in the HTML. */
const MOST_HTML_KB = 160;
const MOST_FIRST_EDIT_MS = 250;

interface Load {
  /** Scripts that stand in the page's HTML. */
  htmlBytes: number;
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
    for (const stage of sized(STAGES, STAGES.slice(0, 1))) {
      const address = `${server.address}/shows/${id}/${stage.id}`;
      const load = await measure(browser, address, '[data-testid="sheet-tabs"] button');
      rows.push({ page: stage.label, ...inWords(load, blank) });
    }
    table('load', rows);
    const firstMs = await firstEdit(browser, server.address, id);
    table('load-edit', [
      {
        'first edit after opening, ms': firstMs,
        goal: goal(`≤ ${MOST_FIRST_EDIT_MS} ms`, firstMs <= MOST_FIRST_EDIT_MS),
      },
    ]);
  } finally {
    await browser.close();
    server.stop();
  }
}

const inWords = ({ htmlBytes, scriptBytes, readyMs }: Load, blank: Load) => ({
  'in HTML kB': Math.round(htmlBytes / 1000),
  'HTML above blank': Math.round((htmlBytes - blank.htmlBytes) / 1000),
  'script kB': Math.round(scriptBytes / 1000),
  'kB above blank': Math.round((scriptBytes - blank.scriptBytes) / 1000),
  'ready ms': Math.round(readyMs),
  'times blank': Math.round((readyMs / blank.readyMs) * 10) / 10,
  goal: goal(
    `≤ ${MOST_HTML_KB} kB above blank in the HTML`,
    htmlBytes - blank.htmlBytes <= MOST_HTML_KB * 1000,
  ),
});

const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Scripts that were asked for until the page can be worked with, and the time until then; the median of some loads with an empty cache. */
async function measure(browser: Browser, address: string, ready: string): Promise<Load> {
  const loads: Omit<Load, 'htmlBytes'>[] = [];
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
    htmlBytes: await scriptsInHtml(address),
    scriptBytes: median(loads.map((load) => load.scriptBytes)),
    readyMs: median(loads.map((load) => load.readyMs)),
  };
}

/** Bytes, gzipped as they are sent, of the scripts that the HTML of a page names. */
async function scriptsInHtml(address: string): Promise<number> {
  const html = await (await fetch(address)).text();
  const names = new Set([...html.matchAll(/<script[^>]* src="([^"]+)"/g)].map(([, name]) => name!));
  let bytes = 0;
  for (const name of names) {
    const script = await (await fetch(new URL(name, address))).arrayBuffer();
    bytes += gzipSync(Buffer.from(script)).length;
  }
  return bytes;
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
