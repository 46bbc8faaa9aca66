import type { Show } from '@/core/show/schema';
import { DEMO, demoShow, expect, fill, keptShow, openAt, saving, test } from './lantern';

test('a starved end is seen, and mended in one press', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'power/prop/net-curtain');
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  await expect(facts).toContainText('Will look wrong: Net curtain: pixel 280 of run 1 gets 8.61 V');
  await expect(page.getByRole('img', { name: /^Volts along the runs/ })).toBeVisible();
  await facts.getByRole('button', { name: 'Add 2 leads' }).click();
  await expect(saving(page)).toHaveText('rev 1 · saved');
  await expect(facts).not.toContainText('Will look wrong');
  await expect(facts.getByRole('region', { name: /^Lead/ })).toHaveCount(6);
  // One step back, and it is found again.
  await page.keyboard.press('Control+z');
  await expect(facts).toContainText('pixel 280 of run 1 gets 8.61 V');
});

test('the level is dragged, and what is seen follows', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'power/prop/net-curtain');
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  await expect(facts).toContainText('Amps at 100 %');
  const thumb = page.getByRole('slider', { name: 'Level in percent' });
  await thumb.focus();
  for (let i = 0; i < 20; i += 1) await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('img', { name: /in the colour that 80 % really has/ })).toBeVisible();
  await expect(facts).toContainText('Amps at 80 %');
});

test(
  'the lowest place follows as a lead is moved along its run',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'power/prop/net-curtain');
    const facts = page.getByRole('complementary', { name: 'Settings and facts' });
    const lead = facts.getByRole('region', { name: 'Lead 40' });
    const lowest = facts.locator('dt:text-is("Lowest") + dd').first();
    await expect(lowest).toContainText('8.61 V');
    const slider = lead.getByRole('slider', { name: 'Where it joins run 1' });
    await slider.focus();
    // At the end of its run: what is between the two leads gets less now.
    for (let i = 0; i < 5; i += 1) await page.keyboard.press('PageUp');
    await lead.getByLabel('Pixel of run 1 that it joins').fill('280');
    await lead.getByLabel('Pixel of run 1 that it joins').press('Enter');
    await expect
      .poll(async () => (await keptShow(request, id)).feeds[39]!.pieces[0]!.to)
      .toMatchObject({ pixel: 280 });
    await expect(lowest).toContainText('run 1, pixel 1');
  },
);

test('a measured metre changes every amp on the page', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'power?sheet=draw');
  const card = page.getByRole('region', { name: '12 V bullet string' });
  await card.getByRole('button', { name: 'A piece or a metre of it draws…' }).click();
  await card.getByLabel('It drew, at full white').fill('0.9 A');
  await card.getByLabel('It drew, at full white').press('Enter');
  await card.getByLabel('Pixels of the piece').fill('30');
  await card.getByLabel('Pixels of the piece').press('Enter');
  await card.getByRole('button', { name: 'Use 30 mA a pixel' }).click();
  await expect(card).toContainText('30 mA');
  await expect(card).toContainText('measured');
  await openAt(page, id, 'power?sheet=schedule');
  const row = page.getByTestId('schedule').getByRole('row', { name: /Tug boat/ });
  // 27 pixels of 30 mA.
  await expect(row).toContainText('810 mA');
});

test('a prop is fed from nothing: a supply, a proposal, a schedule', async ({ page, request }) => {
  const id = await demoShow(request, { supplies: [], feeds: [], cuts: [] });
  await openAt(page, id, 'power/prop/boathouse-gable');
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

test('a prop is powered in one press, and one undo takes it back', async ({ page, request }) => {
  const id = await demoShow(request, { supplies: [], feeds: [], cuts: [] });
  await openAt(page, id, 'power');
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  await facts.getByRole('button', { name: 'Power Boathouse gable' }).click();
  const card = facts.locator('section', { has: page.getByRole('heading', { name: 'Power this prop' }) });
  await expect(card).toContainText('8.76 A, 105.1 W at full white');
  await expect(card).toContainText('Holds with a margin');
  // A length that cannot be read is never taken for the one before.
  const length = card.getByLabel('Each lead, one way');
  await length.fill('far');
  await card.getByRole('button', { name: 'Power this prop' }).click();
  await expect(length).toHaveAttribute('aria-invalid', 'true');
  expect((await keptShow(request, id)).supplies).toEqual([]);
  await length.fill('5.7 m');
  await length.press('Enter');
  await expect(card).toContainText('11.4 m');
  await card.getByRole('button', { name: 'Power this prop' }).click();
  await expect(facts.getByRole('region', { name: 'Lead 1' })).toBeVisible();
  const made = await keptShow(request, id);
  expect(made.supplies.map((supply) => [supply.volts, supply.ratedAmps.value])).toEqual([[12, 12.5]]);
  expect(made.feeds.map(({ pieces }) => pieces[0]!.lengthMm)).toEqual([5700, 5700]);
  await page.keyboard.press('Control+z');
  await expect(card).toBeVisible();
  await expect.poll(async () => (await keptShow(request, id)).feeds).toEqual([]);
});

test('search finds supplies and leads', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder(/A3 17/).fill('lead 6');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/power\/prop\/net-curtain/);
});

test('power over HTTP: what flows, and one line a pixel', { tag: '@full' }, async ({ request }) => {
  const id = await demoShow(request);
  const show = await keptShow(request, id);
  const answer = await (await request.post('/api/power', { data: { show, level: 1 } })).json();
  expect(answer.supplies).toHaveLength(show.supplies.length);
  const curtain = answer.runs.find((run: { propId: string }) => run.propId === 'net-curtain');
  expect(curtain.lowestVolts).toBeCloseTo(8.61, 2);
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

test(
  'a travelling wreath on a brick: how many pixels, how bright, what to type, whether data passes',
  { tag: '@full' },
  async ({ page, request }) => {
    const shape = { legs: [{ lengthMm: 1600, headingDeg: 0, pixels: { by: 'count', count: 24 } }] };
    const wreath = {
      id: 'wreath',
      name: 'Wreath',
      placeId: 'pier',
      pixelTypeId: 'strip',
      kind: 'line',
      shape,
      threading: { firstPixel: 'start', runs: 1 },
    } as Show['props'][number];
    const strip = {
      id: 'strip',
      name: '5 V strip',
      chip: 'WS2812B',
      colourOrder: 'GRB',
      volts: 5,
      bodyMm: 5,
    };
    const [first] = DEMO.controllers;
    const { network: _, site: __, power: ___, portOptions: ____, typeId: _____, ...board } = first!;
    const id = await demoShow(request, {
      props: [wreath],
      pixelTypes: [strip],
      controllers: [{ ...board, id: 'node', name: 'Brick node', label: 'A', data: { driver: 'pin' } }],
      controllerTypes: [],
      patch: [{ propId: 'wreath', run: 1, controllerId: 'node', port: 1, skippedPixels: 0 }],
      supplies: [],
      tasks: [],
    });
    await openAt(page, id, 'power?sheet=draw');
    // 60 mA, none of it while dark.
    for (const part of ['Dark, its chip alone', 'Red, fullest', 'Green, fullest', 'Blue, fullest'])
      await fill(page, part, part.startsWith('Dark') ? '0 mA' : '20 mA');
    await page.getByRole('button', { name: 'Supplies', exact: true }).click();
    await page.getByRole('button', { name: 'Add a supply' }).first().click();
    const supply = page.getByRole('region', { name: 'Supply', exact: true });
    await supply.getByRole('button', { name: 'Change it' }).click();
    await supply.getByLabel('Rated for', { exact: true }).fill('1 A');
    await supply.getByLabel('Rated for', { exact: true }).press('Enter');
    const node = page.getByRole('region', { name: 'Brick node' });
    await node.getByRole('button', { name: 'Feed it from Supply' }).click();
    await node.getByRole('button', { name: 'What it takes and passes on' }).click();
    await node.getByLabel('It draws itself', { exact: true }).fill('80 mA');
    await node.getByLabel('It draws itself', { exact: true }).press('Enter');
    await openAt(page, id, 'power/prop/wreath');
    const facts = page.getByRole('complementary', { name: 'Settings and facts' });
    await facts.getByRole('button', { name: 'Bring a lead to it' }).click();
    const lead = facts.getByRole('region', { name: 'Lead 2' });
    await lead.getByRole('button', { name: 'Change it' }).click();
    await lead.getByLabel('From', { exact: true }).click();
    await page.getByRole('option', { name: 'Brick node' }).click();
    await expect(lead).toContainText('from port A1');
    await page.getByRole('button', { name: 'Brightness' }).click();
    const caps = page
      .getByTestId('supply-caps')
      .getByRole('row', { name: /^Supply/ })
      .nth(1);
    await expect(caps).toContainText('1.44 A at full white');
    const cells = await caps.getByRole('cell').allInnerTexts();
    expect(cells.slice(-4)).toEqual(['12', '15', '50 %', '63 %']);
    const limiter = page.getByTestId('limiters').getByRole('row', { name: /Brick node/ });
    const typed = await limiter.getByRole('cell').allInnerTexts();
    expect(typed.slice(2, 5).map((cell) => cell.split('\n')[0])).toEqual(['60', '720', '920']);
    await page.getByRole('button', { name: 'Data wires' }).click();
    const wire = page.getByTestId('data-wires').getByRole('row', { name: /Wreath/ });
    await expect(wire).toContainText('passes up to 4.71 V');
    await expect(wire).toContainText('too low');
    // The mend that is offered works.
    await openAt(page, id, 'power/prop/wreath');
    await facts.getByRole('button', { name: 'Build in a fast buffer' }).click();
    await expect(facts.getByRole('button', { name: 'Build in a fast buffer' })).toBeHidden();
  },
);

test(
  'what a meter showed says what is other than planned, and stays when the figure is taken back',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'power/prop/boathouse-gable?sheet=readings');
    const ends = page.getByTestId('readings').getByRole('row', { name: /pixel 146, its last/ });
    const read = ends.getByRole('textbox');
    await expect(ends).toContainText('V');
    const expected = Number(/([\d.]+) V/.exec(await ends.innerText())![1]);
    await read.fill(`${(expected - 0.6).toFixed(2)} V`);
    await read.press('Enter');
    const says = page.getByRole('region', { name: 'What the readings say' });
    await expect(says).toContainText('0 of 1 reading as planned');
    await expect(says).toContainText(/Read next at Boathouse gable/);
    await says.getByRole('button', { name: 'Use it in the plan' }).first().click();
    await expect(says).toContainText('1 reading, as planned');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(says).toContainText('0 of 1 reading as planned');
    await page.reload();
    await expect(says).toContainText('0 of 1 reading as planned');
    const csv = await (await request.get(`/api/shows/${id}/sheets/readings.csv`)).text();
    expect(csv).toContain(`${(expected - 0.6).toFixed(2)} V`);
  },
);

test(
  'a long string: what is lost fed once, at both ends, and in the middle as well',
  { tag: '@full' },
  async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: /^The edge of a roof/ }).click();
    await page.getByText('Count', { exact: true }).click();
    await fill(page, 'Pixels', '150');
    await page.getByRole('button', { name: /^4 Power/ }).click();
    await page.getByRole('button', { name: 'Draw', exact: true }).click();
    await fill(page, 'Dark, its chip alone', '0 mA');
    await fill(page, 'Its resistance, a metre of one conductor', '25 mΩ');
    await page.getByRole('button', { name: 'From which volts on each colour lights' }).click();
    for (const colour of ['Red', 'Green', 'Blue']) {
      await fill(page, `${colour}, fullest`, '20 mA');
      await fill(page, `${colour} begins at`, '0 V');
      await fill(page, `${colour} is full from`, '0.01 V');
    }
    await page.getByRole('button', { name: 'Picture', exact: true }).click();
    const facts = page.getByRole('complementary', { name: 'Settings and facts' });
    await facts.getByRole('button', { name: 'Add a supply' }).click();
    const bring = facts.getByRole('button', { name: 'Bring a lead to it' });
    await bring.click();
    // 60 mA over 5 mOhm times 150 * 149 / 2 is 3.35 V; the lead of 3 m loses 9 A * 2 * 3 m * 13.3 mOhm.
    await expect(facts).toContainText(/Lowest7\.93 Vrun 1, pixel 150/);
    await expect(facts).toContainText('11.28 V there');
    await bring.click();
    await expect(facts).toContainText(/Lowest10\.81 Vrun 1, pixel 75/);
    await expect(facts).toContainText('11.64 V there');
    await bring.click();
    await expect(facts).toContainText('Eave run 1, pixel 75');
    await expect(facts).toContainText('3 leads');
  },
);

test('the leads of a wall of twelve panels, on a row of fuses', { tag: '@full' }, async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: /^A wall of panels/ }).click();
  await fill(page, 'Panels across', '4');
  await fill(page, 'Panels down', '3');
  await fill(page, 'At full white', '3.2 A');
  await page.getByRole('button', { name: /^4 Power/ }).click();
  await page.getByRole('button', { name: 'Add a supply' }).click();
  await expect(page.getByRole('main')).toContainText('6 positions, 10 A each for 6.4 A');
  await fill(page, 'Lead, one way', '2 m');
  await page.getByRole('button', { name: 'Feed it so' }).click();
  await page.getByRole('button', { name: 'Schedule' }).click();
  const first = page.getByRole('row', { name: /^Lead 1 Supply/ });
  await expect(first).toContainText('6.4 A');
  const cells = (await first.getByRole('cell').allInnerTexts()).map((cell) => cell.split('\n')[0]);
  for (const cell of ['6.4 A', '2 m', '0.20 V', '4.80 V', '10 A']) expect(cells).toContain(cell);
  await page.getByRole('button', { name: 'Brightness' }).click();
  await page.getByRole('button', { name: 'A pattern that you measured…' }).click();
  await fill(page, 'What ran', 'Waves');
  await fill(page, 'How many of them', '2');
  await fill(page, 'The meter showed', '2.1 A');
  await page.getByRole('button', { name: /^Keep it: 32\.9 %/ }).click();
  await expect(page.getByTestId('measured-patterns')).toContainText('12.63 A of 12 A');
  await page.getByRole('button', { name: 'Look at it' }).click();
  await page.locator('[data-testid^=prop-]').first().press('Escape');
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  // 38.4 A are wanted at full white; one of 60 A carries that for hours.
  await facts.getByRole('button', { name: 'Plan with 60 A' }).click();
  const supply = page.getByRole('region', { name: 'Supply', exact: true });
  await expect(supply).toContainText('38.4 A (192 W) at full white, of 48 A for hours');
  await supply.getByRole('button', { name: 'Change it' }).click();
  await supply.getByRole('switch', { name: 'Its leads begin at a row of fuses' }).click();
  await expect(supply).toContainText('Row of 6 fuses: 6 taken; its pair carries 23 A');
  await expect(facts).toContainText('its leads want 38.4 A at full white. It gets hot');
});

test(
  'the schedule that is printed is the schedule that is shown',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'power?sheet=schedule');
    const rows = page.getByRole('row', { name: /^Lead/ });
    const words = async () =>
      (await rows.allInnerTexts()).map((row) => row.replace(/\s+/g, ' ').trim()).filter((row) => row !== '');
    await expect(rows.first()).toBeVisible();
    const shown = await words();
    expect(shown.length).toBeGreaterThan(10);
    await page.emulateMedia({ media: 'print' });
    await expect(rows.last()).toBeVisible();
    expect(await words()).toEqual(shown);
    // Black on white, and nothing of the frame around it.
    const [ink, paper] = await rows
      .first()
      .evaluate((row) => [getComputedStyle(row).color, getComputedStyle(document.body).backgroundColor]);
    const light = (colour: string) => (/\d+/g.exec(colour) ? Number(/\d+/.exec(colour)![0]) : 255);
    expect(light(ink!)).toBeLessThan(80);
    expect(light(paper!)).toBeGreaterThan(200);
  },
);
