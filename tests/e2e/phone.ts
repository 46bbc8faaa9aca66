import type { APIRequestContext, Browser, Page } from '@playwright/test';
import { SERVER, expect, test } from './lantern';

/** The address at which phones reach the program. */
const OUTSIDE = `http://${SERVER.network}:${SERVER.port}`;

/** The code that the laptop shows. */
export const codeOf = async (request: APIRequestContext) =>
  ((await (await request.get('/api/access')).json()) as { code: string }).code;

/** Messages in the consoles of phones, but for those about a cut line and about answers that a test provokes. */
const said: string[] = [];
const PROVOKED = /net::ERR_INTERNET_DISCONNECTED|the server responded with a status of (403|409|422)/;
/** After each test of a file: no phone had anything else to say. */
export function phonesSayNothing(): void {
  test.afterEach(() => {
    expect(said.splice(0).filter((line) => !PROVOKED.test(line))).toEqual([]);
  });
}

/** A phone of its own that is let in and looks at a page. */
export async function phone(browser: Browser, request: APIRequestContext, path: string): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 360, height: 740 },
    hasTouch: true,
    isMobile: true,
    baseURL: OUTSIDE,
  });
  // A page over plain HTTP does not have these; the loop of this machine counts as safe, other networks do not.
  await context.addInitScript(() => {
    Object.defineProperty(window.crypto, 'randomUUID', { value: undefined });
    Object.defineProperty(window.crypto, 'subtle', { value: undefined });
    Object.defineProperty(navigator, 'clipboard', { value: undefined });
    Object.defineProperty(navigator, 'serviceWorker', { value: undefined });
    Object.defineProperty(navigator, 'locks', { value: undefined });
  });
  context.on('console', (message) => said.push(`${message.type()}: ${message.text()}`));
  context.on('weberror', (error) => said.push(`error: ${error.error().message}`));
  const page = await context.newPage();
  await page.goto(path);
  await page.getByLabel('Code').fill(await codeOf(request));
  await page.getByRole('button', { name: 'Let me in' }).click();
  return page;
}
