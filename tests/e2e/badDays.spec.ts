import fs from 'node:fs';
import path from 'node:path';
import { startDemoServer } from '../../scripts/lib/demoServer';
import { aController, aGrid, aShow } from '../unit/shows';
import { author, demoShow, expect, test } from './lantern';

test.describe('a database file that is damaged', () => {
  test.use({ refusals: /status of 503/ });
  test('is named on every page, and nothing is written into it', async ({ page }) => {
    const junk = 'not a database '.repeat(500);
    let file = '';
    const server = await startDemoServer((folder) => {
      file = path.join(folder, 'rapid-lantern.sqlite');
      fs.writeFileSync(file, junk);
    });
    try {
      for (const address of ['/', '/shows/quay/build']) {
        await page.goto(server.address + address);
        await expect(page.getByRole('heading', { name: 'The shows cannot be read' })).toBeVisible();
        await expect(page.getByRole('alert').first()).toContainText('is not a database that can be read');
      }
      const answer = await fetch(`${server.address}/api/shows`);
      expect(answer.status).toBe(503);
      expect(((await answer.json()) as { error: string }).error).toContain('is not a database');
      expect(fs.readFileSync(file, 'utf8')).toBe(junk);
    } finally {
      server.stop();
    }
  });
});

test.describe('long work', () => {
  const large = aShow({
    name: 'Large',
    props: Array.from({ length: 4 }, (_, i) => aGrid(`p${i}`, 1000, 1000)),
    controllers: [aController({ ports: 8, mostPixelsPerPort: 4_000_000 })],
    patch: Array.from({ length: 4 }, (_, i) => ({
      propId: `p${i}`,
      run: 1,
      controllerId: 'a',
      port: i + 1,
      skippedPixels: 0,
    })),
  });

  test('holds up nobody, and ends when the client leaves', { tag: '@full' }, async ({ request, baseURL }) => {
    const id = ((await (await request.post('/api/shows', { data: large })).json()) as { id: string }).id;
    const small = await demoShow(request);
    // Many that are never read to their end.
    const leave = new AbortController();
    const maps = await Promise.all(
      Array.from({ length: 5 }, () =>
        fetch(`${baseURL}/api/shows/${id}/channel-map.csv?job=map`, { signal: leave.signal }),
      ),
    );
    expect(maps.every((answer) => answer.ok)).toBe(true);
    expect(await (await request.get('/api/jobs/map')).json()).toEqual({ part: expect.any(Number) });
    const [first] = await Promise.all([
      request.get(`/api/shows/${small}/lookup?q=A1`),
      request.get(`/api/shows/${small}/spans.csv`),
    ]);
    expect(first.ok()).toBe(true);
    leave.abort();
    await expect.poll(async () => (await (await request.get('/api/jobs/map')).json()).part).toBeNull();
  });

  test('is stopped by its id, and never looks done', async ({ request, baseURL }) => {
    const id = ((await (await request.post('/api/shows', { data: large })).json()) as { id: string }).id;
    const map = await fetch(`${baseURL}/api/shows/${id}/channel-map.csv?job=stopped-map`);
    const reader = map.body!.getReader();
    await reader.read();
    expect((await request.delete('/api/jobs/stopped-map')).status()).toBe(204);
    const rest = async () => {
      while (!(await reader.read()).done);
    };
    await expect(rest()).rejects.toThrow();
    expect((await request.delete('/api/jobs/stopped-map')).status()).toBe(404);
    expect((await request.get(`/api/shows/${id}/lookup?q=A1 7&job=No`)).status()).toBe(400);
  });

  test('a show that is removed while it is open is not written again, and its id stays its own', async ({
    request,
  }) => {
    const id = await demoShow(request);
    await request.delete(`/api/shows/${id}`);
    const edit = { type: 'renameShow', name: 'Back' };
    expect((await request.post(`/api/shows/${id}/edits`, { data: { ...author(0), edit } })).status()).toBe(
      404,
    );
    const next = await demoShow(request);
    expect(next).not.toBe(id);
    expect((await request.get(`/api/shows/${id}`)).status()).toBe(404);
  });
});
