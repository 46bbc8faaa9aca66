import { SETTINGS } from '@/features/shell/settings';
import { demoShow, expect, keptShow, openAt, test } from './lantern';

const SEARCHES = [
  ['B2 17', 'Pixel 17 of run 2', 'B2 17'],
  ['u11 436', 'Pixel 144 of run 1', 'B1 146'],
  ['ch 1541', 'Pixel 1 of run 1', 'B1 3'],
  ['art 0.0.10 7', 'Pixel 1 of run 1', 'B1 3'],
  ['ddp C 3', 'Pixel 2 of run 1', 'C1 2'],
  ['led B 3', 'Pixel 1 of run 1', 'B1 3'],
  ['net curtain 2.5', 'Pixel 5 of run 2', 'B2 5'],
] as const;

test('the search finds a pixel by each of its numbers, and shows it', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'route');
  for (const [query, title, port] of SEARCHES) {
    await page.keyboard.press('Control+k');
    // It opens with what was asked last.
    await page.getByPlaceholder(/A3 17/).fill(query);
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('pixel-title')).toHaveText(title);
    await expect(page.getByTestId('callout')).toContainText(port);
  }
});

test(
  'the search finds props and ports, says why it finds nothing, and runs commands',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build');
    await page.keyboard.press('/');
    await page.keyboard.type('gable');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/prop\/boathouse-gable/);
    await page.keyboard.press('/');
    await page.keyboard.type('A3');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/patch\/port\/A3/);
    await page.keyboard.press('/');
    await page.keyboard.type('A1 900');
    await expect(page.getByText('Port A1 has 112 pixels on its wire; place 900 is outside.')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /Find a prop/ }).click();
    await page.keyboard.type('go to build');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/build/);
  },
);

test('every view has an address of its own, and Back goes back', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'route/prop/net-curtain/run/2/pixel/5?from=back');
  await expect(page.getByTestId('pixel-title')).toHaveText('Pixel 5 of run 2');
  await expect(page.getByTestId('picture')).toHaveAttribute('aria-label', /seen from the back/);
  await page.getByTestId('prop-loft-windows').click();
  await expect(page).toHaveURL(/route\/prop\/loft-windows\?from=back/);
  await page.goBack();
  await expect(page.getByTestId('pixel-title')).toHaveText('Pixel 5 of run 2');
  await page.goto(`/shows/${id}/patch/port/B1/pixel/146`);
  await expect(page.getByTestId('pixel-title')).toHaveText('Pixel 144 of run 1');
  // An address with a slip in it still shows the show.
  await openAt(page, id, 'route/prop/nothing-here/run/x/pixel/-4');
  await expect(page.getByText('Choose a prop on the left')).toBeVisible();
});

test('an address that leads nowhere says so', { tag: '@full' }, async ({ request }) => {
  const response = await request.get('/shows/no-such-show/build');
  expect(response.status()).toBe(404);
  expect(await response.text()).toContain('There is nothing at this address');
});

test('everything is reached by keys', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  await page.keyboard.press('ArrowDown');
  await expect(page).toHaveURL(/prop\/pier-railing/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await expect(page).toHaveURL(/prop\/net-curtain/);
  await page.keyboard.press('2');
  await expect(page).toHaveURL(/\/route\//);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByTestId('pixel-title')).toHaveText('Pixel 1 of run 1');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByTestId('pixel-title')).toHaveText('Pixel 11 of run 1');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByTestId('pixel-title')).toHaveText('Pixel 10 of run 1');
  await page.keyboard.press('f');
  await expect(page.getByTestId('picture')).toHaveAttribute('aria-label', /seen from the back/);
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('pixel-title')).toHaveCount(0);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/route\//);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden();
  // The corner picker has the arrows to itself, and letters work there all the same.
  await page.getByRole('radio', { name: 'bottom right' }).focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByTestId('saving')).toHaveText('rev 1 · saved');
  await expect(page).toHaveURL(/prop\/net-curtain\?from=back/);
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/patch\//);
});

test(
  'from the back, left and right swap in the picture, the words and the corners',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'route/prop/net-curtain');
    await expect(page.getByRole('radio', { name: 'bottom left' })).toBeChecked();
    await page.getByText('From the back').click();
    await expect(page.getByRole('radio', { name: 'bottom right' })).toBeChecked();
    await page.getByRole('radio', { name: 'top right' }).click();
    await expect(page.getByTestId('saving')).toHaveText('rev 1 · saved');
    const { props } = await keptShow(request, id);
    expect(props.find((prop) => prop.id === 'net-curtain')!.threading).toMatchObject({
      firstPixel: 'topLeft',
    });
  },
);

test('the picture is pointed at, panned and zoomed; the ruler leads to its channels', async ({
  page,
  request,
}) => {
  const id = await demoShow(request);
  await openAt(page, id, 'route/prop/loft-windows');
  const picture = page.getByTestId('picture');
  const box = (await picture.boundingBox())!;
  // The first pixel of the loft windows is at the top right; its grid of 7 × 4 is fitted with a margin of 64.
  const scale = Math.min((box.width - 128) / 1800, (box.height - 128) / 780);
  const topRight = { x: box.width / 2 + 900 * scale, y: box.height / 2 - 390 * scale };
  await picture.hover({ position: topRight });
  await expect(page.getByTestId('callout')).toContainText('Pixel 1 of run 1');
  await picture.click({ position: topRight });
  await expect(page).toHaveURL(/loft-windows\/run\/1\/pixel\/1$/);
  await page.mouse.wheel(0, -400);
  await page.mouse.move(box.x + 200, box.y + 200);
  await page.mouse.down();
  await page.mouse.move(box.x + 260, box.y + 260, { steps: 4 });
  await page.mouse.up();
  await expect(page).toHaveURL(/pixel\/1$/);

  const ruler = page.getByTestId('ruler');
  await ruler.click({ position: { x: 3, y: 20 } });
  await expect(page).toHaveURL(/pier-railing\/run\/1\/pixel\/\d+$/);
  await ruler.press('ArrowRight');
  await expect(page).toHaveURL(/pier-railing\/run\/2\/pixel\/1$/);
});

test(
  'settings, sheets, places and commands are found by their words, and the focus comes back',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build/prop/net-curtain');
    const find = async (words: string) => {
      await page.keyboard.press('Control+k');
      await page.getByPlaceholder(/A3 17/).fill(words);
    };
    for (const { label } of SETTINGS) {
      await find(label);
      await page.getByRole('dialog').getByText(label, { exact: true }).first().click();
      // One part of a choice has the focus.
      const field = page.getByLabel(label, { exact: true }).first();
      await expect.poll(() => field.evaluate((node) => node.contains(document.activeElement))).toBe(true);
    }
    await find('values to type');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/patch.*sheet=values/);
    await find('boathouse');
    await expect(page.getByRole('dialog').getByText(/place on site/)).toBeVisible();
    await expect(
      page
        .getByRole('dialog')
        .getByText(/leads to/)
        .first(),
    ).toBeVisible();
    await page.keyboard.press('Escape');
    await page.goto(`/shows/${id}/build/prop/net-curtain`);
    const rows = page.getByLabel('Rows', { exact: true });
    await rows.focus();
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder(/A3 17/).waitFor();
    await page.keyboard.press('Escape');
    await expect(rows).toBeFocused();
  },
);

test('a link to what is not there says so', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'route/prop/net-curtain/run/1/pixel/9999');
  await expect(page.getByText('Run 1 of Net curtain has no pixel 9,999: it ends with 280.')).toBeVisible();
  await openAt(page, id, 'patch/port/Z9');
  await expect(page.getByText('There is no port Z9 in this show.')).toBeVisible();
});
