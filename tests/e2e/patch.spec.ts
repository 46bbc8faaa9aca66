import type { Page } from '@playwright/test';
import { DEMO, demoShow, expect, fill, openAt, saving, test } from './lantern';

const unplugged = { patch: [] };

async function dragOnto(page: Page, from: string, to: string): Promise<void> {
  const chip = (await page.getByRole('button', { name: from, exact: true }).last().boundingBox())!;
  const bar = (await page.getByTestId(to).boundingBox())!;
  await page.mouse.move(chip.x + 12, chip.y + chip.height / 2);
  await page.mouse.down();
  await page.mouse.move(chip.x + 30, chip.y + chip.height / 2 + 8, { steps: 4 });
  await page.mouse.move(bar.x + bar.width / 2, bar.y + bar.height / 2, { steps: 8 });
}

test('ports are proposed for everything, taken, and taken back', async ({ page, request }) => {
  const id = await demoShow(request, unplugged);
  await openAt(page, id, 'patch?sheet=propose');
  await page.getByRole('button', { name: 'Propose ports' }).click();
  await expect(page.getByTestId('proposal')).toContainText('ports in use then');
  const rows = await page.getByTestId('proposed').getByRole('row').count();
  expect(rows).toBeGreaterThan(15);
  await page.getByRole('button', { name: 'Put them there' }).click();
  await expect(page.getByText('Every run is on a port')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/runs on no port/)).toBeVisible();
});

test('a run that no port takes is split as proposed', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request, unplugged);
  await openAt(page, id, 'patch?sheet=propose');
  await fill(page, 'Pictures a second', '120');
  await page.getByRole('button', { name: 'Propose ports' }).click();
  await expect(page.getByText(/Net curtain run 1 has 280 pixels, and no port takes more than/)).toBeVisible();
  await page.getByRole('button', { name: 'Split it into 3' }).first().click();
  await expect(saving(page)).toHaveText('rev 2 · saved');
});

test('a run is dragged with its effect in sight, and carried by keyboard', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'patch');
  await dragOnto(page, 'Pier railing run 1', 'port-A4');
  await expect(page.getByText(/3 runs moved, \d+ values to type/)).toBeVisible();
  await page.mouse.up();
  await expect(page.getByTestId('port-A4')).toContainText('Pier railing run 1');
  const chip = page.getByTestId('port-A4').getByRole('button', { name: 'Pier railing run 1' });
  await chip.focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(150);
  await page.keyboard.press('ArrowDown');
  await page.waitForTimeout(150);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('port-A5')).toContainText('Pier railing run 1');
  await expect(saving(page)).toHaveText('rev 2 · saved');
});

test(
  'a mend says what it would move, and a port has universes of its own',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'patch/port/B2');
    await page.getByRole('button', { name: 'Put on A4' }).hover();
    await expect(page.getByRole('tooltip')).toContainText('Winch house edge 1 no address →');
    await expect(page.getByTestId('port-B2')).toContainText('U12–U15');
    await page.getByRole('combobox', { name: 'A new universe begins' }).click();
    await page.getByRole('option', { name: 'with each run' }).click();
    // 280 RGB pixels fill one universe and begin another; 146 have one of their own.
    await expect(page.getByTestId('port-B2')).toContainText('U13–U15');
    await expect(saving(page)).toHaveText('rev 1 · saved');
  },
);

test('ports are swapped and reserved', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'patch/port/A1');
  await page.getByRole('combobox', { name: 'Swap everything on it with' }).click();
  await page.getByRole('option', { name: /^A3 ·/ }).click();
  await expect(page.getByTestId('port-A1')).toContainText('Gangway edge');
  await expect(page.getByTestId('port-A3')).toContainText('Pier railing run 1');
  await page.getByRole('switch', { name: /^Reserved/ }).click();
  await expect(saving(page)).toHaveText('rev 2 · saved');
});

test(
  'addresses are pinned, spared and moved on the ruler by keyboard',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'patch/prop/gangway-edge/run/1');
    await expect(page.getByTestId('side-by-side')).toContainText('Show channel');
    await page.getByRole('switch', { name: /^Keep its addresses fixed/ }).click();
    await expect(page.getByText('U2 ch 157', { exact: true }).first()).toBeVisible();
    const before = await page.getByTestId('ruler-selection').textContent();
    // The run before it grows: the pinned run stays.
    await openAt(page, id, 'build/prop/pier-railing');
    await page.getByLabel('Pixels', { exact: true }).first().fill('40');
    await page.getByLabel('Pixels', { exact: true }).first().press('Enter');
    await openAt(page, id, 'patch/prop/gangway-edge/run/1');
    await expect(page.getByTestId('ruler-selection')).toHaveText(before!);
    await page.getByTestId('ruler').focus();
    await page.keyboard.press('Alt+ArrowRight');
    await expect(page.getByTestId('ruler-selection')).toContainText('U2 ch 161');
    // Unlocked, it follows on after the railing, which has six pixels less now.
    await page.keyboard.press('p');
    await expect(page.getByTestId('ruler-selection')).toHaveText('U2 ch 139 → U3 ch 304');
  },
);

test('policies are compared, and one is taken', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'patch?sheet=policies');
  await expect(page.getByTestId('policies').getByRole('row')).toHaveCount(17);
  await page
    .getByRole('row', { name: /^full 512, a new universe per port(?!,)/ })
    .getByRole('button', { name: 'Use this' })
    .click();
  await expect(page.getByRole('row', { name: /^full 512, a new universe per port(?!,)/ })).toContainText(
    'in use',
  );
});

test(
  'a prop grows in the middle of the season: what moves is shown, chosen, noted and ticked off',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request, {
      addressing: { ...DEMO.addressing, askBeforeMoving: true },
    });
    await openAt(page, id, 'build/prop/gangway-edge');
    await page.getByLabel('Length', { exact: true }).first().fill('2.6 m');
    await page.getByLabel('Length', { exact: true }).first().press('Enter');
    const dialog = page.getByTestId('foresight');
    await expect(dialog).toContainText('go to Pier box');
    await dialog.getByText(/^Tidy/).click();
    await expect(dialog.getByTestId('moved')).toContainText('Gangway edge 1');
    await page.getByRole('button', { name: 'Leave it as it is' }).click();
    await expect(saving(page)).toHaveText('rev 0 · saved');

    // A prop that lies before others: two ways, and the least change leaves the others alone.
    await openAt(page, id, 'build/prop/bollard-rings');
    await page.getByLabel('Pixels', { exact: true }).first().fill('30');
    await page.getByLabel('Pixels', { exact: true }).first().press('Enter');
    await expect(dialog).toBeVisible();
    const least = await dialog.getByTestId('values').getByRole('row').count();
    await dialog.getByText(/^Tidy/).click();
    const tidy = await dialog.getByTestId('values').getByRole('row').count();
    expect(least).toBeLessThan(tidy);
    await dialog.getByText(/^Least change/).click();
    await page.getByRole('button', { name: 'Do it, and note the values' }).click();
    await expect(saving(page)).toHaveText('rev 1 · saved');
    await openAt(page, id, 'patch?sheet=values');
    await expect(page.getByRole('button', { name: `Values to type · ${least - 1}` })).toBeVisible();
    await page.getByRole('checkbox', { name: /F1 pixels: 60 → 66/ }).click();
    await expect(page.getByText(/1 typed/)).toBeVisible();
    await page.getByRole('button', { name: 'Put away what is typed' }).click();
    await expect(page.getByRole('button', { name: `Values to type · ${least - 2}` })).toBeVisible();
  },
);

test('what a device holds is compared with the plan, with symptom and mend', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'patch?sheet=found');
  // Nothing is as planned until somebody looked.
  await expect(page.getByRole('button', { name: 'Compare', exact: true })).toBeDisabled();
  await page.getByLabel('A3 pixels').fill('150');
  await page.getByLabel('A3 pixels').press('Enter');
  await expect(page.getByLabel('A4 pixels')).toBeFocused();
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(page.getByTestId('differences').getByRole('row')).toHaveCount(2);
  await page.getByText('Paste or load').click();
  // The first port has a hidden pixel, and this device lists all that it clocks out.
  await page.getByRole('switch', { name: 'Its count of pixels includes the hidden ones' }).click();
  await page
    .getByLabel('What it lists')
    .fill('port,universe,channel,pixels,colour order\n1,1,1,112,RGB\n2,1,335,111,RGB\n3,2,157,150,GRBW');
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(page.getByTestId('differences')).toContainText('colours rotate');
  await expect(page.getByTestId('differences')).toContainText('the last 19 pixels stay dark');
  await expect(page.getByTestId('differences').getByRole('row')).toHaveCount(3);
  await page.getByLabel('What it lists').fill('port,pixels\n1,many');
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(page.getByText(/Line 2: pixels “many”/)).toBeVisible();
  await page.reload();
  await expect(page.getByTestId('differences')).toContainText('the last 19 pixels stay dark');
});

test(
  'the network says who can be reached, and the kind of a controller brings its limits',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'patch?sheet=network');
    await page.getByLabel('Address of Pier box', { exact: true }).fill('10.41.0.21');
    await page.getByLabel('Address of Pier box', { exact: true }).press('Enter');
    await expect(page.getByTestId('address-book')).toContainText(
      'give it an address that begins with 10.40.0',
    );
    await page.getByLabel('Address of Pier box', { exact: true }).fill('10.41.0.999');
    await page.getByLabel('Address of Pier box', { exact: true }).press('Enter');
    await expect(page.getByText(/Four numbers from 0 to 255/)).toBeVisible();
    await openAt(page, id, 'patch/controller/yard-box');
    await page.getByRole('button', { name: 'Change this kind…' }).click();
    await fill(page, 'Universes', '2');
    await page.keyboard.press('Escape');
    await expect(page.getByText(/Yard box needs 4 universes, and takes 2/)).toBeVisible();
  },
);
