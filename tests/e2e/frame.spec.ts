import type { Browser, Page } from '@playwright/test';
import { demoShow, expect, test } from './lantern';
import { layoutProblems } from './layout';
import { SPOTS, STAGE_IDS, eachSheet, reachProblems } from './walk';

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

/** What is wrong on the sheets of a stage, at each of some sizes of screen. */
async function problemsOf(
  page: Page,
  id: string,
  stage: string,
  screens: readonly { width: number; height: number }[],
  smallestPx: number,
): Promise<string[]> {
  const problems: string[] = [];
  for (const spot of SPOTS.filter((each) => each.stage === stage)) {
    await page.setViewportSize(screens[0]!);
    await eachSheet(page, id, spot, async (name) => {
      for (const screen of screens) {
        await page.setViewportSize(screen);
        for (const problem of await layoutProblems(page, smallestPx))
          problems.push(`${screen.width} x ${screen.height}, ${name}: ${problem}`);
      }
      await page.setViewportSize(screens[0]!);
    });
  }
  return problems;
}

for (const stage of STAGE_IDS) {
  test(`on ${stage} nothing is covered, cut or too small at any size of screen`, async ({
    page,
    request,
  }) => {
    expect(await problemsOf(page, await demoShow(request), stage, SCREENS, MOUSE_PX)).toEqual([]);
  });

  test(`on ${stage} nothing is covered, cut or too small on a phone`, async ({
    browser,
    request,
    baseURL,
  }) => {
    const page = await aPhone(browser, baseURL);
    expect(await problemsOf(page, await demoShow(request), stage, PHONES, THUMB_PX)).toEqual([]);
    await page.context().close();
  });
}

async function aPhone(browser: Browser, baseURL: string | undefined) {
  const context = await browser.newContext({
    viewport: PHONES[0]!,
    hasTouch: true,
    isMobile: true,
    ...(baseURL ? { baseURL } : {}),
  });
  return context.newPage();
}

test('the phone pages ask no server on the way, and are ticked with a thumb', async ({
  browser,
  request,
  baseURL,
}) => {
  const id = await demoShow(request);
  const page = await aPhone(browser, baseURL);
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
  await page.context().close();
});
