import { DEMO, demoShow, expect, fill, openAt, saving, test } from './lantern';

test(
  'pixel types are edited for this show, and everything follows',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build/prop/gangway-edge');
    await expect(page.getByText('4 a pixel, GRBW')).toBeVisible();
    await page.getByRole('combobox', { name: 'Pixel type' }).click();
    await page.getByRole('option', { name: 'Edit the show’s pixel types…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Pixel types of this show' });
    const row = dialog.getByRole('row').nth(2);
    await row.getByRole('combobox', { name: 'Colour order' }).click();
    await page.getByRole('option', { name: 'GRB', exact: true }).click();
    await expect(saving(page)).toHaveText('rev 1 · saved');
    await row.getByRole('textbox', { name: 'Volts' }).fill('400');
    await row.getByRole('textbox', { name: 'Volts' }).press('Enter');
    await expect(dialog.getByText('Volts are from 3 to 48; “400” is not.')).toBeVisible();
    await dialog.getByRole('button', { name: 'Remove 5 V strip with white' }).click();
    await expect(page.getByText(/is used by Gangway edge/)).toBeVisible();
    await dialog.getByRole('button', { name: 'Add a type' }).click();
    await page.getByRole('menuitem', { name: '5 V clocked strip, APA102 BGR' }).click();
    await expect(dialog.getByRole('row')).toHaveCount(DEMO.pixelTypes.length + 2);
    await page.keyboard.press('Escape');
    await expect(page.getByText('3 a pixel, GRB')).toBeVisible();
  },
);

test(
  'places are added, renamed and ordered; one with props stays',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build');
    await page.getByRole('button', { name: 'Places on site' }).click();
    const dialog = page.getByRole('dialog', { name: 'Places on site' });
    await dialog.getByRole('button', { name: 'Add a place' }).click();
    await fill(page, `Name of place ${DEMO.places.length + 1}`, 'Harbour wall');
    await dialog.getByRole('button', { name: 'Move Harbour wall up' }).click();
    await dialog.getByRole('button', { name: 'Remove Pier' }).click();
    await expect(
      page.getByText('Pier still holds Pier railing, Gangway edge. Move these props first.'),
    ).toBeVisible();
    await page.keyboard.press('Escape');
    const places = page.getByRole('navigation', { name: 'Props' }).getByRole('region');
    await expect(places).toHaveCount(DEMO.places.length + 1);
    await expect(places.nth(DEMO.places.length - 1)).toHaveAccessibleName('Harbour wall');
  },
);

test('a controller is told what it is, and the addresses follow', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'patch/controller/boathouse-box');
  await fill(page, 'First universe', '100');
  await expect(page.getByTestId('port-B1')).toContainText('U100–U101');
  await fill(page, 'First universe', '64000');
  await expect(
    page.getByText('A universe is a whole number from 1 to 63,999; “64000” is not.'),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  await fill(page, 'Ports', '3');
  await expect(page.getByText(/Port B4 still feeds Loft windows/)).toBeVisible();
  await page.getByRole('combobox', { name: 'Protocol' }).click();
  await page.getByRole('option', { name: 'DDP' }).click();
  await expect(page.getByTestId('port-B1')).toContainText('DDP');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('port-B1')).toContainText('U100–U101');
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByText('5 runs on no port')).toBeVisible();
});

test(
  'the packing of the show is chosen with its consequence in sight',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'patch');
    await page.getByRole('combobox', { name: 'Channels per universe' }).click();
    await page.getByRole('option', { name: 'A size of your own' }).click();
    await fill(page, 'Channels in each', '150');
    await expect(page.getByText('A universe every 150 channels')).toBeVisible();
    // 111 RGB pixels are 333 channels: three universes of 150 begin on the port.
    await expect(page.getByTestId('port-A1')).toContainText('U1–U3');
    await page.getByRole('combobox', { name: 'A new universe begins' }).click();
    await page.getByRole('option', { name: 'with each port', exact: true }).click();
    await expect(page.getByTestId('port-A2')).toContainText('U4–U6');
  },
);

test(
  'skipped pixels and the place behind a port are set beside the run',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'patch/prop/boathouse-gable');
    await expect(page.getByTestId('ruler-selection')).toHaveText('U14 ch 151 → U15 ch 76');
    // 282 + 280 LEDs come before it, and this box counts from 1.
    await expect(page.getByText('563–708')).toBeVisible();
    await expect(page.getByText('type 709')).toBeVisible();
    await fill(page, 'Skipped before it', '3');
    // The boathouse box gives skipped pixels channels: nine more.
    await expect(page.getByTestId('ruler-selection')).toHaveText('U14 ch 160 → U15 ch 85');
    await page.getByRole('combobox', { name: 'Place behind B2' }).click();
    await page.getByRole('option', { name: '1 of 2' }).click();
    await expect(page.getByTestId('port-B2')).toContainText(/Boathouse gable.*Net curtain run 2/);
  },
);

test('the light theme stays, and the show is renamed', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  await page.getByRole('button', { name: 'Light theme' }).click();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', 'light');
  await page.getByRole('button', { name: 'A copy of the night' }).click();
  await page.getByRole('menuitem', { name: 'Rename this show…' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Another night');
  await page.getByRole('button', { name: 'Rename', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Another night' })).toBeVisible();
});

test('a prop is copied, moved and removed, and comes back', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build/prop/loft-windows');
  const choose = async (item: string) => {
    await page.getByRole('button', { name: 'More for this prop' }).click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await choose('Make a copy');
  await expect(page).toHaveURL(/prop\/loft-windows-2-[a-z0-9]{8}$/);
  await choose('Move up in the list');
  await expect(page.getByRole('region', { name: 'Boathouse' }).getByRole('button').nth(2)).toContainText(
    'Loft windows 2',
  );
  await choose('Remove Loft windows 2');
  const copy = page.locator('[data-testid^=prop-loft-windows-2-]');
  await expect(copy).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(copy).toBeVisible();
});

test(
  'a ring is measured, and its way round is said from the side that is seen',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build/prop/lamp-room-ring');
    // A circle of 1,850 mm has 5,811.9 mm; parted by 96 that is 60.5 mm.
    await expect(page.getByText('60.5 mm along it')).toBeVisible();
    await fill(page, 'Pixels', '100');
    await expect(page.getByText('58.1 mm along it')).toBeVisible();
    await expect(page.getByRole('radio', { name: 'Counter-clockwise' })).toBeChecked();
    await page.getByText('From the back').click();
    await expect(page.getByRole('radio', { name: 'Clockwise', exact: true })).toBeChecked();
    await page.getByRole('button', { name: 'Add a ring inside' }).click();
    await expect(page.getByTestId('prop-lamp-room-ring')).toContainText('2 rings, 175 px');
    await fill(page, 'Part of a circle', '400');
    await expect(page.getByText('An arc is from 1° to 360°; “400” is not.')).toBeVisible();
  },
);
