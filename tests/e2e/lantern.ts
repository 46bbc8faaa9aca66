import fs from 'node:fs';
import path from 'node:path';
import { expect, test as base, type APIRequestContext, type Page } from '@playwright/test';
import type { Fact } from '@/core/show/facts';
import type { Show } from '@/core/show/schema';

const { facts, ...show } = JSON.parse(
  fs.readFileSync(path.resolve(__dirname, '../../demo/marrow-quay.show.json'), 'utf8'),
) as Show & { facts: Fact[] };
export const DEMO: Show = show;
/** What is noted about the demo show: what is the matter with its rig. */
export const DEMO_FACTS: readonly Fact[] = facts;

/** Every page of every test is watched: whatever the browser's console says, or a script throws, fails the test. */
export const test = base.extend<{ quiet: void; refusals: RegExp | null }>({
  // What the browser itself writes of answers that a test provokes, such as a 409.
  refusals: [null, { option: true }],
  quiet: [
    async ({ context, refusals }, use) => {
      const said: string[] = [];
      context.on('console', (message) => said.push(`${message.type()}: ${message.text()}`));
      context.on('weberror', (error) => said.push(`error: ${error.error().message}`));
      await use();
      expect(
        said.filter((line) => !refusals?.test(line)),
        'the browser console',
      ).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** Keeps a copy of the demo show for one test and gives its id. */
export async function demoShow(
  request: APIRequestContext,
  change: Partial<Show> & { facts?: readonly Fact[] } = {},
): Promise<string> {
  const response = await request.post('/api/shows', {
    data: {
      ...DEMO,
      name: 'A copy of the night',
      // Leads to what is not there would be refused.
      ...((change.props ?? change.controllers) && { feeds: [], cuts: [], joints: [] }),
      ...change,
    },
  });
  expect(response.status()).toBe(201);
  return ((await response.json()) as { id: string }).id;
}

/** The show as it is kept. */
export async function keptShow(request: APIRequestContext, id: string): Promise<Show> {
  return (await (await request.get(`/api/shows/${id}/show.json`)).json()) as Show;
}

let changes = 0;
/** What a change says of who makes it; each has an id of its own. */
export const author = (baseSequence: number, window?: string) => ({
  baseSequence,
  changeId: `change-${Date.now().toString(36)}-${(changes += 1)}`,
  ...(window && { window }),
});

export async function openAt(page: Page, id: string, view: string): Promise<void> {
  await page.goto(`/shows/${id}/${view}`);
  // The ruler is drawn from the first plan, so everything else is there as well.
  await expect(page.getByRole('region', { name: 'Address ruler' })).toBeVisible();
}

export const saving = (page: Page) => page.getByTestId('saving');

/** Types into a field as a builder does, and leaves it with Enter. */
export async function fill(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(text);
  await field.press('Enter');
}

/** Adds a prop by its small picture. */
export async function addProp(page: Page, name: RegExp): Promise<void> {
  await page.getByRole('button', { name: 'Add a prop' }).click();
  const kinds = page.getByRole('list', { name: 'Kinds of props' });
  await kinds.getByRole('button', { name }).click();
  await kinds.waitFor({ state: 'hidden' });
}

/** The shows but for those that other tests make at the same time, which are copies of the demo under another name. */
export async function otherShows(request: APIRequestContext, but: string): Promise<unknown[]> {
  const { shows } = (await (await request.get('/api/shows')).json()) as {
    shows: { id: string; name: string }[];
  };
  return shows.filter(({ id, name }) => id === but || name === DEMO.name || name === 'x');
}
