import type { Locator, Page } from '@playwright/test';
import { addProp, demoShow, expect, fill, openAt, test } from './lantern';

/** Presses of the mouse; what is typed is not counted. */
class Mouse {
  clicks = 0;
  async on(target: Locator): Promise<void> {
    await target.click();
    this.clicks += 1;
  }
}

/** Said by the test run, so that a figure is read and not guessed. */
function tell(what: string, count: number, goal: number, unit: string): void {
  console.log(`${what}: ${count} ${unit}, at most ${goal} wanted`);
  expect(count).toBeLessThanOrEqual(goal);
}

const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name });

test(
  'a porch of one eave and two windows, from the start page to its channel map',
  { tag: '@full' },
  async ({ page }) => {
    const mouse = new Mouse();
    await page.goto('/');
    await page.getByLabel('Name of the new show').fill('Porch');
    await mouse.on(button(page, /^The edge of a roof/));
    await fill(page, 'Length', '7 m');
    const kinds = page.getByRole('list', { name: 'Kinds of props' });
    for (const width of ['90 cm', '1.1 m']) {
      await mouse.on(button(page, 'Add a prop'));
      await mouse.on(kinds.getByRole('button', { name: /^Window frame/ }));
      await kinds.waitFor({ state: 'hidden' });
      await mouse.on(button(page, 'Make it a frame…'));
      await fill(page, 'Pixels of the string', '50');
      await fill(page, 'Width', width);
      await mouse.on(button(page, 'Replace the legs'));
    }
    await mouse.on(button(page, /^3 Patch/));
    for (const port of ['A2', 'A3']) await mouse.on(button(page, `Put on ${port}`).first());
    await mouse.on(button(page, 'Files'));
    const [map] = await Promise.all([
      page.waitForEvent('download'),
      mouse.on(page.getByRole('menuitem', { name: /one line a pixel/ })),
    ]);
    const lines = (await (await map.createReadStream()).toArray()).join('').trim().split(/\r?\n/);
    // 7 m at 33.3 mm hold 210 pixels, and each window is a string of 50.
    expect(lines).toHaveLength(1 + 210 + 50 + 50);
    tell('porch to its channel map', mouse.clicks, 20, 'clicks');
  },
);

test('a wall, from the start page to the drawing that it is wired by', async ({ page }) => {
  const mouse = new Mouse();
  await page.goto('/');
  await mouse.on(button(page, /^A wall of panels/));
  await fill(page, 'Panels across', '6');
  await fill(page, 'Panels down', '5');
  await expect(page.getByText('1.92 m × 800 mm').first()).toBeVisible();
  await mouse.on(page.getByRole('radio', { name: /IN at the right/ }));
  await mouse.on(button(page, 'Route it'));
  await expect(page.getByTestId('wall-back')).toBeVisible();
  tell('wall to its drawing', mouse.clicks, 5, 'clicks');
  // 384 by 160 pixels of 3 channels are 360 full universes.
  await expect(page.locator('[data-testid^=prop-panel-wall]')).toContainText('6 × 5 panels');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder(/A3 17/).fill('ch 184320');
  await expect(page.getByRole('dialog')).toContainText('Panel wall');
});

test('the score board: its chains, its universes by either packing', { tag: '@full' }, async ({ page }) => {
  await page.goto('/');
  await button(page, /^A wall of panels/).click();
  await fill(page, 'Panels across', '6');
  await fill(page, 'Panels down', '5');
  // At the left seen from the back is at the right seen from the front.
  await page.getByRole('radio', { name: /IN at the left/ }).click();
  await button(page, 'Route it').click();
  await button(page, 'Put several lines on an output, zigzag').click();
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  await expect(facts).toContainText('Longest chain12 panels');
  for (const chain of ['1 · 12', '2 · 12', '3 · 6']) await expect(button(page, chain)).toBeVisible();
  // Rows run 12, 12, 6: every other one is turned.
  await expect(facts).toContainText('Turned panels12');
  await button(page, /^3 Patch/).click();
  await expect(page.getByTestId('port-A1')).toContainText('U1–U362');
  await page.getByRole('combobox', { name: 'Channels per universe' }).first().click();
  await page.getByRole('option', { name: /^Full 512/ }).click();
  await expect(page.getByTestId('port-A1')).toContainText('U1–U360');
});

test('a pixel by its universe and channel, by keys alone', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  const keys = ['Control+k', ...'u11 7', 'Enter'];
  for (const key of keys) await page.keyboard.press(key === ' ' ? 'Space' : key);
  await expect(page.getByTestId('pixel-title')).toHaveText('Pixel 1 of run 1');
  tell('a pixel by universe and channel', keys.length, 10, 'keys');
});

/** The beacon tree of 20 strands of 45, from the start page to two chains of ten strands on a 16-port controller of 512 pixels a port. */
async function beaconTree(page: Page): Promise<void> {
  await page.goto('/');
  await button(page, /^A tree/).click();
  await page.getByText('Full 360°', { exact: true }).click();
  await fill(page, 'Strands', '20');
  await fill(page, 'Pixels a strand', '45');
  await fill(page, 'Hole to hole', '1 in');
  await fill(page, 'A pixel in every', '3');
  await fill(page, 'Bare holes, top', '4');
  await fill(page, 'Bare holes, foot', '2');
  await fill(page, 'Base diameter', '2.4 m');
  await fill(page, 'Top diameter', '300 mm');
  await page.getByText('By the strip', { exact: true }).click();
}

/** The usual controller of a first step takes 900 on one port; one of 512 does not. */
async function onTwoPorts(page: Page): Promise<void> {
  await button(page, /^3 Patch/).click();
  await page
    .getByRole('region', { name: 'Controller A' })
    .getByRole('button', { name: /^Controller A/ })
    .click();
  await fill(page, 'Most pixels a port', '512');
  await button(page, 'Split Tree into 2 runs').click();
  await button(page, /^Put on A2/).click();
  for (const port of ['A1', 'A2']) await expect(page.getByTestId(`port-${port}`)).toContainText('450 px');
}

test('the beacon tree: from its strip to stakes, ports and addresses', { tag: '@full' }, async ({ page }) => {
  await beaconTree(page);
  const facts = page.getByRole('complementary', { name: 'Settings and facts' });
  // 44 * 3 gaps between the pixels and 6 bare ones: 138 * 25.4 mm, and a height of sqrt(3.505^2 - 1.05^2).
  await expect(facts).toContainText('3.505 m');
  await expect(facts).toContainText('3.344 m');
  await button(page, 'Setting out').click();
  const stakes = page.getByTestId('setting-out');
  await expect(stakes.getByRole('row')).toHaveCount(21);
  await expect(stakes.getByRole('row').nth(1)).toContainText('375');
  await expect(stakes.getByRole('row').nth(1)).toContainText('377');
  await onTwoPorts(page);
});

test('the beacon tree found wrong: a count, a packing, a colour order', async ({ page }) => {
  await beaconTree(page);
  await onTwoPorts(page);
  await button(page, 'Compare with devices').click();
  const found = page.getByTestId('differences');
  await page.getByLabel('A2 pixels').fill('440');
  await page.getByLabel('A2 colour order').fill('GRB');
  await fill(page, 'Channels a universe', '512');
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(found).toContainText('the last 10 pixels stay dark');
  await expect(found).toContainText('colours rotate from the second');
  await expect(found).toContainText('red shows as green and green shows as red');
});

test('a half tree with a universe for each strand', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request, {
    props: [],
    patch: [],
    controllers: [],
    // The kinds of the demo show have figures of their own.
    controllerTypes: [],
    tasks: [],
    site: undefined,
  });
  await openAt(page, id, 'build');
  await addProp(page, /^Tree/);
  await fill(page, 'Strands', '13');
  await fill(page, 'Pixels a strand', '40');
  await fill(page, 'Base diameter', '3.6 m');
  await button(page, 'Setting out').click();
  const first = page.getByTestId('setting-out').getByRole('row').nth(1);
  // 12 gaps of 15 degrees on a radius of 1.8 m: 2 * 1.8 * sin(7.5 degrees), and 1.8 * pi / 12.
  await expect(first).toContainText('470');
  await expect(first).toContainText('471');
  await button(page, /^2 Route/).click();
  await fill(page, 'Runs', '13');
  await button(page, /^3 Patch/).click();
  await addController(page, /^16 ports, Ethernet/);
  await button(page, 'Propose').click();
  await page.getByText('Even load', { exact: true }).click();
  await button(page, 'Propose ports').click();
  await button(page, 'Put them there').click();
  await expect(page.getByText('Every run is on a port')).toBeVisible();
  await page.getByRole('button', { name: 'Ports', exact: true }).click();
  await page.getByRole('navigation', { name: 'Props' }).getByRole('button', { name: 'Tree' }).click();
  await page.getByRole('combobox', { name: 'Channels per universe' }).click();
  await page.getByRole('option', { name: 'A size of your own' }).click();
  await fill(page, 'Channels in each', '120');
  await page.getByRole('combobox', { name: /^A new universe/ }).click();
  await page.getByRole('option', { name: 'with each strand' }).click();
  await button(page, /^Values to type/).click();
  const device = page.getByRole('region', { name: 'Controller A' });
  await expect(device.getByRole('row', { name: /^Channels a universe/ })).toContainText('120');
  for (const [port, start] of [
    ['A2', '121'],
    ['A3', '241'],
    ['A13', '1,441'],
  ] as const)
    await expect(device.getByRole('row', { name: new RegExp(`^${port} `) })).toContainText(start);
});

/** A show without anything, opened at its first screen. */
async function startShow(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Name of the new show').fill(name);
  await page.getByLabel('Name of the new show').press('Enter');
  await expect(page.getByRole('heading', { name: 'What do you want to light?' })).toBeVisible();
}

async function addController(page: Page, kind: RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Add a controller', exact: true }).click();
  await page.getByRole('menuitem', { name: kind }).click();
}

test('an awning with white on a Wi-Fi node, its first pixel hidden', { tag: '@full' }, async ({ page }) => {
  await startShow(page, 'Awning');
  await addProp(page, /^Measured line/);
  await fill(page, 'Name', 'Awning');
  await fill(page, 'Pixels', '180');
  await page.getByRole('combobox', { name: 'Pixel type' }).click();
  await page.getByRole('option', { name: /^5 V strip with white/ }).click();
  await button(page, /^3 Patch/).click();
  await addController(page, /^Wi-Fi microcontroller, 2 pins/);
  await page.locator('[data-testid^=prop-measured-line]').click();
  await button(page, 'Put on A1').click();
  await fill(page, 'Skipped before it', '1');
  // The hidden pixel stands apart: 180 is the count to type.
  await expect(page.getByTestId('port-A1')).toContainText('180 px');
  await expect(page.getByTestId('port-A1').getByTitle('1 skipped pixel before it')).toBeVisible();
  await expect(page.getByTestId('port-A1')).toContainText('U1–U2');
  await button(page, 'Values to type').click();
  const device = page.getByRole('region', { name: 'Controller A' });
  // Boards of this kind count pixels: 128 of four channels fill a universe.
  await expect(device.getByRole('row', { name: /^Channels a universe/ })).toContainText('whole pixels');
  const port = device.getByRole('row', { name: /^A1/ });
  for (const value of ['180', '181']) await expect(port).toContainText(value);
});

test('two shelves on one node by DDP: where the second one begins', { tag: '@full' }, async ({ page }) => {
  await startShow(page, 'Shelves');
  for (const name of ['Upper shelf', 'Lower shelf']) {
    await addProp(page, /^Measured line/);
    await fill(page, 'Name', name);
    await fill(page, 'Pixels', '350');
  }
  await button(page, /^3 Patch/).click();
  await addController(page, /^4 ports, Ethernet/);
  await page.getByRole('combobox', { name: 'Protocol' }).click();
  await page.getByRole('option', { name: 'DDP' }).click();
  for (const [name, port] of [
    ['Upper shelf', 'A1'],
    ['Lower shelf', 'A2'],
  ] as const) {
    await page.getByRole('navigation', { name: 'Props' }).getByRole('button', { name }).click();
    // Findings are those of the whole show, in the order of its props.
    await button(page, `Put on ${port}`).first().click();
    await expect(page.getByTestId(`port-${port}`)).toContainText('350 px');
  }
  await button(page, 'Values to type').click();
  const device = page.getByRole('region', { name: 'Controller A' });
  await expect(device.getByRole('row', { name: /^Bytes/ })).toContainText('2,100');
  // 350 pixels of three bytes are before it.
  const second = device.getByRole('row', { name: /^A2/ });
  for (const value of ['1,050', '350', '699']) await expect(second).toContainText(value);
});
