import { demoShow, expect, fill, openAt, saving, test } from './lantern';

const card = 'explanation';
const valueOf = (page: import('@playwright/test').Page, name: string) =>
  page.locator('aside dt', { hasText: name }).locator('xpath=following-sibling::dd[1]').getByRole('button');

test('a number says how it came about: by pointer, by key, and where its inputs are set', async ({
  page,
  request,
}) => {
  const id = await demoShow(request);
  await openAt(page, id, 'patch/prop/gangway-edge');
  await valueOf(page, 'Starts at').hover();
  await expect(page.getByTestId(card)).toContainText('It comes after Pier railing run 2.');
  await page.mouse.move(400, 300);
  await expect(page.getByTestId(card)).toBeHidden();

  await page.keyboard.press('e');
  await expect(page.getByTestId(card)).toContainText('Pixels');
  await page.keyboard.press('e');
  await expect(page.getByTestId(card)).toContainText('= pixels × channels a pixel');
  await expect(page.getByTestId(card)).toContainText('169 px × 4 = 676 ch');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId(card)).toBeHidden();
  // Escape let go of the explanation alone.
  await expect(valueOf(page, 'Channels')).toBeFocused();

  await valueOf(page, 'Starts at').click();
  await page.getByTestId(card).getByRole('button', { name: 'end of Pier railing run 2 →' }).click();
  await expect(page).toHaveURL(/patch\/prop\/pier-railing\/run\/2$/);
  await expect(page.getByTestId(card)).toBeHidden();
});

test(
  'a figure that is measured is said to be, and so are the numbers that stand on it',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'patch/port/A1');
    await valueOf(page, 'One picture takes').click();
    await expect(page.getByTestId(card)).toContainText('Stands on: usual figure.');
    await page.getByTestId(card).getByRole('button', { name: 'latch pause' }).click();
    await page.getByRole('button', { name: 'Timing and notes of 12 V bullet string', exact: true }).click();
    await fill(page, 'Then it waits', '80 µs');
    await page.getByRole('button', { name: /^What Latch pause stands on/ }).click();
    await page.getByRole('combobox', { name: 'Latch pause stands on' }).click();
    await page.getByRole('option', { name: 'Measured' }).click();
    await fill(page, 'Latch pause: by', 'Ada');
    await page.getByRole('button', { name: /^Note what was found with it: 12 V bullet string/ }).click();
    await page.getByLabel('A note on 12 V bullet string').fill('two of fifty flickered');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog').getByText('two of fifty flickered')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(saving(page)).toContainText('saved');

    await openAt(page, id, 'patch/port/A1');
    await valueOf(page, 'One picture takes').click();
    await expect(page.getByTestId(card)).toContainText('80 µs');
    await expect(page.getByTestId(card)).toContainText('measured by Ada');
    await expect(page.getByTestId(card)).toContainText('Stands on: mixed: measured and usual figure.');
    // A finding about a part is shown where it is used.
    await openAt(page, id, 'build/prop/pier-railing');
    await expect(page.getByText('two of fifty flickered')).toBeVisible();
  },
);

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test(
    'a number is tapped, and its explanation stays on the screen',
    { tag: '@full' },
    async ({ page, request }) => {
      const id = await demoShow(request);
      await openAt(page, id, 'patch/prop/net-curtain');
      const number = valueOf(page, 'Channels');
      await number.scrollIntoViewIfNeeded();
      await number.tap();
      const box = (await page.getByTestId(card).boundingBox())!;
      expect(box.x).toBeGreaterThanOrEqual(0);
      expect(box.x + box.width).toBeLessThanOrEqual(390);
      expect(box.y).toBeGreaterThanOrEqual(0);
      expect(box.y + box.height).toBeLessThanOrEqual(844);
      await number.tap();
      await expect(page.getByTestId(card)).toBeHidden();
    },
  );
});
