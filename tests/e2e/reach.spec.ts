import { DEMO, demoShow, expect, test } from './lantern';
import { SPOTS, STAGE_IDS, eachSheet, reachProblems } from './walk';

for (const stage of STAGE_IDS)
  test(`axe finds nothing critical or serious on any sheet of ${stage}, in either theme`, async ({
    page,
    request,
  }) => {
    // A colour on its way to another is neither.
    await page.emulateMedia({ reducedMotion: 'reduce' });
    const id = await demoShow(request);
    const problems: string[] = [];
    const seen = new Set<string>();
    for (const spot of SPOTS.filter((each) => each.stage === stage))
      await eachSheet(page, id, spot, async (name) => {
        // A sheet is made of the same parts for any prop; the settings beside it are those of its kind.
        const label = name.slice(name.lastIndexOf(', '));
        const parts = `${spot.stage}${label}`;
        const isFirst = !seen.has(parts);
        seen.add(parts);
        if (!isFirst && !/Picture|Chains/.test(label)) return;
        for (const problem of await reachProblems(page)) problems.push(`${name}: ${problem}`);
        if (!isFirst) return;
        await page.evaluate(() =>
          document.documentElement.setAttribute('data-mantine-color-scheme', 'light'),
        );
        for (const problem of await reachProblems(page, 'color-contrast'))
          problems.push(`${name}, light: ${problem}`);
        await page.evaluate(() => document.documentElement.setAttribute('data-mantine-color-scheme', 'dark'));
      });
    expect(problems).toEqual([]);
  });

test('axe finds nothing critical or serious in the dialogs and menus, and on the start page', async ({
  page,
  request,
}) => {
  const id = await demoShow(request);
  const problems: string[] = [];
  const look = async (name: string) => {
    for (const problem of await reachProblems(page)) problems.push(`${name}: ${problem}`);
  };
  await page.goto('/');
  await page.getByRole('heading', { level: 1 }).waitFor();
  await look('start page');
  await page.goto(`/shows/${id}/build/prop/${DEMO.props[0]!.id}`);
  await page.getByRole('button', { name: 'A copy of the night' }).click();
  await page.getByRole('menuitem', { name: 'All shows' }).waitFor();
  await look('menu of the show');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByRole('menuitem').first().waitFor();
  await look('files');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder(/A3 17/).fill('net');
  await look('search');
  await page.keyboard.press('Escape');
  for (const command of [
    'Add a prop',
    'Pixel types',
    'Places on site',
    'Phones',
    'Keys',
    'Rename this show',
  ]) {
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder(/A3 17/).fill(command);
    await page.keyboard.press('Enter');
    await page.getByRole('dialog').getByRole('heading').first().waitFor();
    await look(command);
    await page.keyboard.press('Escape');
    await page.getByRole('dialog').waitFor({ state: 'hidden' });
  }
  expect(problems).toEqual([]);
});
