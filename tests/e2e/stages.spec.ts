import type { CDPSession, Page } from '@playwright/test';
import { DEMO, IS_FULL, demoShow, expect, test } from './lantern';
import { MOUSE_PX, THUMB_PX, layoutProblems } from './layout';
import { SPOTS, STAGE_IDS, eachSheet, openShow, reachProblems } from './walk';

const USUAL = { width: 1280, height: 800 };
/** The usual screen at 200 %. */
const ENLARGED = { width: 640, height: 400 };
const SMALL_PHONE = { width: 360, height: 740 };
const SCREENS = IS_FULL
  ? [USUAL, { width: 1024, height: 700 }, { width: 1920, height: 1080 }, ENLARGED]
  : [USUAL];
const PHONES = IS_FULL ? [{ width: 390, height: 844 }, SMALL_PHONE] : [SMALL_PHONE];

/** The same page under a thumb and on the small screen of a phone, or under a mouse again. */
async function asPhone(cdp: CDPSession, isPhone: boolean): Promise<void> {
  await cdp.send('Emulation.setTouchEmulationEnabled', { enabled: isPhone, maxTouchPoints: isPhone ? 5 : 1 });
  await cdp.send('Emulation.setEmulatedMedia', {
    features: [
      { name: 'prefers-reduced-motion', value: 'reduce' },
      ...(isPhone ? [{ name: 'pointer', value: 'coarse' }] : []),
    ],
  });
}

async function setTheme(page: Page, scheme: 'dark' | 'light'): Promise<void> {
  await page.evaluate((to) => document.documentElement.setAttribute('data-mantine-color-scheme', to), scheme);
}

/** The name of a sheet without that of its subject. */
const kindOf = (sheet: string) => sheet.replace(/ of .*/, '');
const isDrawn = (sheet: string) => /Picture|Chains/.test(sheet);

// Each stage is a walk by itself: they are shared among the workers.
test.describe.configure({ mode: 'parallel' });

for (const stage of STAGE_IDS)
  test(`on ${stage} nothing is covered, cut or too small on a screen or phone, and axe finds nothing`, async ({
    page,
    request,
  }) => {
    // Stages with many sheets take longer than any other test.
    test.setTimeout(400_000);
    // A colour on its way to another is neither.
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const cdp = await page.context().newCDPSession(page);
    const id = await demoShow(request);
    await openShow(page, id);
    const problems: string[] = [];
    const seen = new Set<string>();
    // A sheet is made of the same parts for any prop. The settings beside what is drawn are those of its kind: they are on Build.
    const isWanted = (sheet: string) =>
      IS_FULL || !seen.has(kindOf(sheet)) || (isDrawn(sheet) && stage === 'build');
    for (const spot of SPOTS.filter((each) => each.stage === stage))
      await eachSheet(page, id, spot, isWanted, async (name, sheet) => {
        const isFirst = !seen.has(kindOf(sheet));
        seen.add(kindOf(sheet));
        const look = async (size: { width: number; height: number }, smallestPx: number) => {
          await page.setViewportSize(size);
          for (const problem of await layoutProblems(page, smallestPx))
            problems.push(`${size.width} x ${size.height}, ${name}: ${problem}`);
        };
        for (const screen of SCREENS) await look(screen, MOUSE_PX);
        await asPhone(cdp, true);
        for (const phone of PHONES) await look(phone, THUMB_PX);
        await asPhone(cdp, false);
        await page.setViewportSize(USUAL);
        if (!isFirst && !isDrawn(sheet)) return;
        // The frame around the work is the same on every sheet.
        const within = IS_FULL || seen.size === 1 ? {} : { within: '#work' };
        for (const problem of await reachProblems(page, within)) problems.push(`${name}: ${problem}`);
        if (!IS_FULL || !isFirst) return;
        await setTheme(page, 'light');
        for (const problem of await reachProblems(page, { only: 'color-contrast' }))
          problems.push(`${name}, light: ${problem}`);
        await setTheme(page, 'dark');
      });
    expect(problems).toEqual([]);
  });

test('axe finds nothing critical or serious in the dialogs and menus, and on the start page', async ({
  page,
  request,
}) => {
  const id = await demoShow(request);
  const problems: string[] = [];
  const look = async (name: string) => {
    for (const problem of await reachProblems(page)) problems.push(`${name}: ${problem}`);
  };
  await page.goto('/');
  await page.getByRole('heading', { level: 1 }).waitFor();
  await look('start page');
  await page.goto(`/shows/${id}/build/prop/${DEMO.props[0]!.id}`);
  await page.getByRole('button', { name: 'A copy of the night' }).click();
  await page.getByRole('menuitem', { name: 'All shows' }).waitFor();
  await look('menu of the show');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByRole('menuitem').first().waitFor();
  await look('files');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder(/A3 17/).fill('net');
  await look('search');
  await page.keyboard.press('Escape');
  for (const command of [
    'Add a prop',
    'Pixel types',
    'Places on site',
    'Phones',
    'Keys',
    'Rename this show',
  ]) {
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder(/A3 17/).fill(command);
    await page.keyboard.press('Enter');
    await page.getByRole('dialog').getByRole('heading').first().waitFor();
    await look(command);
    await page.keyboard.press('Escape');
    await page.getByRole('dialog').waitFor({ state: 'hidden' });
  }
  expect(problems).toEqual([]);
});
