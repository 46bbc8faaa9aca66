import type { APIRequestContext, Page } from '@playwright/test';
import type { Fact } from '@/core/show/facts';
import { demoShow, expect, keptShow, openAt, test } from './lantern';
import { THUMB_PX, layoutProblems } from './layout';
import { phone, phonesSayNothing } from './phone';
import { reachProblems } from './walk';

phonesSayNothing();

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
