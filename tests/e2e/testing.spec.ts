import { planShow } from '@/core/plan/plan';
import { readPcap } from '@/core/protocols/pcap';
import { Receiver } from '@/core/rig/packets';
import { lightOfReceived, plannedRig } from '@/core/rig/rig';
import { DEMO_FACTS, demoShow, expect, fill, keptShow, openAt, saving, test } from './lantern';

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
