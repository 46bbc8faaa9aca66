import { demoShow, expect, fill, keptShow, openAt, saving, test } from './lantern';

test('a starved end is seen, and mended in one press', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'feed/prop/net-curtain');
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  await expect(facts).toContainText('pixel 280 of run 1 gets 7.16 V');
  await expect(page.getByRole('img', { name: /^Volts along the runs/ })).toBeVisible();
  await facts.getByRole('button', { name: 'Add 2 leads' }).click();
  await expect(saving(page)).toHaveText('rev 1 · saved');
  await expect(facts).not.toContainText('To mend');
  await expect(facts.getByRole('region', { name: /^Lead/ })).toHaveCount(4);
  // One step back, and it is found again.
  await page.keyboard.press('Control+z');
  await expect(facts).toContainText('pixel 280 of run 1 gets 7.16 V');
});

test('the level is dragged, and what is seen follows', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'feed/prop/net-curtain');
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  await expect(facts).toContainText('Amps at 100 %');
  const thumb = page.getByRole('slider', { name: 'Level in percent' });
  await thumb.focus();
  for (let i = 0; i < 20; i += 1) await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('img', { name: /in the colour that 80 % really has/ })).toBeVisible();
  await expect(facts).toContainText('Amps at 80 %');
});

test('the far end recovers as a lead is moved along its run', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'feed/prop/net-curtain');
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  const lead = facts.getByRole('region', { name: 'Lead 5' });
  const lowest = facts.locator('dt:text-is("Lowest") + dd').first();
  await expect(lowest).toContainText('7.16 V');
  const slider = lead.getByRole('slider', { name: 'Where it joins run 1' });
  await slider.focus();
  // In the middle of its run; what is run 2 starves still.
  for (let i = 0; i < 5; i += 1) await page.keyboard.press('PageUp');
  await fill(page, 'Pixel of run 1 that it joins', '140');
  await expect
    .poll(async () => (await keptShow(request, id)).feeds[4]!.pieces[0]!.to)
    .toMatchObject({ pixel: 140 });
  await expect(lowest).toContainText('run 2, pixel 280');
});

test('a measured metre changes every amp on the page', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'feed?sheet=draw');
  const card = page.getByRole('region', { name: '12 V bullet string' });
  await card.getByRole('button', { name: 'I have measured a piece…' }).click();
  await card.getByLabel('It drew, at full white').fill('0.9 A');
  await card.getByLabel('It drew, at full white').press('Enter');
  await card.getByLabel('Pixels of the piece').fill('30');
  await card.getByLabel('Pixels of the piece').press('Enter');
  await card.getByRole('button', { name: 'Use 30 mA a pixel' }).click();
  await expect(card).toContainText('30 mA');
  await expect(card).toContainText('measured');
  await openAt(page, id, 'feed?sheet=schedule');
  const row = page.getByTestId('schedule').getByRole('row', { name: /Tug boat/ });
  // 27 pixels of 30 mA.
  await expect(row).toContainText('810 mA');
});

test('a prop is fed from nothing: a supply, a proposal, a schedule', async ({ page, request }) => {
  const id = await demoShow(request, { supplies: [], feeds: [], cuts: [] });
  await openAt(page, id, 'feed/prop/boathouse-gable');
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  await expect(facts).toContainText('Nothing feeds it yet');
  await facts.getByRole('button', { name: 'Add a supply' }).click();
  await facts.getByRole('button', { name: 'Propose leads' }).click();
  await facts.getByRole('button', { name: /^Add \d leads?$/ }).click();
  await expect(facts.getByRole('region', { name: 'Lead 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Schedule' }).click();
  await expect(page.getByTestId('schedule')).toContainText('Boathouse gable');
  // The schedule of files is the schedule shown.
  const csv = await (await request.get(`/api/shows/${id}/sheets/feeds.csv`)).text();
  const cells = await page.getByTestId('schedule').getByRole('row').nth(1).getByRole('cell').allInnerTexts();
  expect(cells.length).toBeGreaterThan(8);
  for (const cell of cells.filter((each) => each !== '–')) expect(csv).toContain(cell.split('\n')[0]!);
});

test('search finds supplies and leads', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder(/A3 17/).fill('lead 6');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/feed\/prop\/net-curtain/);
});

test('power over HTTP: what flows, and one line a pixel', async ({ request }) => {
  const id = await demoShow(request);
  const show = await keptShow(request, id);
  const answer = await (await request.post('/api/power', { data: { show, level: 1 } })).json();
  expect(answer.supplies).toHaveLength(show.supplies.length);
  const curtain = answer.runs.find((run: { propId: string }) => run.propId === 'net-curtain');
  expect(curtain.lowestVolts).toBeCloseTo(7.16, 2);
  expect(answer.findings[0].message).toContain('Net curtain');
  const refused = await request.post('/api/power', { data: { show, level: 7 } });
  expect(refused.status()).toBe(422);
  const lines = (await (await request.get(`/api/shows/${id}/voltages.csv?level=0.3`)).text())
    .trim()
    .split('\n');
  expect(lines[0]).toContain('ground lift');
  const pixels = lines.filter((line) => line.startsWith('Net curtain,'));
  expect(pixels).toHaveLength(560);
  expect((await request.get(`/api/shows/${id}/voltages.csv?level=x`)).status()).toBe(400);
});
