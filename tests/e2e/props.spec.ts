import zlib from 'node:zlib';
import type { Page } from '@playwright/test';
import { IS_FULL, addProp, demoShow, expect, fill, openAt, saving, test } from './lantern';

/** A grey picture of any size, as a PNG file. */
function grey(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
    const [head, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    head.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(body));
    return Buffer.concat([head, body, sum]);
  };
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 0, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from('\x89PNG\r\n\x1a\n', 'latin1'),
    chunk('IHDR', header),
    chunk('IDAT', zlib.deflateSync(Buffer.alloc((width + 1) * height, 0), { level: 1 })),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

function crc32(bytes: Buffer): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit += 1) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}

test('a tree: from its measures to every stake, and a tree that cannot be is mended', async ({
  page,
  request,
}) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  await addProp(page, /^Tree/);
  await fill(page, 'Strands', '12');
  await fill(page, 'Pixels a strand', '42');
  await fill(page, 'Hole to hole', '100 mm');
  await expect(page.getByText('longer than the')).toBeVisible();
  await page.getByRole('button', { name: 'Raise it to 3.995 m' }).click();
  await expect(page.getByText('longer than the')).toBeHidden();
  await page.getByRole('button', { name: 'Setting out' }).click();
  await expect(page.getByTestId('setting-out').getByRole('row')).toHaveCount(13);
  // Half a circle of 2 m across: stake 1 is a metre to the left, and its tape A is hooked to itself.
  const first = page.getByTestId('setting-out').getByRole('row').nth(1);
  await expect(first).toContainText('-1,000');
  await expect(first.getByRole('cell').nth(6)).toHaveText('0');
  await fill(page, 'This many', '6');
  await fill(page, 'This far apart', '50');
  await expect(page.getByText(/^100 mm314 mm around/)).toBeVisible();
});

test(
  'schemes are compared, and the one that is chosen is threaded',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'route/prop/net-curtain?sheet=compare');
    const schemes = page.getByTestId('schemes');
    await expect(schemes.getByRole('row')).toHaveCount(9);
    await expect(page.getByTestId('recommendation')).toContainText('Fewest ports (2)');
    // A slower port needs more runs.
    await fill(page, 'A port drives', '150');
    await expect(page.getByTestId('recommendation')).toContainText('Fewest ports (4)');
    await page.getByTestId('recommendation').getByRole('button', { name: 'Use this' }).click();
    await expect(saving(page)).toHaveText('rev 1 · saved');
    await expect(schemes.getByText('in use')).toBeVisible();
    await page.getByRole('button', { name: 'Build sheet' }).click();
    await expect(page.getByTestId('build-sheet').getByRole('row').nth(1)).toContainText('lead from port B1');
    await page.getByText('From the back', { exact: true }).click();
    await expect(page).toHaveURL(/from=back/);
    await expect(page.getByTestId('build-sheet').getByRole('row').nth(1)).toContainText('20');
  },
);

test(
  'ranges: what is odd is said while typing, and kept only when it is left',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build');
    await addProp(page, /^Strip in pieces/);
    await page.getByRole('button', { name: 'Ranges' }).click();
    await page.getByRole('button', { name: 'One range a leg' }).click();
    await expect(page.getByText('Every pixel is in one range.')).toBeVisible();
    await expect(page.getByTestId('conventions')).toContainText('0 – 60');
    await page.getByLabel('Stop of range 1').fill('70');
    await expect(page.getByTestId('range-problems')).toContainText(
      'Leg 1 and Leg 3 both hold indices 60 to 69 (pixels 61 to 70 of the prop, counted from 1).',
    );
    await expect(saving(page)).toHaveText('rev 2 · saved');
    await page.getByLabel('Stop of range 1').press('Escape');
    await expect(page.getByText('Every pixel is in one range.')).toBeVisible();
    await page.getByLabel('Stop of range 1').fill('50');
    await page.getByLabel('Stop of range 1').press('Enter');
    await expect(page.getByTestId('range-problems')).toContainText('Indices 50 to 59 (pixels 51 to 60');
    await page.getByRole('button', { name: 'Lay them end to end' }).click();
    await expect(page.getByText('Every pixel is in one range.')).toBeVisible();
    // Nonsense stays in its field with a sentence.
    await page.getByLabel('Start of range 2').fill('many');
    await page.getByLabel('Start of range 2').press('Enter');
    await expect(page.getByText('A name, a start from 0 on, and a stop after it.')).toBeVisible();
  },
);

test('stock: strings and strip, cuts and splices', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build/prop/net-curtain?sheet=stock');
  await expect(page.getByTestId('stock-facts')).toContainText('12 strings');
  await page.getByText('Each strand', { exact: true }).click();
  await expect(page.getByTestId('stock-facts')).toContainText('20 strings');
  await fill(page, 'Wire between two', '60 mm');
  await page.getByRole('button', { name: 'Picture' }).click();
  await page.getByRole('button', { name: 'Take strings with 80 mm of wire' }).click();
  await expect(page.getByText('They do not reach.')).toBeHidden();
});

test(
  'the site: a prop is put on the drawing, moved, turned and taken off by keyboard',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'build?sheet=site');
    await expect(page.getByTestId('leads')).toContainText('13 m');
    const plan = page.getByTestId('site-plan');
    await page.getByRole('combobox', { name: 'Prop or controller' }).click();
    await page.getByRole('option', { name: 'Lighthouse tower', exact: true }).click();
    await page.getByRole('button', { name: 'Take Lighthouse tower off the drawing' }).click();
    await expect(page.getByText('Click where Lighthouse tower is.')).toBeVisible();
    await plan.focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('[');
    await expect(page.getByLabel('Turned by, degrees')).toHaveValue('15');
    await expect(saving(page)).toHaveText('rev 4 · saved');
    await page.keyboard.press('Delete');
    await expect(page.getByText('Click where Lighthouse tower is.')).toBeVisible();
  },
);

test('a craft is numbered by clicking and dragging', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  await addProp(page, /^Craft/);
  const board = page.getByTestId('craft-board');
  await board.focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-testid^=prop-craft-]')).toContainText('2 of 32 px');
  const box = (await board.boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.3, box.y + box.height * 0.7);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.5, box.y + box.height * 0.7, { steps: 4 });
  await page.mouse.move(box.x + box.width * 0.7, box.y + box.height * 0.7, { steps: 4 });
  await page.mouse.up();
  await expect(page.locator('[data-testid^=prop-craft-]')).not.toContainText('2 of 32 px');
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-testid^=prop-craft-]')).toContainText('2 of 32 px');
});

test.describe('free-form points', () => {
  async function freeform(
    page: Page,
    request: Parameters<typeof demoShow>[0],
    source: RegExp,
  ): Promise<void> {
    const id = await demoShow(request);
    await openAt(page, id, 'build');
    await addProp(page, /^Free-form/);
    await page.getByRole('button', { name: source }).click();
  }
  async function choose(page: Page, name: string, mimeType: string, buffer: Buffer): Promise<void> {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: /^(Choose the file|Another file|Choose a photo)/ }).click(),
    ]);
    await chooser.setFiles({ name, mimeType, buffer });
  }

  test('a CSV with a bad line is refused with the line, and the mended one is taken', async ({
    page,
    request,
  }) => {
    test.slow();
    await freeform(page, request, /CSV/);
    const lines = Array.from(
      { length: IS_FULL ? 500_000 : 100_000 },
      (_, i) => `${i % 1000},${Math.floor(i / 1000)}`,
    );
    lines[73_411] = '12,what';
    await choose(page, 'points.csv', 'text/csv', Buffer.from(lines.join('\n')));
    await expect(page.getByText(/Line 73,412: y is “what”/)).toBeVisible({ timeout: 90_000 });
    await choose(page, 'points.csv', 'text/csv', Buffer.from(lines.slice(0, 5000).join('\n')));
    await expect(page.getByTestId('points-found')).toContainText('5,000 points in 1 piece');
    await page.getByRole('button', { name: 'Use 5,000 points' }).click();
    await expect(page.locator('[data-testid^=prop-free-form-]')).toContainText('5,000 px');
  });

  test('an SVG of 2 MB is laid along', { tag: '@full' }, async ({ page, request }) => {
    await freeform(page, request, /SVG/);
    const path = Array.from(
      { length: 140_000 },
      (_, i) => `L${(i % 700) * 2} ${Math.floor(i / 700) * 9}`,
    ).join('');
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1400mm" height="1800mm" viewBox="0 0 1400 1800"><script>document.title='x'</script><path d="M0 0${path}"/></svg>`;
    expect(svg.length).toBeGreaterThan(1_200_000);
    await choose(page, 'sign.svg', 'image/svg+xml', Buffer.from(svg.padEnd(2_100_000, ' ')));
    await expect(page.getByTestId('points-found')).toBeVisible({ timeout: 30_000 });
    await expect(page).not.toHaveTitle('x');
    await page.getByRole('button', { name: /^Use / }).click();
    await expect(page.locator('[data-testid^=prop-free-form-]')).toContainText('px');
  });

  test(
    'a photo of 40 megapixels is made smaller, and a sign is traced over it',
    { tag: '@full' },
    async ({ page, request }) => {
      await freeform(page, request, /photo/);
      await choose(page, 'quay.png', 'image/png', grey(8000, 5000));
      const tracer = page.getByTestId('tracer');
      await expect(tracer).toBeVisible({ timeout: 60_000 });
      const box = (await tracer.boundingBox())!;
      const click = (x: number, y: number) => page.mouse.click(box.x + box.width * x, box.y + box.height * y);
      await click(0.3, 0.8);
      await click(0.7, 0.8);
      await fill(page, 'From the one mark to the other', '2 m');
      await click(0.3, 0.3);
      await click(0.5, 0.3);
      await click(0.7, 0.5);
      await page.getByRole('button', { name: 'Use 3 pixels' }).click();
      await expect(page.locator('[data-testid^=prop-free-form-]')).toContainText('3 px');
    },
  );
});
