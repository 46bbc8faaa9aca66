import { planShow } from '@/core/plan/plan';
import { readPcap } from '@/core/protocols/pcap';
import { Receiver } from '@/core/rig/packets';
import { lightOfReceived, plannedRig } from '@/core/rig/rig';
import { DEMO, DEMO_FACTS, demoShow, expect, fill, keptShow, openAt, saving, test } from './lantern';

test('a test is chosen, a fault is set, and what it shows is seen and mended', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'test/prop/net-curtain');
  const bench = page.getByRole('region', { name: 'Test of Net curtain' });
  await bench.getByRole('button', { name: 'Strand bands' }).click();
  await expect(bench).toContainText('What lights is what is planned.');
  await page.getByRole('combobox', { name: 'What is the matter' }).click();
  await page.getByRole('option', { name: 'Fed from its other end' }).click();
  await page.getByRole('button', { name: 'Net curtain run 1 is fed from its other end.' }).click();
  await expect(bench).toContainText('What lights is not what is planned.');
  // A fill is blind to it.
  await page.keyboard.press('r');
  await expect(bench).toContainText('Blind to swapped ports');
  await expect(bench).toContainText('What lights is what is planned.');
  // It stays with the show, in another window too.
  await page.reload();
  const list = page.getByRole('list', { name: 'What is the matter' });
  await expect(list).toContainText('fed from its other end');
  await list.getByRole('button', { name: /^Mend it: Net curtain/ }).click();
  await expect(list).toBeHidden();
});

test('the demo: red sent to a prop is green, until its setting is mended', async ({ page, request }) => {
  const id = await demoShow(request, { facts: DEMO_FACTS });
  await openAt(page, id, 'test/prop/slip-rails');
  const bench = page.getByRole('region', { name: 'Test of Slip rails' });
  await expect(bench).toBeVisible();
  await page.keyboard.press('r');
  await expect(bench).toContainText('What lights is not what is planned.');
  const list = page.getByRole('list', { name: 'What is the matter' });
  await expect(list).toContainText('The plugs of port E1 and port E2 are exchanged.');
  await list.getByRole('button', { name: 'Mend it: Port C1 is told the colour order GRB.' }).click();
  await expect(bench).toContainText('What lights is what is planned.');
});

test(
  'a walk is stepped by keys, and Escape stops it before it lets go of the prop',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'test/prop/boathouse-gable');
    const bench = page.getByRole('region', { name: 'Test of Boathouse gable' });
    // Its keys come with it.
    await expect(bench).toBeVisible();
    await page.keyboard.press('Space');
    await page.keyboard.press('Space');
    await expect(bench).toContainText('pixel 2');
    await page.keyboard.press('Escape');
    await expect(bench.getByRole('button', { name: 'All off' })).toHaveAttribute('aria-pressed', 'true');
    await expect(page).toHaveURL(/boathouse-gable/);
  },
);

test('what a display shows over HTTP, without a packet', { tag: '@full' }, async ({ request }) => {
  const id = await demoShow(request);
  const show = await keptShow(request, id);
  const ask = async (asked: object) => request.post('/api/rig', { data: { show, ...asked } });
  const curtain = async (asked: object) => {
    const answer = (await (await ask(asked)).json()) as {
      runs: { propId: string; light: number[] }[];
    };
    return answer.runs.find(({ propId }) => propId === 'net-curtain')!.light;
  };
  expect((await curtain({ pattern: 'red' })).slice(0, 4)).toEqual([255, 0, 0, 0]);
  const { controllerId, port } = show.patch.find(({ propId }) => propId === 'net-curtain')!;
  const fault = { kind: 'colourOrder', controllerId, port, order: 'GRB' };
  expect((await curtain({ pattern: 'red', faults: [fault] })).slice(0, 4)).toEqual([0, 255, 0, 0]);
  const refused = await ask({ pattern: 'rainbow' });
  expect(refused.status()).toBe(422);
});

test(
  'what would be sent, as a capture file, lights the same again',
  { tag: '@full' },
  async ({ request }) => {
    const id = await demoShow(request);
    const answer = await request.get(
      `/api/shows/${id}/capture.pcap?pattern=green&frames=3&level=1&prop=net-curtain`,
    );
    expect(answer.headers()['content-type']).toBe('application/vnd.tcpdump.pcap');
    const { datagrams, otherPackets } = readPcap(new Uint8Array(await answer.body()));
    expect(otherPackets).toBe(0);
    const plan = planShow(await keptShow(request, id));
    const receiver = new Receiver(plan);
    for (const datagram of datagrams) receiver.hear(datagram);
    const light = lightOfReceived(plannedRig(plan), receiver.sentTo);
    const { firstPixel } = plan.props[plan.show.props.findIndex((prop) => prop.id === 'net-curtain')]!;
    expect([...light.subarray(4 * firstPixel, 4 * firstPixel + 4)]).toEqual([0, 255, 0, 0]);
    expect(receiver.malformed).toBe(0);
    for (const query of ['pattern=rainbow', 'pattern=red&frames=0', 'pattern=red&level=x'])
      expect((await request.get(`/api/shows/${id}/capture.pcap?${query}`)).status()).toBe(400);
  },
);

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

test(
  'two things that are stacked are found by the page and mended on the simulator, by keyboard',
  { tag: '@full' },
  async ({ page, request }) => {
    const faults: Record<string, string | number>[] = [
      { kind: 'colourOrder', controllerId: 'yard-box', port: 1, order: 'BGR' },
      { kind: 'brokenJoint', controllerId: 'yard-box', port: 1, place: 31 },
    ];
    const id = await demoShow(request, { facts: [{ ...DEMO_FACTS[0]!, value: { faults } }] });
    await openAt(page, id, 'test/prop/bollard-rings?sheet=find');
    const main = page.getByRole('main');
    const question = main.getByRole('region', { name: 'The question' });
    for (let questions = 0; questions < 24; questions += 1) {
      await expect(question.getByRole('heading')).toBeVisible();
      const heading = await question.getByRole('heading').innerText();
      if (heading.startsWith('Nothing ')) break;
      const button =
        heading === 'This is the matter' || heading.startsWith('The likeliest')
          ? question.getByRole('button', { name: 'Mend it on the simulator' })
          : question.getByRole('button', { name: 'Answer from the simulator' });
      const before = await main.getByText(/answers? so far/).innerText();
      await button.focus();
      await page.keyboard.press('Enter');
      await expect(main.getByText(/answers? so far/)).not.toHaveText(before);
    }
    await expect(question).toContainText('what was mended is mended.');
    await expect(saving(page)).toContainText('saved');
    const facts = (await (await request.get(`/api/shows/${id}/facts`)).json()) as {
      facts: { field: string; value: unknown }[];
    };
    expect(facts.facts.findLast(({ field }) => field === 'rig')?.value ?? null).toBeNull();
  },
);

test(
  'what is seen is told by pictures, by a place that is tapped or typed, and taken back',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    await openAt(page, id, 'test/prop/pier-railing?sheet=find');
    const main = page.getByRole('main');
    const answers = main.getByRole('list', { name: 'What do you see' });
    await expect(answers.getByRole('button', { name: 'As planned' })).toBeVisible();
    await main.getByRole('button', { name: 'Lit up to a place, dark behind it…' }).click();
    await fill(page, 'Tap the first dark light, or type its number', '50');
    const suspects = main.getByRole('region', { name: 'Suspects' });
    await expect(suspects).toContainText(/pixel 50 of Pier railing/);
    await main.getByRole('button', { name: 'Back one step' }).click();
    await expect(suspects).toContainText('0 answers so far');
    await expect(suspects).not.toContainText('pixel 50 of');
    await main.getByRole('button', { name: 'I can’t tell' }).click();
    await expect(suspects).toContainText('1 answer so far');
    await openAt(page, id, 'test/prop/winch-house-edge?sheet=find');
    await expect(page.getByRole('main')).toContainText('is on no port, so nothing of it can be tried');
    const asked = { show: await keptShow(request, id), propId: 'bollard-rings', evidence: [] };
    const answer = await (await request.post('/api/diagnose', { data: asked })).json();
    expect(answer.next.answers.length).toBeGreaterThan(3);
    const refused = await request.post('/api/diagnose', { data: { ...asked, propId: 'nobody' } });
    expect(refused.status()).toBe(422);
  },
);

test('how long pictures take is a sheet over HTTP', { tag: '@full' }, async ({ request }) => {
  const id = await demoShow(request);
  const csv = await (await request.get(`/api/shows/${id}/sheets/traffic.csv`)).text();
  expect(csv.split('\n')[0]).toContain('A picture takes');
  expect(csv).toContain('Score wall player');
});

test(
  'a capture file is put before the simulator, and lights what it holds',
  { tag: '@full' },
  async ({ page, request }) => {
    const id = await demoShow(request);
    const answer = await request.get(
      `/api/shows/${id}/capture.pcap?pattern=blue&frames=2&level=1&prop=net-curtain`,
    );
    await openAt(page, id, 'test/prop/net-curtain');
    const bench = page.getByRole('region', { name: 'Test of Net curtain' });
    const choose = async (name: string, buffer: Buffer) => {
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        bench.getByRole('button', { name: 'Open a capture…' }).click(),
      ]);
      await chooser.setFiles({ name, mimeType: 'application/vnd.tcpdump.pcap', buffer });
    };
    await choose('blue.pcap', await answer.body());
    await expect(bench).toContainText(/blue\.pcap: \d+ packets: 0 not well formed, 0 for nobody/);
    // Some of the picture is blue.
    await expect
      .poll(() =>
        bench.getByTestId('picture').evaluate((canvas: HTMLCanvasElement) => {
          const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
          for (let i = 0; i < data.length; i += 4)
            if (data[i + 2]! > 200 && data[i]! < 60 && data[i + 1]! < 60) return true;
          return false;
        }),
      )
      .toBe(true);
    await bench.getByRole('button', { name: 'Close blue.pcap' }).click();
    await choose('notes.pcap', Buffer.from('these are just words, and no capture at all'));
    await expect(bench).toContainText('no capture in pcap form');
  },
);
