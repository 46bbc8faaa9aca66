import { planShow } from '@/core/plan/plan';
import { readPcap } from '@/core/protocols/pcap';
import { Receiver } from '@/core/rig/packets';
import { lightOfReceived, plannedRig } from '@/core/rig/rig';
import { DEMO_FACTS, demoShow, expect, keptShow, openAt, test } from './lantern';

test('a test is chosen, a fault is set, and what it shows is seen and mended', async ({ page, request }) => {
  const id = await demoShow(request);
  await openAt(page, id, 'prove/prop/net-curtain');
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
  await openAt(page, id, 'prove/prop/slip-rails');
  const bench = page.getByRole('region', { name: 'Test of Slip rails' });
  await expect(bench).toBeVisible();
  await page.keyboard.press('r');
  await expect(bench).toContainText('What lights is not what is planned.');
  const list = page.getByRole('list', { name: 'What is the matter' });
  await expect(list).toContainText('The plugs of port E1 and port E2 are exchanged.');
  await list.getByRole('button', { name: 'Mend it: Port C1 is told the colour order GRB.' }).click();
  await expect(bench).toContainText('What lights is what is planned.');
});

test('a walk is stepped by keys, and Escape stops it before it lets go of the prop', async ({
  page,
  request,
}) => {
  const id = await demoShow(request);
  await openAt(page, id, 'prove/prop/boathouse-gable');
  const bench = page.getByRole('region', { name: 'Test of Boathouse gable' });
  // Its keys come with it.
  await expect(bench).toBeVisible();
  await page.keyboard.press('Space');
  await page.keyboard.press('Space');
  await expect(bench).toContainText('pixel 3');
  await page.keyboard.press('Escape');
  await expect(bench.getByRole('button', { name: 'All off' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page).toHaveURL(/boathouse-gable/);
});

test('what a display shows over HTTP, without a packet', async ({ request }) => {
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

test('what would be sent, as a capture file, lights the same again', async ({ request }) => {
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
  const light = lightOfReceived(plannedRig(plan), receiver.sent);
  const { firstPixel } = plan.props[plan.show.props.findIndex((prop) => prop.id === 'net-curtain')]!;
  expect([...light.subarray(4 * firstPixel, 4 * firstPixel + 4)]).toEqual([0, 255, 0, 0]);
  expect(receiver.malformed).toBe(0);
  for (const query of ['pattern=rainbow', 'pattern=red&frames=0', 'pattern=red&level=x'])
    expect((await request.get(`/api/shows/${id}/capture.pcap?${query}`)).status()).toBe(400);
});
