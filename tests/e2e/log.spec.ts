import { readFile } from 'node:fs/promises';
import { author, demoShow, expect, keptShow, openAt, saving, test } from './lantern';

test(
  'notes stay with their thing, also when it is renamed and when it goes',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'log/prop/gangway-edge');
    await expect(page.getByText('Nothing was noted yet.', { exact: false })).toBeVisible();
    await page.getByText('Measurement', { exact: true }).click();
    await page.getByLabel('What was measured').fill('White at full level');
    await page.getByLabel('Value and unit').fill('3.2 A');
    await page.getByLabel('How it was measured').fill('one metre, bench supply');
    await page.getByLabel('By whom').fill('Ada');
    await page.getByRole('button', { name: 'Write it down' }).click();
    const entries = page.getByRole('region', { name: 'What was noted' }).getByRole('listitem');
    await expect(entries).toHaveCount(1);
    await expect(entries.first()).toContainText('Gangway edge');
    await expect(entries.first()).toContainText('White at full level, one metre, bench supply: 3.2 A by Ada');
    const change = (edit: object, base: number) =>
      request.post(`/api/shows/${id}/edits`, { data: { ...author(base), edit } });
    await change({ type: 'changeProp', propId: 'gangway-edge', change: { name: 'Gang plank' } }, 0);
    await expect(entries.first()).toContainText('Gang plank');
    await change({ type: 'removeProp', propId: 'gangway-edge' }, 1);
    await openAt(page, id, 'log');
    await expect(entries.first()).toContainText('not in the show any more');
    const csv = await (await request.get(`/api/shows/${id}/log.csv`)).text();
    expect(csv).toMatch(/^when,kind,about,gone,what,value,by,field\r\n/);
    expect(csv).toContain('Measured,gangway-edge,yes,');
    await entries.first().getByRole('button', { name: 'Take back' }).click();
    await expect(entries).toHaveCount(0);
  },
);

test('what was measured takes the place of an assumption; undo leaves the measurement', async ({
  page,
  request,
}) => {
  const id = await demoShow(request);
  await openAt(page, id, 'log/controller/pier-box');
  await page.getByText('Measurement', { exact: true }).click();
  await page.getByLabel('What it is of the plan').click();
  await page.getByRole('option', { name: 'What it takes itself, with nothing lit' }).click();
  await page.getByLabel('Value and unit').fill('lots');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText(/“lots” is no/)).toBeVisible();
  await page.getByLabel('Value and unit').fill('310 mA');
  await page.getByLabel('How it was measured').fill('clamp meter');
  await page.getByRole('button', { name: 'Write it down' }).click();
  const entry = page.getByRole('region', { name: 'What was noted' }).getByRole('listitem');
  await entry.getByRole('button', { name: /^Use it in place of 250 mA/ }).click();
  await expect(entry).toContainText('in use: measured');
  const own = async () =>
    (await keptShow(request, id)).controllers.find((each) => each.id === 'pier-box')!.power?.ownAmps;
  await expect(saving(page)).toContainText('rev 1 · saved');
  expect(await own()).toMatchObject({ value: 0.31, basis: 'measured', how: 'clamp meter' });
  await page.keyboard.press('Control+z');
  await expect(entry.getByRole('button', { name: /^Use it/ })).toBeVisible();
  await expect(saving(page)).toContainText('rev 2 · saved');
  expect((await own())?.basis).not.toBe('measured');
  await expect(entry).toContainText('310 mA');
});

test('two states are named and compared, down to the values to type again; going back can be undone', async ({
  page,
  request,
}) => {
  const id = await demoShow(request);
  await openAt(page, id, 'log?sheet=history');
  await page.getByRole('button', { name: 'Name the state of now' }).click();
  await page.getByLabel('Its name').fill('as hung');
  await page.keyboard.press('Enter');
  const named = page.getByRole('list', { name: 'States with a name' });
  await expect(named).toContainText('as hung');
  const edit = { type: 'changeProp', propId: 'gangway-edge', change: { pixelTypeId: 'bullet-12v-ws2811' } };
  expect((await request.post(`/api/shows/${id}/edits`, { data: { ...author(0), edit } })).status()).toBe(200);
  await expect(
    page.getByRole('list', { name: 'Changes, the latest first' }).getByRole('listitem'),
  ).toHaveCount(1);
  await named.getByRole('button', { name: 'Compare with now' }).click();
  const compared = page.getByRole('region', { name: 'Revision 0 and revision 1' });
  await expect(compared).toContainText('Gangway edge: other pixels');
  await expect(compared).toContainText('Pier box A3, colour order: GRBW → RGB');
  await expect(compared.getByRole('heading', { name: /^To type again/ })).toBeVisible();
  // Nothing is lost by going back: the state in between is a change as well.
  const back = { ...author(1), sequence: 0 };
  expect((await request.post(`/api/shows/${id}/restore`, { data: back })).status()).toBe(200);
  await expect(saving(page)).toContainText('rev 2');
  const typeOf = async () =>
    (await keptShow(request, id)).props.find((prop) => prop.id === 'gangway-edge')!.pixelTypeId;
  expect(await typeOf()).toBe('strip-5v-sk6812-rgbw');
  const undo = { ...author(2), takesBack: back.changeId };
  expect((await request.post(`/api/shows/${id}/undo`, { data: undo })).status()).toBe(200);
  expect(await typeOf()).toBe('bullet-12v-ws2811');
  const refused = await request.post(`/api/shows/${id}/restore`, { data: { ...author(3), sequence: 99 } });
  expect(refused.status()).toBe(422);
});

test(
  'another season starts with all ticks open and all reasons kept',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    const at = '2026-11-27T18:00:00Z';
    const facts = [
      {
        id: 'why',
        kind: 'decision',
        list: 'props',
        recordId: 'net-curtain',
        field: 'log.a',
        value: { words: 'Fed at both ends', reason: 'it yellowed' },
        at,
      },
      {
        id: 'tick',
        kind: 'tick',
        list: 'controllers',
        recordId: 'pier-box',
        field: 'port.1.pixels',
        value: '111',
        at,
      },
    ];
    expect((await request.post(`/api/shows/${id}/facts`, { data: { facts } })).status()).toBe(200);
    await openAt(page, id, 'log?sheet=history');
    await page.getByRole('button', { name: 'Begin another season…' }).click();
    await page.getByLabel('Name of the new show').fill('The night of next year');
    await page.getByRole('button', { name: 'Begin it' }).click();
    await expect(page).toHaveURL(/the-night-of-next-year.*\/log/);
    const entries = page.getByRole('region', { name: 'What was noted' }).getByRole('listitem');
    await expect(entries).toHaveCount(2);
    await expect(entries.filter({ hasText: 'Fed at both ends' })).toContainText('it yellowed');
    await expect(entries.filter({ hasText: 'Copied from A copy of the night at revision 0' })).toBeVisible();
    // On a phone the stage that is on is in sight, also where the stages reach beyond the screen.
    await page.setViewportSize({ width: 390, height: 844 });
    await openAt(page, id, 'log');
    await expect(
      page.getByRole('navigation', { name: 'Stages' }).getByRole('button', { name: /Log/ }),
    ).toBeInViewport({
      ratio: 1,
    });
  },
);

test.describe(() => {
  test.use({ refusals: /status of 422/ });
  test(
    'everything of a show goes out as one file, and comes in again with photos, notes and history',
    { tag: '@full' },
    async ({ page, request }) => {
      const id = await demoShow(request);
      await openAt(page, id, 'log/prop/gangway-edge');
      await page.getByText('Photo', { exact: true }).click();
      await page
        .getByLabel(/Take a photo/)
        .setInputFiles({ name: 'box.png', mimeType: 'image/png', buffer: await page.screenshot() });
      await page.getByLabel('What it shows').fill('Before the lid was closed');
      await page.getByRole('button', { name: 'Write it down' }).click();
      await expect(page.getByAltText('Before the lid was closed')).toBeVisible();
      await request.post(`/api/shows/${id}/edits`, {
        data: {
          ...author(0),
          edit: { type: 'changeProp', propId: 'gangway-edge', change: { name: 'Gang plank' } },
        },
      });
      await page.goto('/');
      const card = page.getByRole('listitem').filter({ has: page.locator(`a[href="/shows/${id}/build"]`) });
      await card.getByRole('button', { name: /^More for/ }).click();
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('menuitem', { name: 'Download everything, with photos and history (zip)' }).click(),
      ]);
      const file = await download.path();
      const spoilt = Buffer.from(await readFile(file));
      spoilt.fill(0, 200, 400);
      const chooser = page.locator('input[type="file"]');
      await chooser.setInputFiles({ name: 'half.zip', mimeType: 'application/zip', buffer: spoilt });
      await expect(page.getByRole('alert').filter({ hasText: 'half.zip was not imported' })).toBeVisible();
      const before = (await (await request.get('/api/shows')).json()) as { shows: unknown[] };
      expect(before.shows.length).toBeGreaterThan(0);
      await chooser.setInputFiles({
        name: 'night.zip',
        mimeType: 'application/zip',
        buffer: await readFile(file),
      });
      await page.waitForURL(/\/shows\/.+\/build/);
      const again = /\/shows\/([^/]+)\//.exec(page.url())![1]!;
      expect(again).not.toBe(id);
      await openAt(page, again, 'log/prop/gangway-edge');
      await expect(page.getByAltText('Before the lid was closed')).toBeVisible();
      await openAt(page, again, 'log?sheet=history');
      await expect(page.getByRole('list', { name: 'Changes, the latest first' })).toContainText('Gang plank');
      expect((await keptShow(request, again)).props).toEqual((await keptShow(request, id)).props);
    },
  );
});

test(
  'the search finds what was noted, and the log is printed',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'log/port/A1');
    await page.getByLabel('About').click();
    await page.getByRole('option', { name: 'Pier box, A1', exact: true }).click();
    await page.getByLabel('What was decided, or is worth knowing').fill('Plug sits loose: taped');
    await page.getByLabel('Why', { exact: true }).fill('The latch broke in the rain');
    await page.getByRole('button', { name: 'Write it down' }).click();
    const entries = page.getByRole('region', { name: 'What was noted' }).getByRole('listitem');
    await expect(entries.first()).toContainText('Pier box, A1');
    await openAt(page, id, 'build/prop/net-curtain');
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder(/A3 17/).fill('latch broke');
    const line = page.getByRole('button', { name: /Pier box, A1: Plug sits loose/ });
    await expect(line).toContainText('leads to Log');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/log\/controller\/pier-box/);
    await expect(entries.first()).toContainText('Plug sits loose: taped');
    const pdf = await request.get(`/api/shows/${id}/sheets/log.pdf`);
    expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-']);
    const json = (await (await request.get(`/api/shows/${id}/sheets/log.json`)).json()) as { rows: object[] };
    expect(json.rows.at(-1)).toMatchObject({
      about: 'Pier box, A1',
      what: 'Plug sits loose: taped',
      value: 'The latch broke in the rain',
    });
  },
);
