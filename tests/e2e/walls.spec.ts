import fs from 'node:fs';
import { addProp, DEMO, demoShow, expect, fill, openAt, saving, test } from './lantern';

const wall = DEMO.props.find((prop) => prop.id === 'score-wall')!;

test('a wall from panels to what is typed and wired', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  await addProp(page, /^Panel wall/);
  await fill(page, 'Panels across', '4');
  await fill(page, 'Panels down', '6');
  await expect(page.locator('[data-testid^=prop-panel-wall-]')).toContainText('4 × 6 panels');
  await expect(page.getByText('1.28 m × 960 mm').first()).toBeVisible();
  // The back of a panel is asked for once, with a picture of it.
  await expect(page.getByText('Turn a panel over')).toBeVisible();
  await page.getByRole('radio', { name: /IN at the left/ }).click();
  await expect(page.getByText('Turn a panel over')).toBeHidden();
  // Nonsense amps are refused with what is plausible.
  await fill(page, 'At full white', '60 W');
  await expect(page.getByText(/some 2 to 4 A at 5 V/)).toBeVisible();
  await page.getByLabel('At full white').press('Escape');

  await page.getByRole('button', { name: 'Route it' }).click();
  await expect(page.getByTestId('wall-front')).toBeVisible();
  await expect(page.getByTestId('wall-back')).toBeVisible();
  await page.getByRole('button', { name: 'Compare styles' }).click();
  await page
    .getByTestId('chain-schemes')
    .getByRole('row', { name: /^Zigzag, every other row turned/ })
    .getByRole('button', { name: 'Use this' })
    .click();
  await page.getByRole('button', { name: 'Chains', exact: true }).click();
  await expect(
    page.getByText('Zigzag', { exact: true }).or(page.locator('input[value="Zigzag"]')).first(),
  ).toBeVisible();
});

test(
  'panels are chosen on both sides at once, and moved by hand and by keyboard',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'route/prop/score-wall');
    const back = page.getByTestId('wall-back');
    await back.focus();
    // From the back, the arrow to the left goes to higher columns of the front.
    await page.keyboard.press('ArrowLeft');
    await expect(page.getByRole('heading', { name: 'Panel 1.2' })).toBeVisible();
    await page.keyboard.press('.');
    await expect(page.getByLabel('Place', { exact: true })).toHaveValue('3');
    await page.keyboard.press('r');
    await expect(page.getByText('These chains are drawn by hand')).toBeVisible();
    await expect(saving(page)).toHaveText('rev 2 · saved');
    // A panel onto a new output: the spread is uneven now, and the mend lays all anew.
    await page.getByRole('combobox', { name: 'Output', exact: true }).click();
    await page.getByRole('option', { name: '4, not used yet' }).click();
    await expect(page.getByText(/needs output 4, but the hat has 3 outputs/)).toBeVisible();
    await page.getByRole('button', { name: 'Take a hat with 4 outputs' }).click();
    await expect(page.getByText(/needs output 4/)).toBeHidden();
    await expect(page.getByText(/one output has 5 panels and another 1/)).toBeHidden();
  },
);

test('a chain is drawn over panels with the mouse', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'route/prop/score-wall');
  const box = (await page.getByTestId('wall-front').boundingBox())!;
  // The middle row lies across the middle of the board; draw from its third panel down to the row below.
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height * 0.62, { steps: 6 });
  await page.mouse.move(box.x + box.width / 2, box.y + box.height * 0.72, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByText('These chains are drawn by hand')).toBeVisible();
  await expect(page.getByRole('button', { name: '2 · 6' })).toBeVisible();
  await expect(page.getByRole('button', { name: '3 · 4' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: '3 · 5' })).toBeVisible();
});

test(
  'the field sheet keeps its ticks, and says what each width is the width of',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'route/prop/score-wall?sheet=field-sheet');
    await expect(page.getByRole('row', { name: /^Width 320 the whole wall/ })).toBeVisible();
    await expect(page.getByRole('row', { name: /^Pixels across 64 a panel/ })).toBeVisible();
    await Promise.all([
      page.waitForResponse((response) => response.url().endsWith('/facts') && response.ok()),
      page.getByRole('checkbox', { name: /^Save/ }).click(),
    ]);
    // Work on site is no change of the show.
    await expect(saving(page)).toHaveText('rev 0 · saved');
    await page.reload();
    await expect(page.getByRole('checkbox', { name: /^Save/ })).toBeChecked();
  },
);

test(
  'a disagreement of packings is predicted, and the test picture is a PNG of the wall',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'route/prop/score-wall?sheet=picture-map');
    await expect(page.getByRole('img', { name: 'red sent, seen as red, blue, green, red' })).toBeVisible();
    await fill(page, 'The driver reads', '510');
    await expect(page.getByText('Both ends agree')).toBeVisible();
    await page.getByRole('button', { name: 'Test picture' }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save as PNG' }).click(),
    ]);
    const png = fs.readFileSync(await download.path());
    expect(png.subarray(1, 4).toString()).toBe('PNG');
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([320, 96]);
  },
);

test(
  'a wall of two million pixels is planned with progress and drawn without a hitch',
  { tag: '@full' },
  async ({ page, request }) => {
    const shape = { ...(wall.shape as object), columns: 64, rows: 64 } as typeof wall.shape;
    Object.assign(shape, { panel: { ...(shape as { panel: object }).panel, columns: 32, rows: 16 } });
    const big = { ...wall, shape } as typeof wall;
    const id = await demoShow(request, { props: [big], patch: [], controllers: DEMO.controllers });
    await openAt(page, id, 'route/prop/score-wall');
    const board = page.getByTestId('wall-front');
    await board.hover();
    const frames = await page.evaluate(async () => {
      const times: number[] = [];
      await new Promise<void>((done) => {
        const frame = (now: number) => {
          times.push(now);
          document.querySelector('[data-testid="wall-front"]')!.dispatchEvent(
            new WheelEvent('wheel', {
              deltaY: times.length % 2 ? -40 : 40,
              clientX: 500,
              clientY: 300,
              bubbles: true,
              cancelable: true,
            }),
          );
          if (times.length < 30) requestAnimationFrame(frame);
          else done();
        };
        requestAnimationFrame(frame);
      });
      return times.length;
    });
    expect(frames).toBe(30);
    await expect(page.getByText(/it needs output 4, but the hat has 3 outputs/).first()).toBeVisible();
  },
);

test(
  'a panel is found by row and column, and lit up with its output and place',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build');
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder(/panel 2.3/).fill('panel 2.3');
    await page.getByText(/panel 2\.3 · output and place/).click();
    await expect(page).toHaveURL(/score-wall\/run\/1\/pixel/);
    await expect(page.getByText('Output and place')).toBeVisible();
    await expect(page.getByTestId('wall')).toBeVisible();
    const answer = await (await request.get(`/api/shows/${id}/lookup?q=score wall panel 2.3`)).json();
    expect(answer.hits[0].onProp).toContainEqual(expect.objectContaining({ name: 'Panel', value: '2.3' }));
    const outside = await (await request.get(`/api/shows/${id}/lookup?q=panel 9.9`)).json();
    expect(outside.message).toContain('there is none in row 9');
  },
);
