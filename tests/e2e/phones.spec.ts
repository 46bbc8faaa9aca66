import http from 'node:http';
import type { APIRequestContext, Browser, Page } from '@playwright/test';
import { demoShow, expect, test } from './lantern';

const PORT = Number(process.env.E2E_PORT ?? 4187);
/** The address that stands for the network at home. */
const NETWORK = '127.0.0.2';
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

/** A phone of its own that is let in and looks at a page. */
async function phone(browser: Browser, request: APIRequestContext, path: string): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 360, height: 740 },
    hasTouch: true,
    isMobile: true,
    baseURL: OUTSIDE,
  });
  // What a page over plain HTTP does not have; the loop of this machine counts as safe, other networks do not.
  await context.addInitScript(() => {
    Object.defineProperty(window.crypto, 'randomUUID', { value: undefined });
    Object.defineProperty(window.crypto, 'subtle', { value: undefined });
    Object.defineProperty(navigator, 'clipboard', { value: undefined });
    Object.defineProperty(navigator, 'serviceWorker', { value: undefined });
    Object.defineProperty(navigator, 'locks', { value: undefined });
  });
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

test('under another name there is not even the page for the code', async ({ request }) => {
  const code = await codeOf(request);
  for (const host of ['evil.example', `127.0.0.1:${PORT}`, `localhost:${PORT}`]) {
    expect((await ask('/', { headers: { host, accept: 'text/html' } })).status).toBe(421);
    const entered = await ask('/enter', { method: 'POST', body: { code }, headers: { host } });
    expect([entered.status, entered.headers['set-cookie']]).toEqual([421, undefined]);
  }
  const elsewhere = { origin: 'http://evil.example' };
  expect((await ask('/enter', { method: 'POST', body: { code }, headers: elsewhere })).status).toBe(403);
});

test('ten wrong codes are slowed, also the right one behind them', async ({ request }) => {
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
  // Who did not guess is not kept waiting.
  const other = await ask('/enter', { method: 'POST', body: { code }, from: '127.0.0.78' });
  expect(other.status).toBe(200);
  expect(other.headers['set-cookie']?.[0]).toMatch(/; HttpOnly; SameSite=Lax; /);
});

test('a phone enters the code once, and is sent away at the laptop', async ({ browser, page, request }) => {
  const id = await demoShow(request);
  const own = await phone(browser, request, `/bench/${id}`);
  await expect(own.getByRole('heading', { level: 1 })).toContainText('Ports');
  await own.reload();
  await expect(own.getByRole('heading', { level: 1 })).toContainText('Ports');
  // Who may come in is said at the laptop alone.
  expect(await own.evaluate(async () => (await fetch('/api/access')).status)).toBe(403);
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
