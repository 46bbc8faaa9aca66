import http from 'node:http';
import { SERVER, demoShow, expect, test } from './lantern';
import { THUMB_PX, layoutProblems } from './layout';
import { codeOf, phone, phonesSayNothing } from './phone';
import { reachProblems } from './walk';

const { port: PORT, network: NETWORK } = SERVER;

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

phonesSayNothing();

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
