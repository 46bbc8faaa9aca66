import type { Page } from '@playwright/test';
import { screen } from '@/core/props/screen';
import { screenShapeSchema } from '@/core/screens/shape';
import { fromBack, IndexWalk } from '@/core/screens/indexWalk';
import type { Show } from '@/core/show/schema';
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
      // Read from a copy: the canvas itself is made to be drawn on.
      const own = document.createElement('canvas');
      own.width = own.height = 1;
      const context = own.getContext('2d', { willReadFrequently: true })!;
      context.drawImage(canvas, -canvas.width * 0.14, -canvas.height * 0.13);
      return [...context.getImageData(0, 0, 1, 1).data.slice(0, 3)];
    });
  // The wall at the top left is red.
  await expect
    .poll(async () => {
      const [red, green, blue] = await corner();
      return red! > 40 && red! > 2 * green! && red! > 2 * blue!;
    })
    .toBe(true);
  await expect(saving(page)).toContainText('saved');
  const kept = (await keptShow(request, id)).props.findLast(({ kind }) => kind === 'screen')!;
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

test(
  'how a screen is wired is found in a few looks, seen from behind, and becomes the settings',
  { tag: '@full' },
  async ({ page, request }) => {
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
      const told = main.getByText(/ways are left|Found in/);
      const before = await told.innerText();
      await page.getByRole('button', { name: 'That is what I see' }).click();
      await expect(told).not.toHaveText(before);
    }
    await expect(main).toContainText('begins at top right and goes counter-clockwise');
    await page.getByRole('button', { name: 'Use it' }).click();
    await expect(saving(page)).toContainText('saved');
    const kept = (await keptShow(request, id)).props.findLast(({ kind }) => kind === 'screen')!;
    expect(kept.shape).toMatchObject({
      start: 'topRight',
      direction: 'counterclockwise',
      installed: { top: 53 },
    });
  },
);

/** A picture that the page itself draws: rectangles of a colour each, over black. */
async function pngOf(
  page: Page,
  width: number,
  height: number,
  parts: readonly (readonly [colour: string, x: number, y: number, w: number, h: number])[],
): Promise<Buffer> {
  const address = await page.evaluate(
    ([w, h, all]) => {
      const canvas = document.createElement('canvas');
      canvas.width = w;
      canvas.height = h;
      const context = canvas.getContext('2d')!;
      context.fillRect(0, 0, w, h);
      for (const [colour, ...place] of all) {
        context.fillStyle = colour;
        context.fillRect(...place);
      }
      return canvas.toDataURL('image/png');
    },
    [width, height, parts] as const,
  );
  return Buffer.from(address.split(',')[1]!, 'base64');
}

async function choose(page: Page, button: RegExp, name: string, mimeType: string, buffer: Buffer) {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: button }).click(),
  ]);
  await chooser.setFiles({ name, mimeType, buffer });
}

test(
  'corners one by one, a curve, a ledge of its own, and what the counts fit',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build/prop/club-screen');
    const facts = page.getByRole('complementary', { name: 'Settings and facts' });
    // 28 at the left cannot be right beside 29 at the right; what fits is offered.
    await page.getByRole('button', { name: 'Counts that were installed' }).click();
    await expect(facts).toContainText('left has 28 and right 29, though both are equally long');
    await fill(page, 'left, seen from the front, planned 29', '29');
    await expect(facts).not.toContainText('though both are equally long');
    await page.getByRole('button', { name: 'Corners that are made otherwise' }).click();
    await page.getByLabel('top left', { exact: true }).click();
    await page.getByRole('option', { name: 'corner piece' }).click();
    await fill(page, 'Each end loses, top left', '30 mm');
    await page.getByRole('switch', { name: 'Curved' }).click();
    await expect(facts).toContainText('straight across');
    await page.getByRole('button', { name: 'Strip and cuts' }).click();
    const main = page.getByRole('main');
    await expect(main).toContainText('costs 4 pixels');
    await expect(page.getByTestId('bridges')).toContainText('plus, ground, data');
    await expect(main).toContainText('pieces 150 = run 150');
    await page.getByRole('button', { name: 'Picture', exact: true }).click();
    await page.getByRole('switch', { name: 'Pieces of my own' }).click();
    await page.getByRole('button', { name: 'Add a piece' }).click();
    await expect(facts).toContainText('Piece 6, 18 pixels');
    await expect(facts).toContainText('Pixels168');
    await page.keyboard.press('Control+z');
    await expect(facts).toContainText('Pixels150');
    // The top is taken out; its leads are told of.
    await page.getByRole('button', { name: /^Take piece 1 out/ }).click();
    await expect(facts).toContainText('Pixels98');
  },
);

test(
  'what is set of zones and colours is kept; each step is seen beside what it changes; a photo balances white',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build/prop/club-screen?sheet=preview');
    const main = page.getByRole('main');
    await page.getByLabel('Beside it').click();
    await page.getByRole('option', { name: 'without saturation' }).click();
    await expect(main).toContainText('As it is set');
    await page.getByRole('slider', { name: 'Saturation' }).press('ArrowRight');
    await page.getByRole('group', { name: 'Sides that stay dark' }).getByText('bottom').click();
    await page.getByRole('button', { name: 'Match the wall to the screen' }).click();
    // The screen is grey, the wall beside it takes half of the blue.
    const photo = await pngOf(page, 400, 200, [
      ['rgb(188 188 188)', 0, 0, 200, 200],
      ['rgb(188 188 137)', 200, 0, 200, 200],
    ]);
    await choose(page, /^The photo/, 'wall.png', 'image/png', photo);
    const canvas = page.getByTestId('match-photo');
    const box = (await canvas.boundingBox())!;
    await canvas.click({ position: { x: box.width * 0.25, y: box.height / 2 } });
    await expect(main).toContainText('Now tap the wall beside it.');
    await canvas.click({ position: { x: box.width * 0.75, y: box.height / 2 } });
    await expect(main).toContainText('Red, green and blue are now 50 %, 50 %, 100 %');
    await fill(page, 'Picture mode of the screen', 'film');
    await expect(page.getByRole('list', { name: 'Picture modes' })).toContainText('film: 50 %, 50 %, 100 %');
    await choose(page, /^A picture or a video/, 'notes.png', 'image/png', Buffer.from('no picture'));
    await expect(main).toContainText('“notes.png” is no picture that this browser can read.');
    await page.getByRole('button', { name: 'Zones', exact: true }).click();
    await page.getByRole('slider', { name: 'Depth at the top' }).press('ArrowRight');
    await expect(saving(page)).toContainText('saved');
    const { shape } = (await keptShow(request, id)).props.find((prop) => prop.id === 'club-screen')!;
    expect(shape).toMatchObject({
      colours: { saturation: 0.71, sidesOff: ['bottom'], modes: [{ name: 'film' }] },
      zones: { depth: { top: 0.09, right: 0.05 } },
    });
    const answer = await request.post('/api/screen/zones', { data: { shape } });
    const { zones } = (await answer.json()) as { zones: { y0: number; y1: number }[] };
    expect(zones.some(({ y0, y1 }) => y0 === 0 && y1 === 0.09)).toBe(true);
  },
);

test(
  'a still says what to crop and where a fault is; a filmed lag takes the place of the assumed one',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build/prop/club-screen?sheet=source');
    const main = page.getByRole('main');
    const boxed = await pngOf(page, 640, 360, [
      ['rgb(240 60 20)', 4, 46, 630, 268],
      ['rgb(20 60 240)', 100, 100, 200, 100],
    ]);
    await choose(page, /^The still/, 'still.png', 'image/png', boxed);
    await expect(page.getByTestId('still-says')).toContainText('The capture has a picture.');
    for (const [side, pixels] of [
      ['left', 4],
      ['right', 6],
      ['top', 46],
      ['bottom', 46],
    ] as const)
      await expect(main).toContainText(new RegExp(`Crop at the ${side}\\s*${pixels} px`));
    await choose(page, /^Another still/, 'black.png', 'image/png', await pngOf(page, 64, 36, []));
    await expect(page.getByTestId('still-says')).toContainText('the capture gets no picture');
    await page.getByRole('button', { name: 'Lag', exact: true }).click();
    await expect(main).toContainText('ms behind it');
    await page.getByRole('button', { name: 'Flash this window' }).click();
    // A flash is short.
    const isLit = () => page.getByTestId('flash').getAttribute('data-lit');
    await expect.poll(isLit, { intervals: [30] }).toBe('true');
    await page.keyboard.press('Escape');
    await expect(page.getByTestId('flash')).toHaveCount(0);
    await fill(page, 'Pictures between', '-6');
    await page.getByRole('button', { name: 'Take -25 ms' }).click();
    await expect(main).toContainText('25 ms ahead of it');
    await expect(page.getByRole('list', { name: 'What comes next' })).toContainText(
      '460,800 baud, at both ends: lights 35 ms ahead of it',
    );
    await page.keyboard.press('Control+z');
    await expect(main).toContainText('worked out: film both to know it');
  },
);

test(
  'the club screen on a supply of 8 A beside a small computer: how bright it may be',
  { tag: '@full' },
  async ({ page, request }) => {
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
    const strip = {
      id: 'strip',
      name: '5 V strip',
      chip: 'WS2812B',
      colourOrder: 'GRB',
      volts: 5,
      bodyMm: 5,
    };
    const id = await demoShow(request, {
      props: [club],
      pixelTypes: [strip],
      controllers: [],
      controllerTypes: [],
      patch: [],
      supplies: [],
      tasks: [],
    });
    await openAt(page, id, 'power?sheet=draw');
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
    await openAt(page, id, 'power/prop/club');
    await page.getByRole('button', { name: 'Bring a lead to it' }).click();
    await page.getByRole('button', { name: 'Brightness' }).click();
    const caps = page
      .getByTestId('supply-caps')
      .getByRole('row', { name: /^Supply/ })
      .nth(1);
    await expect(caps).toContainText('9.24 A at full white');
    const cells = await caps.getByRole('cell').allInnerTexts();
    expect(cells.slice(-2)).toEqual(['42 %', '59 %']);
  },
);
