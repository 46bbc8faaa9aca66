import { LEVELS, roundOf } from '@/core/practice/round';
import { sentenceOf } from '@/core/rig/faults/registry';
import { demoShow, expect, fill, openAt, saving, test } from './lantern';

test('a prop is brought up: volts before the plug, a stop point, and the fault found from a step', async ({
  page,
  request,
}) => {
  const id = await demoShow(request);
  await openAt(page, id, 'test?sheet=first-power-up');
  const main = page.getByRole('main');
  await main.getByRole('button', { name: /^Net curtain/ }).click();
  await expect(page).toHaveURL(/net-curtain.*sheet=first-power-up/);
  await page.getByLabel('Seen by').pressSequentially('Mara Quay');
  const steps = main.getByRole('navigation', { name: 'Steps' });
  const step = main.getByRole('region', { name: 'The step' });
  await expect(step.getByRole('heading', { name: 'Boathouse box is without power' })).toBeVisible();
  await step.getByRole('button', { name: 'As planned' }).click();
  // Reversed polarity is no small deviation.
  await expect(step.getByRole('heading', { name: 'Volts of Lead 5' })).toBeVisible();
  await fill(page, 'Volts that are read, plus against ground', '-12.1 V');
  await expect(step).toContainText('Do not plug it in');
  await steps.getByRole('button', { name: /^Grounds are joined first/ }).click();
  await expect(step.getByRole('alert')).toContainText('Stop: Volts of Lead 5 was seen otherwise');
  await expect(step.getByRole('button', { name: 'As planned' })).toBeDisabled();
  await step.getByRole('button', { name: 'To that step' }).click();
  await fill(page, 'Volts that are read, plus against ground', 'twelve');
  await expect(step).toContainText('Volts from -600 to 600');
  await fill(page, 'Volts that are read, plus against ground', '12,1');
  await expect(step.getByRole('heading', { name: 'Volts of Lead 6' })).toBeVisible();
  await expect(main.getByRole('status').first()).toContainText('2 of 28 as planned');
  // A fill that is otherwise leads to the search, which asks for just that first.
  await steps.getByRole('button', { name: /^Red ?,/ }).click();
  await step.getByLabel('What you saw, in your words').fill('it is green');
  await step.getByRole('button', { name: 'It is otherwise' }).click();
  await expect(step).toContainText('“it is green” · Mara Quay');
  await expect(saving(page)).toContainText('saved');
  await page.reload();
  await expect(step).toContainText('“it is green” · Mara Quay');
  await step.getByRole('button', { name: 'Find the fault from here' }).click();
  const question = main.getByRole('region', { name: 'The question' });
  await expect(question.getByRole('heading', { name: 'Red' })).toBeVisible();
  await question.getByRole('button', { name: /^None of these/ }).click();
  await question.getByRole('combobox', { name: 'it is' }).click();
  await page.getByRole('option', { name: 'Green', exact: true }).click();
  await question.getByRole('button', { name: 'That is what I see' }).click();
  await expect(main.getByRole('region', { name: 'Suspects' })).toContainText('1 answer so far');
  const facts = (await (await request.get(`/api/shows/${id}/facts`)).json()) as {
    facts: { list: string; field: string; by?: string; value: { volts?: number } }[];
  };
  const meter = facts.facts.findLast(({ field }) => field === 'bringUp.meter')!;
  expect([meter.list, meter.by, meter.value.volts]).toEqual(['feeds', 'Mara Quay', 12.1]);
});

test('first power-up is walked by keys, and fits a phone', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await page.setViewportSize({ width: 360, height: 780 });
  await openAt(page, id, 'test/prop/slip-rails?sheet=first-power-up');
  const step = page.getByRole('main').getByRole('region', { name: 'The step' });
  const as = step.getByRole('button', { name: 'As planned' });
  await as.focus();
  const before = await step.getByRole('heading', { level: 3 }).innerText();
  await page.keyboard.press('Enter');
  await expect(step.getByRole('heading', { level: 3 })).not.toHaveText(before);
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(overflow).toBeLessThanOrEqual(0);
});

test(
  'a device is brought up on the phone, and what was seen there stands on the sheet of its props',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await page.setViewportSize({ width: 360, height: 780 });
    await page.goto(`/phone/${id}?page=first-power-up&device=boathouse-box`);
    const main = page.getByRole('main');
    await expect(main.getByRole('status')).toContainText('0 of 7 as planned');
    // A stop point holds up what rests on it.
    const off = main.getByRole('region', { name: 'Boathouse box is without power' });
    await off.getByRole('checkbox', { name: 'It is otherwise' }).check();
    const answers = main.getByRole('checkbox', { name: /^Boathouse box answers/ });
    await expect(answers).toBeDisabled();
    await expect(main).toContainText('Stop: Boathouse box is without power was seen otherwise');
    await off.getByRole('checkbox', { name: 'It is otherwise' }).uncheck();
    await answers.check();
    await main
      .getByRole('region', { name: 'Its values are saved' })
      .getByRole('checkbox', { name: 'It is otherwise' })
      .check();
    await expect(main.getByRole('alert')).toContainText('They are kept only until the power is cut');
    await expect(main.getByRole('status')).toContainText('1 of 7 as planned');
    await expect(page.getByRole('banner').getByRole('status')).toContainText('saved');
    await openAt(page, id, 'test/prop/net-curtain?sheet=first-power-up');
    await expect(page.getByRole('main').getByRole('status').first()).toContainText(
      '1 of 28 as planned · something was seen otherwise',
    );
  },
);

test(
  'quick checks: an order from fills, a count by halving, a break, plugs, and labels of panels',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'test/prop/net-curtain?sheet=quick-checks');
    const card = (name: string) => page.getByRole('main').getByRole('region', { name, exact: true });
    const choose = async (of: string, label: string, option: string) => {
      await card(of).getByRole('combobox', { name: label }).click();
      await page.getByRole('option', { name: option, exact: true }).click();
    };
    const order = 'Colour order from fills';
    await choose(order, 'The order that is set now', 'RGB');
    await choose(order, 'Red is sent', 'Green');
    await choose(order, 'Green is sent', 'Red');
    await expect(card(order).getByRole('status')).toContainText(
      'The chips take GRB: set GRB where RGB is set now',
    );
    await choose(order, 'Green is sent', 'Dark');
    await expect(card(order).getByRole('status')).toContainText('Green lights nothing');
    // 50 lights of at most 63, in six looks.
    const count = card('How many lights are there?');
    await fill(page, 'There are no more than', '63');
    for (let looks = 0; looks < 10; looks += 1) {
      const asked = count.getByText(/^Light \d+ alone/);
      if ((await asked.count()) === 0) break;
      const light = Number(/\d+/.exec(await asked.innerText())![0]);
      await count.getByRole('button', { name: light <= 50 ? 'It is lit' : 'It stays dark' }).click();
    }
    await expect(count.getByRole('status')).toContainText('50 lights, found in 6 looks. 560 are planned.');
    await fill(page, 'The first dark light', '57');
    await expect(card('Dark from here on').getByRole('status')).toContainText(
      'joint between lights 56 and 57',
    );
    const plugs = card('Which plug is where?');
    await plugs.getByLabel('B1: Net curtain run 1').fill('2');
    await plugs.getByLabel('B1: Net curtain run 1').press('Enter');
    const other = plugs.getByLabel(/^B2:/);
    await other.fill('1');
    await other.press('Enter');
    await expect(plugs.getByRole('status')).toContainText('Exchange plugs: B1 with B2.');
    await fill(page, 'The first lights, one after another', 'RW, B, G, RW, B');
    await expect(card('Colours change along the string').getByRole('status')).toContainText(
      '3 channels a light are set and the chips take 4',
    );
    await choose('Bands on a fill of red', 'Second band', 'Blue');
    await expect(card('Bands on a fill of red')).toContainText('The device counts more channels');
    await fill(page, 'Lights that work', '49');
    await card('Into stock').getByRole('button', { name: 'Keep it as S1' }).click();
    await expect(card('Into stock').getByRole('list', { name: 'In stock' })).toContainText(
      'S1 string, 49 lights',
    );
    await expect(card('Into stock').getByRole('button', { name: 'Keep it as S2' })).toBeDisabled();
    await openAt(page, id, 'test/prop/score-wall?sheet=quick-checks');
    await page.getByLabel('Label of the panel 1 across, 1 down').fill('1.2');
    await page.getByLabel('Label of the panel 2 across, 1 down').fill('1.1');
    await expect(card('Labels on panels').getByRole('status')).toContainText('exchanged with the panel');
  },
);

test(
  'a practice round is won and scored, and what was played is kept',
  { tag: '@full' },
  async ({ page }) => {
    // The first display whose fault stands in the list by its sentence.
    const level = LEVELS[1]!;
    const seed = Array.from({ length: 60 }, (_, i) => i + 1).find(
      (each) => !('place' in roundOf(level, each).hidden[0]!),
    )!;
    const round = roundOf(level, seed);
    await page.goto('/');
    await page.getByRole('link', { name: 'Practise' }).click();
    await expect(page.getByRole('button', { name: /Two at once/ })).toContainText('Not played yet');
    await page.goto(`/practice?level=${level.level}&seed=${seed}`);
    const seen = page.getByRole('region', { name: 'What was seen' });
    await expect(seen.getByRole('status')).toContainText('1 thing the matter.');
    await page.getByRole('region', { name: 'Tests' }).getByRole('button', { name: 'Its lamp' }).click();
    await expect(seen.getByRole('article')).toContainText('As planned.');
    const mend = page.getByRole('region', { name: 'Mend' });
    const choose = async (words: string) => {
      await mend.getByRole('combobox', { name: 'It is this' }).fill(words);
      await page.getByRole('option', { name: words }).click();
      await mend.getByRole('button', { name: 'Mend it' }).click();
    };
    await choose('Quay box has no power: its supply is off, unplugged or tripped.');
    await expect(seen).toContainText(
      'That was not the matter: Quay box has no power: its supply is off, unplugged or tripped.',
    );
    await choose(sentenceOf(round.plan, round.hidden[0]!));
    await expect(seen.getByRole('status')).toContainText('All of it is as planned.');
    await expect(seen).toContainText('Mended and not the matter: 1 thing: -15');
    await seen.getByRole('button', { name: 'Next step' }).click();
    await expect(seen).toContainText(/Step 2 of \d+/);
    await page.getByRole('button', { name: 'All levels' }).click();
    await expect(page.getByRole('button', { name: new RegExp(level.name) })).toContainText('1 found · best');
  },
);
