import type { APIRequestContext } from '@playwright/test';
import { DEMO, DEMO_FACTS, demoShow, expect, keptShow, openAt, saving, test } from './lantern';

const picture = async (response: Response) => {
  const reader = response.body!.getReader();
  let bytes = new Uint8Array(0);
  for (;;) {
    const { done, value } = await reader.read();
    if (done) throw new Error('It ended before a picture came.');
    bytes = Uint8Array.of(...bytes, ...value);
    const length = bytes.length < 4 ? Infinity : new DataView(bytes.buffer).getUint32(0, true);
    if (bytes.length < 4 + length) continue;
    await reader.cancel();
    return bytes.slice(4, 4 + length);
  }
};

/** The rig is one for all shows: here another one has it. */
async function otherShowHasTheRig(request: APIRequestContext) {
  const other = await demoShow(request);
  const opened = await request.post(`/api/shows/${other}/bench`, { data: { do: 'open', takeOver: true } });
  expect(opened.status()).toBe(200);
}

// One rig runs per server: these tests take it one after another.
test.describe.serial('the rig', () => {
  test('red is sent to the demo and comes out green, is mended, and stops by its key', async ({
    page,
    request,
    baseURL,
  }) => {
    const id = await demoShow(request, { facts: DEMO_FACTS });
    await openAt(page, id, 'test/prop/slip-rails');
    const bench = page.getByRole('region', { name: 'Test of Slip rails' });
    await bench.getByRole('button', { name: 'Red', exact: true }).click();
    await bench.getByText('To the simulator', { exact: true }).click();
    await expect(bench).toContainText(/Sent to the simulator, \d+ a second · [\d,]+ packets/);
    await expect(bench).toContainText('What lights is not what is planned.');
    const light = () => fetch(`${baseURL}/api/shows/${id}/bench/light?prop=slip-rails`).then(picture);
    // 30 % of 255 at the chip that takes green for red.
    await expect.poll(async () => [...(await light()).slice(0, 4)]).toEqual([0, 77, 0, 0]);
    const list = page.getByRole('list', { name: 'What is the matter' });
    await list.getByRole('button', { name: 'Mend it: Port C1 is told the colour order GRB.' }).click();
    await expect(bench).toContainText('What lights is what is planned.');
    await expect.poll(async () => [...(await light()).slice(0, 4)]).toEqual([77, 0, 0, 0]);
    // A walk and bands, as they come over the wire.
    await page.keyboard.press('Space');
    await expect(bench).toContainText('pixel 1');
    await expect(bench).toContainText('What lights is what is planned.');
    await bench.getByRole('button', { name: 'Strand bands' }).click();
    await expect(bench).toContainText('What lights is what is planned.');
    // Another window sees that something is sent, and can stop it.
    const other = await page.context().newPage();
    await openAt(other, id, 'test/prop/slip-rails');
    const there = other.getByRole('region', { name: 'Test of Slip rails' });
    await expect(there).toContainText('Another window sends to the simulator');
    await expect(there).toContainText('Strand bands.');
    await other.keyboard.press('Escape');
    await expect(there).toContainText('A preview: nothing is sent');
    await expect(bench.getByRole('button', { name: 'All off' })).toHaveAttribute('aria-pressed', 'true');
    await other.close();
    await expect.poll(async () => (await light()).every((byte) => byte === 0)).toBe(true);
  });

  test(
    'packing bands and panel labels are seen as they would be in life, over real packets',
    { tag: '@full' },
    async ({ page, request }) => {
      await otherShowHasTheRig(request);
      const id = await demoShow(request);
      await openAt(page, id, 'test?sheet=simulator');
      await page.getByRole('combobox', { name: 'Device' }).click();
      await page.getByRole('option', { name: 'Boathouse box' }).click();
      await page.getByLabel('Channels a universe').fill('500');
      await page.getByLabel('Channels a universe').press('Enter');
      await expect(page.getByRole('button', { name: 'As planned' })).toBeEnabled();
      await expect(saving(page)).toContainText('saved');
      await openAt(page, id, 'test/prop/net-curtain');
      const bench = page.getByRole('region', { name: 'Test of Net curtain' });
      await bench.getByRole('button', { name: 'Red', exact: true }).click();
      // Another show has the rig: it is taken only after that was said.
      await bench.getByText('To the simulator', { exact: true }).click();
      await page.getByRole('button', { name: 'Take it' }).click();
      await expect(bench).toContainText('Sent to the simulator');
      await expect(bench).toContainText('What lights is not what is planned.');
      const differs = page.getByRole('list', { name: 'Settings that differ on the simulator' });
      await expect(differs).toContainText('Boathouse box, channels a universe 500, planned');
      await differs.getByRole('button', { name: /^As planned/ }).click();
      await expect(bench).toContainText('What lights is what is planned.');
      await page.locator('[data-testid=prop-score-wall]').click();
      const wall = page.getByRole('region', { name: 'Test of Score wall' });
      await wall.getByRole('button', { name: 'Panel labels' }).click();
      await expect(wall).toContainText('What lights is what is planned.');
      await page.getByRole('button', { name: 'Traffic' }).click();
      const now = page.getByRole('table', { name: 'On the way now' });
      await expect(now.getByRole('row', { name: /Score wall player/ })).toContainText('127.0.0.1:');
      await expect(page.getByTestId('traffic')).toContainText('355');
    },
  );

  test(
    'an index walk is lit on the simulator, which is fed from its other end, and the rig answers it',
    { tag: '@full' },
    async ({ page, request }) => {
      await otherShowHasTheRig(request);
      const wrong = { kind: 'reversedRun', propId: 'club-screen', run: 1 };
      const id = await demoShow(request, {
        facts: [{ ...DEMO_FACTS[0]!, value: { faults: [wrong] } }],
      });
      await openAt(page, id, 'build/prop/club-screen?sheet=walk');
      const main = page.getByRole('main');
      await main.getByText('To the simulator', { exact: true }).click();
      await page.getByRole('button', { name: 'Take it' }).click();
      await expect(main).toContainText(/Sent to the simulator, \d+ a second · [\d,]+ packets/);
      for (let looks = 0; looks < 8; looks += 1) {
        const told = main.getByText(/ways are left|Found in/);
        await expect(told).toBeVisible();
        const before = await told.innerText();
        if (before.startsWith('Found')) break;
        await main.getByRole('button', { name: 'Look at the simulator' }).click();
        await main.getByRole('button', { name: 'That is what I see' }).click();
        await expect(told).not.toHaveText(before);
      }
      await expect(main).toContainText(
        'begins at middle of the bottom and goes counter-clockwise, seen from the front',
      );
      await expect(main).toContainText('left, seen from the front 28');
      // Nobody could light what lies behind the end of the run.
      await expect(main).toContainText('These show the same on every light of the run.');
      await page.getByRole('button', { name: 'Use it' }).click();
      await expect(saving(page)).toContainText('saved');
      const club = (await keptShow(request, id)).props.find((prop) => prop.id === 'club-screen')!;
      expect(club.shape).toMatchObject({
        start: 'bottomMiddle',
        direction: 'counterclockwise',
        installed: { left: 28 },
      });
      await page.getByRole('button', { name: 'Picture', exact: true }).click();
      const state = await (await request.get(`/api/shows/${id}/bench`)).json();
      expect(state.sending).toBeNull();
    },
  );

  test(
    'over HTTP: what is not allowed is refused in a sentence, and nothing leaves this machine unread',
    { tag: '@full' },
    async ({ request }) => {
      const network = {
        ip: '192.0.2.20',
        maskBits: 24,
        given: 'fixed',
        storedBy: '',
        casting: 'unicast',
      } as const;
      const id = await demoShow(request, {
        controllers: DEMO.controllers.map((each, i) => ({
          ...each,
          network: { ...network, ip: `192.0.2.${20 + i}` },
        })),
      });
      const ask = (data: object) => request.post(`/api/shows/${id}/bench`, { data });
      const test = { pattern: 'red', on: { on: 'show' }, level: 0.2, colour: [0, 0, 0, 0], step: null };
      const wish = { to: 'rig', rateHz: 20, isSynced: false, minutes: 2 };
      expect((await ask({ do: 'open', takeOver: true })).status()).toBe(200);
      for (const [bad, words] of [
        [{ do: 'send', test, wish: { ...wish, rateHz: 5000 } }, /rateHz/],
        [{ do: 'send', test: { ...test, pattern: 'rainbow' }, wish }, /pattern/],
        [{ do: 'send', test: { ...test, level: 7 }, wish }, /level/],
        [{ do: 'explode' }, /"do"/],
      ] as const) {
        const refused = await ask(bad);
        expect(refused.status()).toBe(400);
        expect(((await refused.json()) as { error: string }).error).toMatch(words);
      }
      expect((await ask({ do: 'change', test })).status()).toBe(422);
      const unread = await ask({ do: 'send', test, wish: { ...wish, to: 'devices' } });
      expect(unread.status()).toBe(202);
      const { question } = (await unread.json()) as {
        question: { about: string; addresses: { words: string }[] };
      };
      expect(question.about).toBe('addresses');
      expect(question.addresses[0]!.words).toMatch(/Pier box: \d universes by E1.31, 20 times a second/);
      // The demo has a starved curtain: full white is more than it is fed for.
      const fed = await demoShow(request);
      const askFed = (data: object) => request.post(`/api/shows/${fed}/bench`, { data });
      const taken = await askFed({ do: 'open' });
      expect(((await taken.json()) as { question: { about: string } }).question.about).toBe('takeOver');
      expect((await askFed({ do: 'open', takeOver: true })).status()).toBe(200);
      const bright = await askFed({ do: 'send', test: { ...test, level: 1 }, wish });
      expect(((await bright.json()) as { question: { about: string } }).question.about).toBe('level');
      expect((await request.get('/api/shows/nobody/bench')).status()).toBe(404);
      // A page from elsewhere cannot make it send.
      const foreign = await request.post(`/api/shows/${id}/bench`, {
        data: { do: 'send', test, wish },
        headers: { origin: 'http://elsewhere.example' },
      });
      expect(foreign.status()).toBe(403);
      const { sending } = (await (await request.get(`/api/shows/${fed}/bench`)).json()) as {
        sending: unknown;
      };
      expect(sending).toBeNull();
      expect((await askFed({ do: 'close' })).status()).toBe(200);
    },
  );
});
