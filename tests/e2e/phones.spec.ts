import http from 'node:http';
import type { APIRequestContext, Browser, Page } from '@playwright/test';
import type { Fact } from '@/core/show/facts';
import { SERVER, demoShow, expect, keptShow, openAt, test } from './lantern';
import { THUMB_PX, layoutProblems } from './layout';
import { reachProblems } from './walk';

const { port: PORT, network: NETWORK } = SERVER;
const OUTSIDE = `http://${NETWORK}:${PORT}`;

interface Answer {
  status: number;
  headers: http.IncomingHttpHeaders;
  text: string;
}

/** A request from the network, as a program there makes it. */
function ask(
  path: string,
  {
    method = 'GET',
    headers = {},
    body,
    from,
  }: { method?: string; headers?: Record<string, string>; body?: object; from?: string } = {},
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const request = http.request(
      {
        host: NETWORK,
        port: PORT,
        path,
        method,
        headers: { ...(body && { 'content-type': 'application/json' }), ...headers },
        ...(from && { localAddress: from }),
      },
      (response) => {
        let text = '';
        response.setEncoding('utf8');
        response.on('data', (piece: string) => (text += piece));
        response.on('end', () =>
          resolve({ status: response.statusCode ?? 0, headers: response.headers, text }),
        );
      },
    );
    request.on('error', reject);
    request.end(body && JSON.stringify(body));
  });
}

const codeOf = async (request: APIRequestContext) =>
  ((await (await request.get('/api/access')).json()) as { code: string }).code;

/** Messages in the consoles of phones, but for those about a cut line and about answers that a test provokes. */
const said: string[] = [];
const PROVOKED = /net::ERR_INTERNET_DISCONNECTED|the server responded with a status of (403|409|422)/;
test.afterEach(() => {
  expect(said.splice(0).filter((line) => !PROVOKED.test(line))).toEqual([]);
});

/** A phone of its own that is let in and looks at a page. */
async function phone(browser: Browser, request: APIRequestContext, path: string): Promise<Page> {
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

test('nothing but the page for the code is served to a phone without it', async ({ request }) => {
  const id = await demoShow(request);
  const html = { accept: 'text/html' };
  for (const path of ['/', `/shows/${id}/build`, `/bench/${id}`, '/_next/static/x.js', '/api/shows']) {
    const page = await ask(path, { headers: html });
    expect(page.text).toContain('<h1>Access code</h1>');
    expect(page.text).not.toContain('Rapid');
    expect(page.headers['cache-control']).toBe('no-store');
  }
  for (const path of [
    '/api/shows',
    `/api/shows/${id}/show.json`,
    `/api/shows/${id}/facts`,
    `/api/events?watch=${id}`,
    '/api/access',
    '/api/demo',
    '/icon.svg',
  ]) {
    const answer = await ask(path);
    expect([path, answer.status]).toEqual([path, 401]);
    expect(JSON.parse(answer.text)).toMatchObject({ error: expect.stringMatching(/access code/) });
  }
  const forged = { cookie: `rapid-lantern-${PORT}=${'A'.repeat(43)}`, 'x-rapid-lantern-phone': 'x' };
  expect((await ask('/api/shows', { headers: forged })).status).toBe(401);
  expect(
    (await ask(`/api/shows/${id}/facts`, { method: 'POST', body: { facts: [] }, headers: forged })).status,
  ).toBe(401);
  expect((await ask('/api/shows/x', { method: 'DELETE', headers: forged })).status).toBe(401);
});

test('under another name there is not even the page for the code', { tag: '@full' }, async ({ request }) => {
  const code = await codeOf(request);
  for (const host of ['evil.example', `127.0.0.1:${PORT}`, `localhost:${PORT}`]) {
    expect((await ask('/', { headers: { host, accept: 'text/html' } })).status).toBe(421);
    const entered = await ask('/enter', { method: 'POST', body: { code }, headers: { host } });
    expect([entered.status, entered.headers['set-cookie']]).toEqual([421, undefined]);
  }
  const elsewhere = { origin: 'http://evil.example' };
  expect((await ask('/enter', { method: 'POST', body: { code }, headers: elsewhere })).status).toBe(403);
});

test('ten wrong codes are slowed, also the right one behind them', { tag: '@full' }, async ({ request }) => {
  const code = await codeOf(request);
  const from = '127.0.0.77';
  const enter = (typed: string) => ask('/enter', { method: 'POST', body: { code: typed }, from });
  const statuses: number[] = [];
  for (let i = 0; i < 10; i += 1) statuses.push((await enter(`WRNG-000${i}`)).status);
  expect(statuses.slice(0, 4)).toEqual([403, 403, 403, 403]);
  expect(statuses.filter((status) => status === 429).length).toBeGreaterThanOrEqual(4);
  const right = await enter(code);
  expect(right.status).toBe(429);
  expect(Number(right.headers['retry-after'])).toBeGreaterThan(0);
  expect(right.headers['set-cookie']).toBeUndefined();
  // A phone that did not guess is not kept waiting.
  const other = await ask('/enter', { method: 'POST', body: { code }, from: '127.0.0.78' });
  expect(other.status).toBe(200);
  expect(other.headers['set-cookie']?.[0]).toMatch(/; HttpOnly; SameSite=Lax; /);
});

test('a phone enters the code once, and is sent away at the laptop', async ({ browser, page, request }) => {
  const id = await demoShow(request);
  const own = await phone(browser, request, `/phone/${id}`);
  await expect(own.getByRole('heading', { level: 1 })).toContainText('Ports');
  await own.reload();
  await expect(own.getByRole('heading', { level: 1 })).toContainText('Ports');
  // The list of phones is shown at the laptop alone.
  for (const path of ['/api/access', '/api/./access', '/api/access/code.svg'])
    expect([path, await own.evaluate(async (at) => (await fetch(at)).status, path)]).toEqual([path, 403]);
  await page.goto('/');
  await page.getByRole('button', { name: 'Phones' }).click();
  const phones = page.getByRole('region', { name: 'Phones that are let in' });
  await expect(page.getByTestId('access-code')).toHaveText(await codeOf(request));
  await expect(page.getByAltText(/Code for the phone/)).toBeVisible();
  await expect(phones.getByRole('listitem').first()).toContainText('Chrome');
  await page.getByRole('button', { name: 'New code, and all enter anew' }).click();
  await expect(phones.getByText('No phone yet.')).toBeVisible();
  await own.reload();
  await expect(own.getByRole('heading', { name: 'Access code' })).toBeVisible();
});

const PAGES = ['ports', 'ticks', 'first-power-up', 'prop', 'test', 'note', 'code'];

test(
  'on a phone every page fits, is reached with a thumb, and axe finds nothing serious',
  { tag: '@full' },
  async ({ browser, request }) => {
    const id = await demoShow(request);
    const own = await phone(browser, request, `/phone/${id}`);
    for (const each of PAGES) {
      await own
        .getByRole('navigation', { name: 'Phone pages' })
        .getByRole('button')
        .nth(PAGES.indexOf(each))
        .tap();
      await expect(own).toHaveURL(new RegExp(`page=${each}`));
      if (each === 'prop') await own.getByRole('button', { name: 'The next pixel' }).tap();
      expect([each, await layoutProblems(own, THUMB_PX)]).toEqual([each, []]);
      expect([each, await reachProblems(own)]).toEqual([each, []]);
    }
    await own.context().close();
  },
);

test(
  'a pixel is found on the phone from either side, with its address',
  { tag: '@full' },
  async ({ browser, request }) => {
    const id = await demoShow(request);
    const own = await phone(browser, request, `/phone/${id}?page=prop&prop=pier-railing`);
    const canvas = own.getByRole('img', { name: /Pier railing/ });
    await expect(canvas).toHaveAccessibleName(/seen from the front/);
    await own.getByRole('button', { name: 'seen from the back' }).tap();
    await expect(canvas).toHaveAccessibleName(/seen from the back/);
    const field = own.getByLabel('Pixel in data order');
    for (const nonsense of ['0', '223', 'the last', '-1', '1.5']) {
      await field.fill(nonsense);
      await own.getByRole('button', { name: 'Find' }).tap();
      await expect(own.getByRole('main').getByRole('alert')).toHaveText(
        `“${nonsense}” is no pixel of it: they go from 1 to 222.`,
      );
    }
    await field.fill('34');
    await own.getByRole('button', { name: 'Find' }).tap();
    const pixel = own.getByRole('region', { name: 'The pixel' });
    await expect(pixel.getByRole('heading')).toHaveText('A1place 35');
    await expect(pixel).toContainText('U1 ch 100–102');
    await own.getByRole('button', { name: 'The next pixel' }).tap();
    await expect(pixel).toContainText('U1 ch 103–105');
    await own.context().close();
  },
);

test(
  'a test that a phone sends ends with the phone, and goes to devices only when that was agreed to here',
  { tag: '@full' },
  async ({ browser, request }) => {
    const id = await demoShow(request);
    const sending = async () =>
      (
        (await (await request.get(`/api/shows/${id}/bench`)).json()) as {
          sending: { isHeld: boolean } | null;
        }
      ).sending;
    const own = await phone(browser, request, `/phone/${id}?page=test&about=prop&prop=pier-railing`);
    const tests = own.getByRole('group', { name: 'Tests' });
    await own.getByRole('button', { name: 'To the devices' }).tap();
    await tests.getByRole('button', { name: 'Red' }).tap();
    await expect(own.getByText('Nobody has agreed at the laptop yet', { exact: false })).toBeVisible();
    expect(await sending()).toBeNull();
    await own.getByRole('button', { name: 'To the simulator' }).tap();
    await tests.getByRole('button', { name: 'Red' }).tap();
    await expect(own.getByText('Red goes to the simulator', { exact: false })).toBeVisible();
    expect(await sending()).toMatchObject({ isHeld: true });
    // It is held for longer than it lasts without.
    await own.waitForTimeout(6500);
    expect(await sending()).not.toBeNull();
    await own.getByRole('button', { name: 'Stop' }).tap();
    await expect.poll(sending).toBeNull();
    await tests.getByRole('button', { name: 'Green' }).tap();
    await expect.poll(sending).not.toBeNull();
    // Lost without a word, as a phone that falls off a ladder.
    await own.context().setOffline(true);
    await expect.poll(sending, { timeout: 9000 }).toBeNull();
    await own.getByRole('button', { name: 'Stop' }).tap();
    await expect(own.getByRole('alert').filter({ hasText: 'Not stopped' })).toBeVisible();
    await own.context().setOffline(false);
    await own.context().close();
  },
);

const factsOf = async (request: APIRequestContext, id: string) =>
  ((await (await request.get(`/api/shows/${id}/facts`)).json()) as { facts: Fact[] }).facts.filter(
    ({ kind }) => kind !== 'test' && kind !== 'told',
  );
const line = (page: Page) => page.getByRole('banner').getByRole('status');
/** A tick of the page “Type in” by what it says. */
const tick = (page: Page, words: RegExp) => page.getByRole('checkbox', { name: words }).first();

test('what is ticked, typed and photographed without a line waits, outlasts the page, and arrives once and in order', async ({
  browser,
  request,
}) => {
  const id = await demoShow(request);
  const own = await phone(browser, request, `/phone/${id}?page=ticks&device=pier-box`);
  await own.getByText('0 of 19 typed').waitFor();
  await own.context().setOffline(true);
  await expect(line(own)).toContainText('The laptop is not heard. What you tick or type waits');
  await tick(own, /First universe/).check();
  await tick(own, /Pixels/).check();
  await tick(own, /First universe/).uncheck();
  await tick(own, /First universe/).check();
  await expect(line(own)).toContainText('4 notes wait and are sent when it is.');
  await own.getByRole('button', { name: 'Note', exact: true }).tap();
  await own.getByLabel('What it is of the plan').selectOption('What it takes itself, with nothing lit');
  await own.getByLabel('Value and unit').fill('310 mA');
  await own.getByLabel('How it was measured').fill('clamp meter');
  await own.getByRole('button', { name: 'Write it down' }).tap();
  await own.getByRole('button', { name: 'Photo' }).tap();
  const png = await own.screenshot();
  await own.getByLabel(/Take a photo/).setInputFiles({ name: 'box.png', mimeType: 'image/png', buffer: png });
  await own.getByLabel('What it shows').fill('Before the lid was closed');
  await own.getByRole('button', { name: 'Write it down' }).tap();
  await expect(line(own)).toContainText('6 notes wait');
  expect(await factsOf(request, id)).toEqual([]);
  // The phone sleeps for good; what waits is sent when the page is opened again.
  await own.close();
  const context = own.context();
  await context.setOffline(false);
  const again = await context.newPage();
  await again.goto(`/phone/${id}?page=note&about=device&device=pier-box`);
  await expect(line(again)).toHaveText('saved');
  await expect(again.getByAltText('Before the lid was closed')).toBeVisible();
  const noted = await factsOf(request, id);
  expect(
    noted.map(({ kind, field, value }) => `${kind} ${field.replace(/note-.*/, '')} ${value === null}`),
  ).toEqual([
    'tick firstUniverse false',
    expect.stringMatching(/^tick port\.1\.\w+ false$/),
    'tick firstUniverse true',
    'tick firstUniverse false',
    'measurement log. false',
    'photo log. false',
  ]);
  await again.reload();
  await expect(line(again)).toHaveText('saved');
  expect(await factsOf(request, id)).toHaveLength(6);
  await context.close();
});

test(
  'what was noted otherwise meanwhile is asked about, and nothing is lost',
  { tag: '@full' },
  async ({ browser, page, request }) => {
    const id = await demoShow(request);
    const own = await phone(browser, request, `/phone/${id}?page=ticks&device=pier-box`);
    await page.goto(`/phone/${id}?page=ticks&device=pier-box`);
    await tick(page, /First universe/).check();
    await expect(tick(own, /First universe/)).toBeChecked();
    await own.context().setOffline(true);
    await expect(line(own)).toContainText('not heard');
    // Here it is taken back, and something else is ticked; there it is taken back and ticked anew, which is the same as before.
    await tick(own, /First universe/).uncheck();
    await tick(own, /Pixels/).check();
    await tick(page, /First universe/).uncheck();
    await tick(page, /First universe/).check();
    await expect(line(page)).toHaveText('saved');
    await own.context().setOffline(false);
    const asked = own.getByRole('dialog', { name: 'Noted otherwise elsewhere' });
    await expect(asked).toContainText('Pier box: First universe was typed');
    await expect(asked.getByRole('radio')).toHaveCount(2);
    for (const each of await asked.locator('label').all()) {
      const box = (await each.boundingBox())!;
      expect(box.x).toBeGreaterThanOrEqual(0);
      expect(box.x + box.width).toBeLessThanOrEqual(360);
      expect(box.height).toBeGreaterThanOrEqual(40);
    }
    // Stop is in reach whatever is asked.
    await own.getByRole('button', { name: 'Stop', includeHidden: true }).tap();
    await asked.getByText(/^Here: taken back/).tap();
    await asked.getByRole('button', { name: 'What was noted here counts' }).tap();
    await expect(line(own)).toHaveText('saved');
    await expect(tick(page, /First universe/)).not.toBeChecked();
    await expect(tick(page, /Pixels/)).toBeChecked();
    await own.context().close();
  },
);

test(
  'two phones and a laptop that tick one list agree within a second of being connected',
  { tag: '@full' },
  async ({ browser, page, request }) => {
    const id = await demoShow(request);
    const path = `/phone/${id}?page=ticks&device=pier-box`;
    const one = await phone(browser, request, path);
    const other = await phone(browser, request, path);
    await page.goto(path);
    const all = [one, other, page];
    for (const each of all) await each.getByText('0 of 19 typed').waitFor();
    await one.context().setOffline(true);
    await expect(line(one)).toContainText('not heard');
    const boxes = (on: Page) => on.getByRole('checkbox');
    await boxes(one).nth(0).check();
    await boxes(one).nth(1).check();
    await boxes(other).nth(2).check();
    await boxes(page).nth(3).check();
    await expect(other.getByText('2 of 19 typed')).toBeVisible();
    await one.context().setOffline(false);
    // Connected again is when its line says so.
    await expect(line(one)).not.toContainText('not heard');
    const began = Date.now();
    for (const each of all) await expect(each.getByText('4 of 19 typed')).toBeVisible();
    // Told in the report; a busy machine is slow, not wrong.
    test.info().annotations.push({ type: 'agreed after ms', description: String(Date.now() - began) });
    for (const each of all) for (let i = 0; i < 4; i += 1) await expect(boxes(each).nth(i)).toBeChecked();
    await one.context().close();
    await other.context().close();
  },
);

test(
  'measured on the phone, used at the laptop, and undone without losing the measurement',
  { tag: '@full' },
  async ({ browser, page, request }) => {
    const id = await demoShow(request);
    const own = await phone(browser, request, `/phone/${id}?page=note&about=device&device=pier-box`);
    await own.getByLabel('What it is of the plan').selectOption('What it takes itself, with nothing lit');
    await own.getByLabel('Value and unit').fill('some');
    await own.getByRole('button', { name: 'Write it down' }).tap();
    await expect(own.getByRole('main').getByRole('alert')).toContainText('“some” is no');
    await own.getByLabel('Value and unit').fill('0.31 A');
    await own.getByLabel('How it was measured').fill('clamp meter');
    await own.getByLabel('By whom').fill('Ada');
    await own.getByRole('button', { name: 'Write it down' }).tap();
    await expect(own.getByRole('region', { name: 'What was noted' })).toContainText('0.31 A');
    await openAt(page, id, 'log/controller/pier-box');
    const entry = page.getByRole('region', { name: 'What was noted' }).getByRole('listitem');
    await entry.getByRole('button', { name: /^Use it in place of 250 mA/ }).click();
    await expect(entry).toContainText('in use: measured by Ada');
    const basis = async () =>
      (await keptShow(request, id)).controllers.find((each) => each.id === 'pier-box')!.power?.ownAmps?.basis;
    await expect.poll(basis).toBe('measured');
    await page.keyboard.press('Control+z');
    await expect.poll(basis).not.toBe('measured');
    await expect(entry).toContainText('0.31 A');
    await own.context().close();
  },
);

test('the phone pages ask no server on the way, and are ticked with a thumb', async ({
  browser,
  request,
  baseURL,
}) => {
  const id = await demoShow(request);
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    ...(baseURL && { baseURL }),
  });
  const page = await context.newPage();
  await page.goto(`/phone/${id}`);
  await page.getByRole('button', { name: /^A1/ }).waitFor();
  expect(await layoutProblems(page, THUMB_PX)).toEqual([]);
  expect(await reachProblems(page)).toEqual([]);
  const asked: string[] = [];
  // The browser looks for the icon of the page by itself.
  page.on('request', (each) => each.url().includes('/icon.') || asked.push(each.url()));
  await page.getByRole('button', { name: /^A1/ }).tap();
  await expect(page.getByRole('heading', { name: 'A1' })).toBeVisible();
  await expect(page.getByText('U1 ch 333')).toBeVisible();
  expect(await layoutProblems(page, THUMB_PX)).toEqual([]);
  await page.getByRole('button', { name: 'A2 →' }).tap();
  await expect(page.getByRole('heading', { name: 'A2' })).toBeVisible();
  await page.getByRole('button', { name: 'Type in' }).tap();
  await page.goBack();
  await expect(page.getByRole('heading', { name: 'A2' })).toBeVisible();
  await page.getByRole('button', { name: 'Type in' }).tap();
  await expect(page.getByText('0 of 19 typed')).toBeVisible();
  expect(asked).toEqual([]);
  expect(await layoutProblems(page, THUMB_PX)).toEqual([]);
  expect(await reachProblems(page)).toEqual([]);
  await page.getByText('First universe').tap();
  await expect(page.getByText('1 of 19 typed')).toBeVisible();
  await page.reload();
  await expect(page.getByText('1 of 19 typed')).toBeVisible();
  await context.close();
});
