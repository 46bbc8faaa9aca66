import type { Browser } from '@playwright/test';
import { demoShow, expect, test } from './lantern';
import { layoutProblems } from './layout';
import { SPOTS, eachSheet, reachProblems } from './walk';

const SCREENS = [
  { width: 1280, height: 800 },
  { width: 1024, height: 700 },
  { width: 1920, height: 1080 },
  // A screen of 1280 by 800 at 200 %.
  { width: 640, height: 400 },
];
const PHONES = [
  { width: 390, height: 844 },
  { width: 360, height: 740 },
];
/** The least side of what is pressed, with a mouse and with a thumb. */
const MOUSE_PX = 24;
const THUMB_PX = 44;

for (const stage of [...new Set(SPOTS.map((spot) => spot.stage))])
  test(`on ${stage} nothing is covered, cut or too small at any size of screen`, async ({
    page,
    request,
  }) => {
    const id = await demoShow(request);
    const problems: string[] = [];
    for (const spot of SPOTS.filter((each) => each.stage === stage)) {
      await page.setViewportSize(SCREENS[0]!);
      await eachSheet(page, id, spot, async (name) => {
        for (const screen of SCREENS) {
          await page.setViewportSize(screen);
          for (const problem of await layoutProblems(page, MOUSE_PX))
            problems.push(`${screen.width} x ${screen.height}, ${name}: ${problem}`);
        }
        await page.setViewportSize(SCREENS[0]!);
      });
    }
    expect(problems).toEqual([]);
  });

for (const stage of [...new Set(SPOTS.map((spot) => spot.stage))])
  test(`on ${stage} nothing is covered, cut or too small on a phone`, async ({
    browser,
    request,
    baseURL,
  }) => {
    const id = await demoShow(request);
    const page = await aPhone(browser, baseURL);
    const problems: string[] = [];
    for (const spot of SPOTS.filter((each) => each.stage === stage)) {
      await page.setViewportSize(PHONES[0]!);
      await eachSheet(page, id, spot, async (name) => {
        for (const screen of PHONES) {
          await page.setViewportSize(screen);
          for (const problem of await layoutProblems(page, THUMB_PX))
            problems.push(`${screen.width} x ${screen.height}, ${name}: ${problem}`);
        }
        await page.setViewportSize(PHONES[0]!);
      });
    }
    await page.context().close();
    expect(problems).toEqual([]);
  });

async function aPhone(browser: Browser, baseURL: string | undefined) {
  const context = await browser.newContext({
    viewport: PHONES[0]!,
    hasTouch: true,
    isMobile: true,
    ...(baseURL ? { baseURL } : {}),
  });
  return context.newPage();
}

test('the bench pages ask no server on the way, and are ticked with a thumb', async ({
  browser,
  request,
  baseURL,
}) => {
  const id = await demoShow(request);
  const page = await aPhone(browser, baseURL);
  await page.goto(`/bench/${id}`);
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
  await page.context().close();
});
