import fs from 'node:fs';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { demoShow, expect, keptShow, openAt, test, otherShows } from './lantern';

// The browser says of each attempt that it was refused.
test.use({ refusals: /./ });

const ROUTES = fs
  .readdirSync(path.resolve(__dirname, '../../src/app/api'), { recursive: true, encoding: 'utf8' })
  .filter((file) => path.basename(file) === 'route.ts')
  .map((file) => `/api/${path.dirname(file)}`);

let elsewhere: http.Server;
let page1 = '';
test.beforeAll(async () => {
  elsewhere = http.createServer((_request, response) => {
    response.setHeader('content-type', 'text/html');
    response.end('<!doctype html><title>Elsewhere</title>');
  });
  await new Promise<void>((resolve) => elsewhere.listen(0, '127.0.0.1', resolve));
  page1 = `:${(elsewhere.address() as AddressInfo).port}/`;
});
test.afterAll(() => elsewhere.close());

for (const host of ['localhost', '127.0.0.1'])
  test(
    `a page of ${host} on another port can read, change and frame nothing`,
    { tag: host === 'localhost' ? [] : '@full' },
    async ({ page, request, baseURL }) => {
      const id = await demoShow(request);
      const before = await otherShows(request, id);
      await page.goto(`http://${host}${page1}`);
      const heard = await page.evaluate(
        async ([base, routes, show]) => {
          const read: string[] = [];
          for (const route of routes as string[]) {
            const address = base + route.replace('[id]', show as string);
            const bodies = [
              '{"name":"x"}',
              new URLSearchParams({ a: 'b' }),
              new Blob(['{}'], { type: 'text/plain' }),
            ];
            for (const mode of ['cors', 'no-cors'] as const) {
              const attempts: RequestInit[] = [{}, ...bodies.map((body) => ({ method: 'POST', body }))];
              if (mode === 'cors')
                attempts.push(
                  { method: 'DELETE' },
                  { method: 'POST', body: '{}', headers: { 'content-type': 'application/json' } },
                );
              for (const attempt of attempts)
                await fetch(address, { ...attempt, mode })
                  .then(async (response) =>
                    read.push(...(response.type === 'opaque' ? [] : [await response.text()])),
                  )
                  .catch(() => {});
            }
          }
          return read;
        },
        [baseURL!, ROUTES, id] as const,
      );
      expect(heard).toEqual([]);
      // A form is sent without asking, and leads away from the page.
      for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data']) {
        await page.goto(`http://${host}${page1}`);
        await page.evaluate(
          ([action, enctype]) => {
            const form = Object.assign(document.createElement('form'), { action, enctype, method: 'post' });
            form.append(Object.assign(document.createElement('input'), { name: '{"x":"', value: '"}' }));
            document.body.append(form);
            form.submit();
          },
          [`${baseURL}/api/shows`, type] as const,
        );
        await expect(page.locator('body')).toContainText('comes from a page of another site');
      }
      await page.goto(`http://${host}${page1}`);
      await page.evaluate((src) => {
        document.body.append(Object.assign(document.createElement('iframe'), { src }));
      }, `${baseURL}/shows/${id}/build`);
      await page.waitForTimeout(1000);
      const [, frame] = page.frames();
      expect(await frame!.evaluate(() => document.body?.innerText ?? '').catch(() => '')).not.toContain(
        'Rapid',
      );
      expect(await otherShows(request, id)).toEqual(before);
      expect((await keptShow(request, id)).name).toBe('A copy of the night');
    },
  );

test('a page may not run scripts but its own', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'build');
  const ran = await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'window.ran = true';
    document.body.append(script);
    return (window as { ran?: boolean }).ran === true;
  });
  expect(ran).toBe(false);
});
