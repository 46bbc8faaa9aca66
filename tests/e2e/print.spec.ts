import type { APIRequestContext, Page } from '@playwright/test';
import { hasPoppler, textOfPages } from '../unit/poppler';
import { author, demoShow, expect, openAt, test } from './lantern';

/** The file that a link or a button leads to, as it is printed. */
async function printed(request: APIRequestContext, page: Page, name = 'Print (PDF)'): Promise<string[]> {
  const href = await page.getByRole('link', { name }).getAttribute('href');
  return textOfFile(request, href!);
}

async function textOfFile(request: APIRequestContext, address: string): Promise<string[]> {
  const response = await request.get(address);
  expect(response.status()).toBe(200);
  expect(response.headers()['content-type']).toBe('application/pdf');
  return textOfPages(await response.body());
}

test.skip(!hasPoppler(), 'printed sheets are read back by poppler');

test('the wall from behind with its field sheet', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'print/prop/score-wall');
  await page.getByRole('button', { name: 'wiring from the back' }).click();
  const paper = page.getByRole('article', { name: 'Score wall: wiring from the back' });
  await expect(paper.getByText('seen from the back', { exact: true }).first()).toBeVisible();
  const [wiring] = await printed(request, page);
  expect(wiring).toContain('SEEN FROM THE BACK');
  // The first panel of output 1 is at the right, seen from behind: fifth from the left.
  expect(wiring).toMatch(/1\.1\s+5\s+1\s+↑ up/);
  await page.getByRole('button', { name: 'field sheet, to type' }).click();
  await expect(page.getByRole('article', { name: 'Score wall: field sheet, to type' })).toBeVisible();
  const typed = (await printed(request, page)).join('\n');
  expect(typed).toMatch(/Width\s+320/);
  expect(typed).toMatch(/Height\s+96/);
  expect(typed).toContain('In this order');
});

test(
  'the stakes of the tower, in metres and on Letter in feet',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'print/prop/lighthouse-tower');
    await page.getByRole('button', { name: 'setting out' }).click();
    const paper = page.getByRole('article', { name: 'Lighthouse tower: setting out' });
    await expect(paper.getByRole('table', { name: 'Setting out of Lighthouse tower' })).toBeVisible();
    const metric = (await printed(request, page)).join('\n');
    expect(metric).toContain('1.838 m apart');
    expect(metric).toMatch(/\b9\s+0\s+1,300\s+1,300/);
    await page.getByRole('button', { name: 'Back to printing' }).click();
    await page.getByText('Letter', { exact: true }).click();
    await expect(page.getByTestId('saving')).toContainText('rev 1 · saved');
    const response = await request.post(`/api/shows/${id}/edits`, {
      data: { ...author(1), edit: { type: 'setLengths', lengths: 'imperial' } },
    });
    expect(response.status()).toBe(200);
    const feet = (await textOfFile(request, `/api/shows/${id}/sheets/setting-out.lighthouse-tower.pdf`)).join(
      '\n',
    );
    expect(feet).not.toContain('1.838 m');
    expect(feet).toMatch(/6 ft/);
  },
);

test(
  'the values of one device, still right and then no more',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'print/controller/pier-box');
    await page.getByRole('button', { name: 'values to type' }).click();
    await expect(page.getByRole('article', { name: 'Pier box: values to type' })).toBeVisible();
    const text = (await printed(request, page)).join('\n');
    expect(text).toMatch(/Address\s+10\.40\.0\.21 \/ 255\.255\.255\.0/);
    expect(text).toMatch(/A3\s+169/);
    const mark = /sheet (\d+-[2-9A-Z]{5})/.exec(text)![1]!;
    await page.getByRole('button', { name: 'Back to printing' }).click();
    const ask = async () => {
      await page.getByLabel('Its mark').fill(mark.toLowerCase());
      await page.getByRole('button', { name: 'Ask', exact: true }).click();
    };
    await ask();
    await expect(page.getByText(/it says what the plan says now/)).toBeVisible();
    const edit = { type: 'changeProp', propId: 'gangway-edge', change: { pixelTypeId: 'bullet-12v-ws2811' } };
    expect((await request.post(`/api/shows/${id}/edits`, { data: { ...author(0), edit } })).status()).toBe(
      200,
    );
    await ask();
    await expect(page.getByText(/the plan has changed since/)).toBeVisible();
    await expect(page.getByText(/^now: A3 · /)).toBeVisible();
    // A phone that scans the code of the sheet is told the same.
    await page.goto(`/phone/${id}?mark=${mark}`);
    await expect(page.getByRole('heading', { name: 'The plan has changed' })).toBeVisible();
  },
);

test('a sheet of labels, and the page of one of them', { tag: '@full' }, async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'print');
  await page.getByRole('button', { name: /^Labels for ports/ }).click();
  await expect(
    page.getByText('19 labels on 1 sheet; the first sheet looks so.', { exact: false }),
  ).toBeVisible();
  await expect(page.getByRole('note')).toContainText('The codes lead to this machine only');
  const [text] = await printed(request, page);
  expect(text).toContain('A1');
  const csv = await (await request.get(`/api/shows/${id}/sheets/labels-ports.csv`)).text();
  const code = /^A3,.*,([2-9A-Z]{6}),http/m.exec(csv)![1]!;
  await page.goto(`/phone/${id}?code=${code}`);
  await expect(page.getByRole('region', { name: 'A3' })).toContainText('Gangway edge');
  // A label that was printed when these pages had another address.
  await page.goto(`/bench/${id}?code=${code}`);
  await expect(page).toHaveURL(new RegExp(`/phone/${id}\\?code=${code}$`));
  await expect(page.getByRole('region', { name: 'A3' })).toContainText('Gangway edge');
  await page.getByRole('button', { name: 'This port' }).click();
  await expect(page.getByRole('heading', { name: 'A3' })).toBeVisible();
  await page.getByRole('button', { name: 'Code', exact: true }).click();
  await page.getByLabel('Code of a label, or mark of a sheet').fill('zzzzzz');
  await page.getByRole('button', { name: 'Look it up' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'ZZZZZZ' })).toBeVisible();
});

test(
  'the whole binder with progress; printing is noted as told',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'print/prop/net-curtain');
    await page.getByRole('button', { name: 'All of Net curtain' }).click();
    const open = page.getByRole('link', { name: 'Open All of Net curtain' });
    await expect(open).toBeVisible({ timeout: 30_000 });
    await page.getByRole('button', { name: 'The whole binder' }).click();
    await expect(page.getByRole('progressbar', { name: 'Making The whole binder' })).toBeVisible();
    await page.getByRole('button', { name: 'Stop', exact: true }).click();
    await expect(page.getByRole('button', { name: 'The whole binder' })).toBeVisible();
    const { facts } = (await (await request.get(`/api/shows/${id}/show.json`)).json()) as {
      facts?: { kind: string; field: string; value: unknown }[];
    };
    expect(facts).toContainEqual(expect.objectContaining({ kind: 'told', field: 'printed' }));
    const pages = await textOfFile(request, `/api/shows/${id}/sheets/binder.pdf?controller=tower-box`);
    expect(pages[0]).toContain('Tower box: contents');
    pages.forEach((text, i) => expect(text).toContain(`page ${i + 1} of ${pages.length}`));
  },
);

test(
  'is found where people look for it: on every sheet, and in the search',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'power/prop/net-curtain');
    await page.getByRole('button', { name: 'Print', exact: true }).click();
    await expect(page.getByRole('menuitem', { name: 'Net curtain: cut list' })).toHaveAttribute(
      'href',
      `/api/shows/${id}/sheets/cut-list.net-curtain.pdf`,
    );
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder(/A3 17/).fill('print labels for ports');
    await expect(page.getByText(/^Print Labels for ports/)).toBeVisible();
  },
);

test(
  'files of sheets are refused in a sentence where there are none',
  { tag: '@full' },
  async ({ request }) => {
    const id = await demoShow(request);
    const get = async (file: string) => {
      const response = await request.get(`/api/shows/${id}/${file}`);
      return [response.status(), ((await response.json()) as { error: string }).error] as const;
    };
    expect(await get('sheets/device.pier-box.doc')).toEqual([
      404,
      expect.stringContaining('pdf, svg, csv or json'),
    ]);
    expect(await get('sheets/nothing.pdf')).toEqual([404, expect.stringContaining('no sheet “nothing”')]);
    expect(await get('sheets/parts.pdf?size=a3')).toEqual([400, expect.stringContaining('a4 or letter')]);
    expect(await get('sheets/binder.pdf?prop=nobody')).toEqual([422, expect.stringContaining('no prop')]);
    expect(await get('printed/hello')).toEqual([422, expect.stringContaining('no mark of a sheet')]);
    expect(await get('printed/99-K7QF2')).toEqual([422, expect.any(String)]);
    expect(await get('printed/0-22222')).toEqual([422, expect.stringContaining('No sheet of revision 0')]);
    const svg = await request.get(`/api/shows/${id}/sheets/threading.net-curtain.svg`);
    expect(svg.headers()['content-type']).toBe('image/svg+xml');
    expect(await svg.text()).toContain('drawn to scale');
  },
);

test('addresses of before lead to the stages and sheets of today', async ({ page, request }) => {
  const id = await demoShow(request);
  for (const [old, now] of [
    ['thread/prop/net-curtain?from=back', 'route/prop/net-curtain?from=back'],
    ['feed?sheet=schedule', 'power?sheet=schedule'],
    ['prove?sheet=rig', 'test?sheet=rig'],
    ['papers/prop/score-wall', 'print/prop/score-wall'],
  ] as const) {
    const url = (await request.get(`/shows/${id}/${old}`)).url();
    expect(url.slice(url.indexOf(id) + id.length + 1)).toBe(now);
  }
  // The old name of a sheet.
  await openAt(page, id, 'prove/prop/net-curtain?sheet=bring-up');
  await expect(page).toHaveURL(new RegExp(`/shows/${id}/test/prop/net-curtain\\?sheet=bring-up`));
  await expect(page.getByTestId('sheet-tabs').locator('[aria-current="page"]')).toHaveText('First power-up');
});
