import { screen } from '@/core/props/screen';
import { screenShapeSchema } from '@/core/screens/shape';
import { fromBack, IndexWalk } from '@/core/screens/indexWalk';
import type { Show } from '@/core/show/schema';
import { reachProblems } from './walk';
import { addProp, demoShow, expect, fill, keptShow, openAt, saving, test } from './lantern';

test('the club screen, from its diagonal to the numbers to type', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  await addProp(page, /^Screen backlight/);
  await fill(page, 'Diagonal', '43');
  await fill(page, 'Inside the edge', '20 mm');
  await fill(page, 'Pixels a metre', '60');
  await page.getByRole('switch', { name: 'A stand parts the bottom' }).click();
  await fill(page, 'Gap', '180 mm');
  await page.getByLabel('Data begins at, seen from the front').click();
  await page.getByRole('option', { name: 'middle of the bottom' }).click();
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  await expect(facts).toContainText('951.9 mm × 535.5 mm');
  await expect(facts).toContainText('Pixels154');
  // From the back it runs the other way.
  await page.getByText('From the back', { exact: true }).click();
  await expect(page.getByRole('radio', { name: 'Counter-clockwise' })).toBeChecked();
  await page.getByText('Seen from the front', { exact: true }).click();
  await page.getByRole('button', { name: 'Strip and cuts' }).click();
  await expect(page.getByTestId('cuts')).toContainText('366');
  await page.getByRole('button', { name: 'Numbers to type' }).click();
  await expect(page.getByTestId('numbers').getByRole('row', { name: /First light/ })).toContainText('104');
  await page.getByRole('button', { name: 'Lag', exact: true }).click();
  await expect(page.getByRole('main')).toContainText('49.2');
  await page.getByRole('button', { name: 'Zones', exact: true }).click();
  await expect(page.getByRole('img', { name: /154 zones/ })).toBeVisible();
  await page.getByRole('button', { name: 'Preview', exact: true }).click();
  // The glow moves, and is worked out in time.
  await expect(page.getByRole('main')).toContainText(/154 lights took [\d.]+ ms a picture of 320 × 180/);
  await page.getByLabel('What the screen shows').click();
  await page.getByRole('option', { name: 'Corners' }).click();
  const corner = () =>
    page.getByTestId('screen-preview').evaluate((canvas: HTMLCanvasElement) => {
      const at = [canvas.width * 0.14, canvas.height * 0.13] as const;
      return [...canvas.getContext('2d')!.getImageData(at[0], at[1], 1, 1).data.slice(0, 3)];
    });
  // The wall at the top left is red.
  await expect
    .poll(async () => {
      const [red, green, blue] = await corner();
      return red! > 40 && red! > 2 * green! && red! > 2 * blue!;
    })
    .toBe(true);
  await expect(saving(page)).toContainText('saved');
  const kept = (await keptShow(request, id)).props.find(({ kind }) => kind === 'screen')!;
  const answer = await request.post('/api/screen/zones', { data: { shape: kept.shape } });
  const { zones } = (await answer.json()) as { zones: { index: number; x0: number }[] };
  expect(zones).toHaveLength(154);
  expect(zones[0]!.index).toBe(0);
  const shape = screenShapeSchema.parse(kept.shape);
  for (const [bad, words] of [
    [{ ...shape, insetMm: 900 }, /inset/],
    [{ ...shape, size: { by: 'diagonal', diagonalMm: 0, aspectWidth: 16, aspectHeight: 9 } }, /diagonal/],
  ] as const) {
    const refused = await request.post('/api/screen/zones', { data: { shape: bad } });
    expect(refused.status()).toBe(422);
    expect(JSON.stringify(await refused.json())).toMatch(words);
  }
});

test('how a screen is wired is found in a few looks, seen from behind, and becomes the settings', async ({
  page,
  request,
}) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  await addProp(page, /^Screen backlight/);
  await page.getByRole('button', { name: 'Index walk' }).click();
  const main = page.getByRole('main');
  await page.getByRole('switch', { name: 'I stand behind the screen' }).click();
  // Counter-clockwise from the top right, with one light fewer at the top than planned.
  const wired = {
    start: 'topRight',
    startOffset: 0,
    direction: 'counterclockwise',
    hiddenFirst: 0,
    counts: [53, 29, 54, 29],
  } as const;
  const shape = screen.starter().shape;
  for (let looks = 0; looks < 7; looks += 1) {
    await expect(main).toContainText(/ways are left|Found in/);
    if (await main.getByText('Found in').isVisible()) break;
    const items = page.getByRole('list', { name: 'Where is each seen' }).getByRole('listitem');
    const indices = (await items.allInnerTexts()).map((text) => Number(/Index (\d+)/.exec(text)![1]));
    const seen = IndexWalk.shows(shape, wired, indices).map(fromBack);
    for (const [i, where] of seen.entries())
      await items
        .nth(i)
        .getByText(where === 'dark' ? 'not lit' : where, { exact: true })
        .click();
    const before = await main.getByRole('status').innerText();
    await page.getByRole('button', { name: 'That is what I see' }).click();
    await expect(main.getByRole('status')).not.toHaveText(before);
  }
  await expect(main).toContainText('begins at top right and goes counter-clockwise');
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(saving(page)).toContainText('saved');
  const kept = (await keptShow(request, id)).props.find(({ kind }) => kind === 'screen')!;
  expect(kept.shape).toMatchObject({
    start: 'topRight',
    direction: 'counterclockwise',
    installed: { top: 53 },
  });
});

test('axe finds nothing critical or serious on the sheets of a screen, in either theme', async ({
  page,
  request,
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  await addProp(page, /^Screen backlight/);
  const problems: string[] = [];
  for (const label of [
    'Picture',
    'Strip and cuts',
    'Numbers to type',
    'Zones',
    'Preview',
    'Lag',
    'What feeds it',
    'Index walk',
  ]) {
    await page.getByRole('button', { name: label, exact: true }).click();
    await expect(page.getByRole('main').locator('svg, canvas, table, h2').first()).toBeVisible();
    for (const theme of ['dark', 'light']) {
      await page.evaluate(
        (value) => document.documentElement.setAttribute('data-mantine-color-scheme', value),
        theme,
      );
      for (const problem of await reachProblems(page)) problems.push(`${label}, ${theme}: ${problem}`);
    }
  }
  expect(problems).toEqual([]);
});

test('the club screen on a supply of 8 A beside a small computer: how bright it may be', async ({
  page,
  request,
}) => {
  const shape = {
    ...screen.starter().shape,
    standGap: { lengthMm: 180, offsetMm: 0 },
    start: 'bottomMiddle' as const,
  };
  const club = {
    id: 'club',
    name: 'Club screen',
    placeId: 'pier',
    pixelTypeId: 'strip',
    kind: 'screen',
    shape,
    threading: { runs: 1 },
  } as Show['props'][number];
  const strip = { id: 'strip', name: '5 V strip', chip: 'WS2812B', colourOrder: 'GRB', volts: 5, bodyMm: 5 };
  const id = await demoShow(request, {
    props: [club],
    pixelTypes: [strip],
    controllers: [],
    controllerTypes: [],
    patch: [],
    supplies: [],
    tasks: [],
  });
  await openAt(page, id, 'feed?sheet=draw');
  for (const [part, amps] of [
    ['Dark, its chip alone', '0 mA'],
    ['Red, fullest', '20 mA'],
    ['Green, fullest', '20 mA'],
    ['Blue, fullest', '20 mA'],
  ] as const)
    await fill(page, part, amps);
  await page.getByRole('button', { name: 'Supplies', exact: true }).click();
  await page.getByRole('button', { name: 'Add a supply' }).first().click();
  const supply = page.getByRole('region', { name: 'Supply', exact: true });
  await supply.getByRole('button', { name: 'Change it' }).click();
  await supply.getByLabel('Rated for', { exact: true }).fill('8 A');
  await supply.getByLabel('Rated for', { exact: true }).press('Enter');
  await supply.getByRole('button', { name: 'Something else hangs on it…' }).click();
  await expect(supply.getByLabel('It draws', { exact: true })).toHaveValue('2.5 A');
  await openAt(page, id, 'feed/prop/club');
  await page.getByRole('button', { name: 'Bring a lead to it' }).click();
  await page.getByRole('button', { name: 'Brightness' }).click();
  const caps = page
    .getByTestId('supply-caps')
    .getByRole('row', { name: /^Supply/ })
    .nth(1);
  await expect(caps).toContainText('9.24 A at full white');
  const cells = await caps.getByRole('cell').allInnerTexts();
  expect(cells.slice(-2)).toEqual(['42 %', '59 %']);
});
