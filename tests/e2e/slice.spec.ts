import fs from 'node:fs';
import { DEMO, demoShow, expect, fill, openAt, saving, test, addProp } from './lantern';

test('from a changed count to the addresses, on screen and as a file', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build/prop/net-curtain');
  await expect(page.getByTestId('ruler-selection')).toHaveText('U11 ch 7 → U14 ch 150');

  // Build: two columns more are 56 pixels more.
  await fill(page, 'Columns', '22');
  await expect(page.getByTestId('prop-net-curtain')).toContainText('22 × 28 px');
  await expect(saving(page)).toHaveText('rev 1 · saved');

  // Thread: from the other corner, in one run.
  await page.getByRole('button', { name: 'Route it' }).click();
  await expect(page).toHaveURL(/\/route\/prop\/net-curtain$/);
  await page.getByRole('radio', { name: 'top right' }).click();
  await page.getByText('Straight', { exact: true }).click();
  await fill(page, 'Runs', '1');
  await expect(saving(page)).toHaveText('rev 4 · saved');
  await expect(page.getByText('616 px').first()).toBeVisible();

  // 616 pixels and 2 skipped ones on a port for 512: the finding says so, and splits it again.
  await page.getByRole('button', { name: 'Put it on a port' }).click();
  await expect(page.getByTestId('port-B1')).toContainText('618 px');
  await page.getByRole('button', { name: 'Split Net curtain into 2 runs' }).click();
  await expect(page.getByTestId('port-B1')).toContainText('310 px');
  await expect(page.getByTestId('port-B2')).toContainText('Net curtain run 2');

  // Patch: onto another port, by the list on the right.
  await page.getByRole('button', { name: 'Net curtain run 2' }).click();
  await page.getByRole('combobox', { name: 'Run 2' }).click();
  await page.getByRole('option', { name: /^B3/ }).click();
  await expect(page.getByTestId('port-B3')).toContainText('Net curtain run 2');
  await expect(saving(page)).toHaveText('rev 6 · saved');

  // The file says the same as the screen.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    (async () => {
      await page.getByRole('button', { name: 'Files' }).click();
      await page.getByRole('menuitem', { name: /one line a pixel/ }).click();
    })(),
  ]);
  const lines = fs
    .readFileSync(await download.path(), 'utf8')
    .trim()
    .split('\r\n');
  expect(lines[0]).toBe(
    'prop,run,pixel in run,port,chain position,universe,channel,show channel,x mm,y mm,z mm',
  );
  const pixels = lines.filter((line) => line.startsWith('Net curtain,2,'));
  expect(pixels).toHaveLength(308);
  expect(pixels[0]).toContain('Net curtain,2,1,B3,1,');
  await page.goto(`/shows/${id}/route/prop/net-curtain/run/2/pixel/1`);
  const [, , , , , universe, channel] = pixels[0]!.split(',');
  await expect(page.getByTestId('callout')).toContainText(`U${universe} ch ${channel}–`);
});

test('undo and redo bring everything back, also after a reload', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build/prop/net-curtain');
  await fill(page, 'Rows', '30');
  await fill(page, 'Columns', '10');
  await expect(saving(page)).toHaveText('rev 2 · saved');
  await page.reload();
  await expect(page.getByTestId('prop-net-curtain')).toContainText('10 × 30 px');
  await page.getByTestId('picture').click({ position: { x: 5, y: 300 } });
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('prop-net-curtain')).toContainText('20 × 30 px');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('prop-net-curtain')).toContainText('20 × 28 px');
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByTestId('prop-net-curtain')).toContainText('20 × 30 px');
  expect(await (await request.get(`/api/shows/${id}/history`)).json()).toMatchObject({
    changes: [{ kind: 'edit' }, { kind: 'edit' }, { kind: 'undo' }, { kind: 'undo' }, { kind: 'redo' }],
  });
});

test('a builder starts from nothing', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Name of the new show').fill('Test of the boathouse');
  await page.getByRole('button', { name: 'Start the show' }).click();
  await expect(page.getByRole('heading', { name: 'What do you want to light?' })).toBeVisible();
  await addProp(page, /^Measured line/);
  await fill(page, 'Name', 'Roof edge');
  await fill(page, 'Length', '3 ft 6 in');
  await expect(page.getByLabel('Length', { exact: true })).toHaveValue('1.067 m');
  await page.getByText('Spacing', { exact: true }).click();
  await fill(page, 'Pixel spacing', '1 in');
  await expect(page.locator('[data-testid^=prop-measured-line-]')).toContainText('Roof edge');
  await expect(page.locator('[data-testid^=prop-measured-line-]')).toContainText('42 px');
  await page.getByRole('button', { name: 'Add a leg' }).click();
  await expect(page.locator('[data-testid^=prop-measured-line-]')).toContainText('2 × 42 px');

  await page.getByRole('button', { name: /Patch/ }).click();
  await page.getByRole('button', { name: 'Add a controller', exact: true }).click();
  await page.getByRole('menuitem', { name: /^4 ports, Ethernet/ }).click();
  await fill(page, 'First universe', '40');
  await page.locator('[data-testid^=prop-measured-line-]').click();
  await page.getByRole('button', { name: 'Put on A1' }).click();
  await expect(page.getByTestId('ruler-selection')).toHaveText('U40 ch 1 → U40 ch 252');
});

test('runs are dragged from port to port, and off', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'patch');
  const drag = async (name: string, to: { x: number; y: number }) => {
    const from = (await page.getByRole('button', { name, exact: true }).boundingBox())!;
    await page.mouse.move(from.x + 10, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(from.x + 20, from.y + 20, { steps: 3 });
    await page.mouse.move(to.x, to.y, { steps: 8 });
    await page.mouse.up();
  };
  const middle = async (testId: string) => {
    const box = (await page.getByTestId(testId).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  await drag('Winch house edge', await middle('port-A5'));
  await expect(page.getByTestId('port-A5')).toContainText('Winch house edge');
  await expect(page.getByTestId('port-A5')).toContainText('66 px');

  // Dropped on another run, it goes before it.
  const railing = (await page.getByRole('button', { name: 'Pier railing run 2' }).boundingBox())!;
  await drag('Winch house edge', { x: railing.x + 30, y: railing.y + 10 });
  await expect(page.getByTestId('port-A2')).toContainText(/Winch house edge.*Pier railing run 2/);

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByTestId('port-A5')).toContainText('Winch house edge');
});

test('the demo show is sound and shows every kind of prop and controller', async ({ request }) => {
  const response = await request.post('/api/plan', { data: DEMO });
  const plan = await response.json();
  expect(plan.findings.map((finding: { check: string }) => finding.check)).toEqual([
    'starved-pixels',
    'screen-frame',
    'screen-link',
    'run-on-no-port',
  ]);
  expect(new Set(DEMO.props.map((prop) => prop.kind))).toEqual(
    new Set(['line', 'ring', 'tree', 'grid', 'wall', 'tile', 'craft', 'freeform', 'screen']),
  );
  expect(new Set(DEMO.controllers.map((controller) => controller.protocol))).toEqual(
    new Set(['e131', 'artnet', 'ddp']),
  );
});
