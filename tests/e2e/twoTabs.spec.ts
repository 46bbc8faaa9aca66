import type { Page } from '@playwright/test';
import { demoShow, expect, fill, keptShow, openAt, saving, test } from './lantern';

test.use({ refusals: /Failed to load resource: (net::ERR_FAILED|.*status of (409|503))/ });

test('a change appears in the other tab, which says so', async ({ context, request }) => {
  const id = await demoShow(request);
  const [one, other] = [await context.newPage(), await context.newPage()];
  await openAt(one, id, 'build/prop/net-curtain');
  await openAt(other, id, 'patch/prop/net-curtain');
  await fill(one, 'Columns', '21');
  await expect(other.getByTestId('prop-net-curtain')).toContainText('21 × 28 px');
  await expect(other.getByText('Changed elsewhere: Net curtain: 20 × 28 px to 21 × 28 px.')).toBeVisible();
  await expect(saving(other)).toHaveText('rev 1 · saved');
});

test(
  'each tab takes back its own, also after it was loaded anew',
  { tag: '@full' },
  async ({ context, request }) => {
    const id = await demoShow(request);
    const [one, other] = [await context.newPage(), await context.newPage()];
    await openAt(one, id, 'build/prop/net-curtain');
    await openAt(other, id, 'build/prop/pier-railing');
    await fill(one, 'Columns', '21');
    await fill(other, 'Name', 'Pier rail');
    await expect(saving(one)).toHaveText('rev 2 · saved');
    await one.reload();
    await expect(one.getByRole('region', { name: 'Address ruler' })).toBeVisible();
    await one.keyboard.press('Control+z');
    await expect(one.getByTestId('prop-net-curtain')).toContainText('20 × 28 px');
    await expect(one.getByTestId('prop-pier-railing')).toContainText('Pier rail');
    await one.keyboard.press('Control+z');
    await expect(one.getByText('There is nothing to undo.')).toBeVisible();
    await other.getByRole('button', { name: 'Undo' }).click();
    await expect(one.getByTestId('prop-pier-railing')).toContainText('Pier railing');
  },
);

test(
  'two changes of different things are no question, though neither tab heard of the other',
  { tag: '@full' },
  async ({ context, request }) => {
    const id = await demoShow(request);
    const [one, other] = [await context.newPage(), await context.newPage()];
    await openAt(one, id, 'build/prop/net-curtain');
    await deaf(other, id, 'pier-railing');
    await fill(one, 'Columns', '21');
    await expect(saving(one)).toHaveText('rev 1 · saved');
    await fill(other, 'Name', 'Pier rail');
    await expect(saving(other)).toHaveText('rev 2 · saved');
    await expect(other.getByTestId('prop-net-curtain')).toContainText('21 × 28 px');
    await expect(other.getByRole('dialog')).toHaveCount(0);
  },
);

/** Opens a tab that is told of nothing that happens elsewhere. */
async function deaf(page: Page, id: string, propId: string): Promise<void> {
  await page.addInitScript(() => {
    class Nothing {
      port = { postMessage() {}, close() {} };
    }
    Object.assign(window, { SharedWorker: Nothing });
  });
  await openAt(page, id, `build/prop/${propId}`);
}

for (const choice of ['Put mine on top', 'Keep what is there'] as const)
  test(
    `two changes of the same thing are asked about: ${choice}`,
    { tag: choice === 'Put mine on top' ? [] : '@full' },
    async ({ context, request }) => {
      const id = await demoShow(request);
      const [one, other] = [await context.newPage(), await context.newPage()];
      await openAt(one, id, 'build/prop/net-curtain');
      await deaf(other, id, 'net-curtain');
      await fill(one, 'Name', 'Theirs');
      await expect(saving(one)).toHaveText('rev 1 · saved');
      await fill(other, 'Name', 'Mine');
      const dialog = other.getByRole('dialog', { name: 'Theirs was changed elsewhere' });
      await expect(dialog).toContainText('Net curtain: rename to Theirs');
      await expect(dialog).toContainText('“Mine”');
      await dialog.getByRole('button', { name: choice }).click();

      const mine = choice === 'Put mine on top';
      await expect(saving(other)).toHaveText(`rev ${mine ? 2 : 1} · saved`);
      await expect(other.getByTestId('prop-net-curtain')).toContainText(mine ? 'Mine' : 'Theirs');
      await expect(one.getByTestId('prop-net-curtain')).toContainText(mine ? 'Mine' : 'Theirs');
      expect((await keptShow(request, id)).props[2]!.name).toBe(mine ? 'Mine' : 'Theirs');
    },
  );

for (const shared of [true, false])
  test(
    `ten windows work at once, ${shared ? 'with' : 'without'} a shared worker`,
    { tag: '@full' },
    async ({ context, request }) => {
      const id = await demoShow(request);
      if (!shared) await context.addInitScript(() => Reflect.deleteProperty(window, 'SharedWorker'));
      const windows: Page[] = [];
      for (let i = 0; i < 10; i += 1) {
        const page = await context.newPage();
        await openAt(page, id, 'build/prop/net-curtain');
        windows.push(page);
      }
      await fill(windows[9]!, 'Columns', '23');
      for (const page of windows)
        await expect(page.getByTestId('prop-net-curtain')).toContainText('23 × 28 px');
      // Whoever held the stream goes: the others still hear of everything.
      await windows[0]!.close();
      await fill(windows[5]!, 'Columns', '24');
      for (const page of windows.slice(1))
        await expect(page.getByTestId('prop-net-curtain')).toContainText('24 × 28 px');
    },
  );

test(
  'an edit made while the server cannot be reached is kept and saved later',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build/prop/net-curtain');
    let reachable = false;
    await page.route('**/edits', (route) =>
      reachable ? route.continue() : route.fulfill({ status: 503, body: '' }),
    );
    await fill(page, 'Columns', '18');
    await expect(saving(page)).toContainText('not saved: the server cannot be reached');
    await expect(page.getByTestId('prop-net-curtain')).toContainText('18 × 28 px');
    reachable = true;
    await expect(saving(page)).toHaveText('rev 1 · saved');
  },
);
