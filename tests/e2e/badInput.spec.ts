import { SHOW_VERSION } from '@/core/show/schema';
import { DEMO, demoShow, expect, keptShow, openAt, saving, test, otherShows } from './lantern';

test('a field says what is allowed, keeps what was typed, and changes nothing', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build/prop/net-curtain');
  const columns = page.getByLabel('Columns', { exact: true });
  for (const text of ['0', '-4', '1000000', 'NaN', 'twenty', '', '1e3', '2.5']) {
    await columns.fill(text);
    await columns.press('Enter');
    await expect(page.getByText('The number of columns is a whole number from 1 to 1,000')).toBeVisible();
    await expect(columns).toHaveValue(text);
  }
  await columns.press('Escape');
  await expect(columns).toHaveValue('20');
  const spacing = page.getByLabel('Between rows', { exact: true });
  for (const [text, sentence] of [
    ['9 m', 'The spacing is from 1 mm to 5 m; “9 m” is 9 m.'],
    ['wide', '“wide” is not a length.'],
    ['-3 mm', 'A length is zero or more.'],
  ] as const) {
    await spacing.fill(text);
    await spacing.press('Enter');
    await expect(page.getByText(sentence)).toBeVisible();
  }
  await expect(saving(page)).toHaveText('rev 0 · saved');
  expect((await keptShow(request, id)).props).toEqual(DEMO.props);
});

test('a million a leg is refused beside the leg', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build/prop/winch-house-edge');
  const count = page.getByRole('group', { name: 'Leg 2' }).getByLabel('Pixels', { exact: true });
  await count.fill('1,000,000');
  await count.press('Enter');
  await expect(
    page.getByText('The number of pixels on a leg is a whole number from 0 to 10,000'),
  ).toBeVisible();
});

test('a name that is taken is refused in a sentence', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build/prop/net-curtain');
  await page.getByLabel('Name', { exact: true }).fill('pier railing');
  await page.getByLabel('Name', { exact: true }).press('Enter');
  await expect(page.getByText(/The name “pier railing” is used twice/)).toBeVisible();
  await expect(saving(page)).toHaveText('rev 0 · saved');
});

for (const [what, content, sentence] of [
  ['junk', 'this is not JSON', 'This file is not JSON'],
  [
    'an unknown version',
    JSON.stringify({ ...DEMO, version: SHOW_VERSION + 1 }),
    `this program reads versions 1 to ${SHOW_VERSION}`,
  ],
  [
    'a port that is not there',
    JSON.stringify({ ...DEMO, patch: [{ ...DEMO.patch[0], port: 9 }] }),
    'Pier railing run 1 is on port A9, but Pier box has 6 ports, A1 to A6.',
  ],
] as const)
  test(
    `a show file with ${what} is refused by name`,
    { tag: what === 'junk' ? [] : '@full' },
    async ({ page, request }) => {
      const before = await otherShows(request, '');
      await page.goto('/');
      await page
        .locator('input[type=file]')
        .setInputFiles({ name: 'old.json', mimeType: 'application/json', buffer: Buffer.from(content) });
      await expect(
        page.locator('[role=alert]', { hasText: 'old.json was not imported; nothing is changed.' }),
      ).toContainText(sentence);
      expect(await otherShows(request, '')).toEqual(before);
    },
  );

test('a file of junk is refused however large it is', { tag: '@full' }, async ({ page }) => {
  await page.goto('/');
  await page.locator('input[type=file]').setInputFiles({
    name: 'huge.json',
    mimeType: 'application/json',
    buffer: Buffer.alloc(49 * 1024 * 1024, 'x'),
  });
  await expect(page.getByText(/^This file is not JSON, so it is not a show file/)).toBeVisible();
});

test('a show file comes back from its own export', async ({ page, request }) => {
  const id = await demoShow(request);
  const text = await (await request.get(`/api/shows/${id}/show.json`)).text();
  await page.goto('/');
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'copy.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await expect(page).toHaveURL(/\/shows\/a-copy-of-the-night.*\/build/);
  const copyId = /shows\/([^/]+)/.exec(page.url())![1]!;
  expect(copyId).not.toBe(id);
  expect(await (await request.get(`/api/shows/${copyId}/show.json`)).text()).toBe(text);
});
