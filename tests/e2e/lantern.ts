import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { expect, test as base, type APIRequestContext, type Page, type Request } from '@playwright/test';
import { serverArgs } from '../../scripts/lib/serve.mjs';
import type { Fact } from '@/core/show/facts';
import type { Show } from '@/core/show/schema';

const { facts, ...show } = JSON.parse(
  fs.readFileSync(path.resolve(__dirname, '../../demo/marrow-quay.show.json'), 'utf8'),
) as Show & { facts: Fact[] };
export const DEMO: Show = show;
/** Notes about the demo show: the faults of its rig. */
export const DEMO_FACTS: readonly Fact[] = facts;

/** All sizes of screens are walked, and every test is run. */
export const IS_FULL = process.env.ALL_RUNS === '1';

const worker = Number(process.env.TEST_PARALLEL_INDEX ?? 0);
/** Each worker has a server of the one build to itself, with data of its own. */
export const SERVER = {
  port: Number(process.env.E2E_PORT ?? 4187) + worker,
  /** The address that stands for the network at home. */
  network: `127.0.0.${2 + worker}`,
};

/** Starts the worker's server. @returns ends it, with its data */
async function startServer(address: string): Promise<() => Promise<void>> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-e2e-'));
  const child = spawn(process.execPath, serverArgs({ port: SERVER.port, lan: SERVER.network }), {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      RAPID_LANTERN_DATA: folder,
      NEXT_TELEMETRY_DISABLED: '1',
    },
  });
  let code: number | null = null;
  const ended = new Promise<void>((resolve) =>
    child.on('exit', (given) => {
      code = given ?? 1;
      resolve();
    }),
  );
  const isUp = () =>
    fetch(`${address}/api/shows`).then(
      ({ ok }) => ok,
      () => false,
    );
  for (const until = Date.now() + 120_000; !(await isUp());) {
    if (code !== null || Date.now() > until)
      throw new Error(
        `The server did not start on port ${SERVER.port}. Is there a build, and is the port free?`,
      );
    await new Promise((resume) => setTimeout(resume, 100));
  }
  return async () => {
    child.kill();
    await ended;
    fs.rmSync(folder, { recursive: true, force: true });
  };
}

interface Fixtures {
  quiet: void;
  refusals: RegExp | null;
}

/** Every page of every test is watched: whatever the browser's console says, or a script throws, fails the test. */
export const test = base.extend<Fixtures, { server: string }>({
  server: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const address = `http://127.0.0.1:${SERVER.port}`;
      const stop = await startServer(address);
      await use(address);
      await stop();
    },
    { scope: 'worker', auto: true, timeout: 150_000 },
  ],
  baseURL: ({ server }, use) => use(server),

  // Messages of the browser itself about answers that a test provokes, such as a 409.
  refusals: [null, { option: true }],
  quiet: [
    async ({ context, refusals }, use, info) => {
      const said: string[] = [];
      const asked = new Set<Request>();
      context.on('request', (request) => asked.add(request));
      context.on('requestfinished', (request) => asked.delete(request));
      context.on('requestfailed', (request) => asked.delete(request));
      context.on('console', (message) => said.push(`${message.type()}: ${message.text()}`));
      context.on('weberror', (error) => said.push(`error: ${error.error().message}`));
      await use();
      if (info.status !== info.expectedStatus) {
        // The open requests tell why a page stood still.
        const waiting = [...asked].map((request) => `${request.method()} ${request.url()}`);
        console.log(`${info.title}: not answered when it failed: ${waiting.join(', ') || 'nothing'}`);
      }
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
/** The author of a change; each has an id of its own. */
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
  // Nothing moves any more once the first plan is there: what is pressed while it moves is not pressed.
  await page.getByRole('region', { name: 'Address ruler' }).waitFor();
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
