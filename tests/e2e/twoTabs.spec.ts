import { demoShow, expect, fill, openAt, saving, test } from './lantern';

test.use({ refusals: /Failed to load resource: (net::ERR_FAILED|.*status of (409|503))/ });

test('a change appears in the other tab, which says so', async ({ context, request }) => {
  const id = await demoShow(request);
  const [one, other] = [await context.newPage(), await context.newPage()];
  await openAt(one, id, 'build/prop/net-curtain');
  await openAt(other, id, 'patch/prop/net-curtain');
  await fill(one, 'Columns', '21');
  await expect(other.getByTestId('prop-net-curtain')).toContainText('21 × 28 px');
  await expect(
    other.getByText('Changed in another window: Net curtain: 20 × 28 px to 21 × 28 px.'),
  ).toBeVisible();
  await expect(saving(other)).toHaveText('rev 1 · saved');
});

for (const choice of ['Put mine on top', 'Let mine go'] as const)
  test(`two changes at once are asked about: ${choice}`, async ({ context, request }) => {
    const id = await demoShow(request);
    const [one, other] = [await context.newPage(), await context.newPage()];
    await openAt(one, id, 'build/prop/net-curtain');
    // This tab does not hear of the other's change before it makes its own.
    await other.route('**/events', (route) => route.abort());
    await other.goto(`/shows/${id}/build/prop/pier-railing`);
    await expect(other.getByRole('region', { name: 'Address ruler' })).toBeVisible();

    await fill(one, 'Columns', '21');
    await expect(saving(one)).toHaveText('rev 1 · saved');
    await fill(other, 'Name', 'Pier rail');
    const dialog = other.getByRole('dialog', { name: 'This show was changed in another window' });
    await expect(dialog).toContainText('Net curtain: 20 × 28 px to 21 × 28 px');
    await expect(dialog).toContainText('Pier railing: rename to Pier rail');
    await dialog.getByRole('button', { name: choice }).click();

    const mine = choice === 'Put mine on top';
    await expect(saving(other)).toHaveText(`rev ${mine ? 2 : 1} · saved`);
    await expect(other.getByTestId('prop-net-curtain')).toContainText('21 × 28 px');
    await expect(other.getByTestId('prop-pier-railing')).toContainText(mine ? 'Pier rail' : 'Pier railing');
    const { show } = await (await request.get(`/api/shows/${id}`)).json();
    expect(show.props[0].name).toBe(mine ? 'Pier rail' : 'Pier railing');
    expect(show.props[2].shape.columns).toBe(21);
  });

test('an edit made while the server cannot be reached is kept and saved later', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build/prop/net-curtain');
  let reachable = false;
  await page.route('**/edits', (route) =>
    reachable ? route.continue() : route.fulfill({ status: 503, body: '' }),
  );
  await fill(page, 'Columns', '18');
  await expect(saving(page)).toContainText('not saved: the server cannot be reached');
  await expect(page.getByTestId('prop-net-curtain')).toContainText('18 × 28 px');
  reachable = true;
  await expect(saving(page)).toHaveText('rev 1 · saved');
});
