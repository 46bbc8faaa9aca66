/** @jest-environment node */
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '@/core/plan/plan';
import type { SentTest } from '@/core/rig/benchState';
import { withFaults } from '@/core/rig/faults/registry';
import { plannedRig } from '@/core/rig/rig';
import type { Show } from '@/core/show/schema';
import { artnet } from '@/core/protocols/artNet';
import { pollDevice } from './poll';
import { RIG_ADDRESS, RigListener } from './rigListener';
import { SenderLoop, type SenderSetting } from './senderLoop';

const TEST: SentTest = { pattern: 'red', on: { on: 'show' }, level: 1, colour: [0, 0, 0, 0], step: null };

/** A line of 30 on each of the controllers. */
const showOf = (...controllers: Partial<ReturnType<typeof aController>>[]): Show =>
  aShow({
    props: controllers.map((_, i) => aLine(`rail-${i}`, 30)),
    controllers: controllers.map((change, i) =>
      aController({ id: `c${i}`, name: `Box ${i}`, label: 'ABCDEF'[i]!, ...change }),
    ),
    patch: controllers.map((_, i) => ({
      propId: `rail-${i}`,
      run: 1,
      controllerId: `c${i}`,
      port: 1,
      skippedPixels: 0,
    })),
  });

async function opened(show: Show, change: Partial<SenderSetting> = {}, test = TEST) {
  const plan = planShow(show);
  const listener = await RigListener.open(plannedRig(plan));
  const sender = new SenderLoop(
    plan,
    plannedRig(plan).sender,
    {
      targets: listener.ports.map((port) => (port === null ? null : { address: RIG_ADDRESS, port })),
      mostGroups: listener.groupCount,
      from: RIG_ADDRESS,
      withLinks: true,
      isSynced: false,
      rateHz: 40,
      rates: new Map(),
      ...change,
    },
    test,
  );
  return { plan, listener, sender };
}

const wait = (ms: number) => new Promise((resume) => setTimeout(resume, ms));
/** Waits until something is so, on a machine that may be busy. */
async function sees(what: () => boolean): Promise<void> {
  for (let tries = 0; tries < 200 && !what(); tries += 1) await wait(25);
  expect(what()).toBe(true);
}

it('lights every protocol over its own socket, takes another test, and ends dark', async () => {
  const show = showOf({}, { protocol: 'artnet', firstUniverse: 7 }, { protocol: 'ddp', firstUniverse: null });
  const { listener, sender } = await opened(show);
  const running = sender.run();
  const isAll = (colour: number[]) => {
    const light = listener.light();
    return light.length === 360 && light.every((byte, i) => byte === colour[i % 4]);
  };
  await sees(() => isAll([255, 0, 0, 0]));
  sender.setTest({ ...TEST, pattern: 'blue' });
  await sees(() => isAll([0, 0, 255, 0]));
  const { controllers, refused } = sender.report();
  expect(refused).toBe(0);
  expect(controllers.map(({ universes, packetsPerS }) => [universes, packetsPerS > 5])).toEqual(
    Array(3).fill([1, true]),
  );
  sender.stop();
  await running;
  await sees(() => isAll([0, 0, 0, 0]));
  for (const heard of listener.report()) expect([heard.malformed, heard.lost]).toEqual([0, 0]);
  listener.close();
});

it('sends universes to their groups where their devices listen to groups, and hears them on this machine alone', async () => {
  const network = {
    ip: '10.0.0.20',
    maskBits: 24,
    given: 'fixed' as const,
    storedBy: '',
    casting: 'multicast' as const,
  };
  const { listener, sender } = await opened(showOf({ network }));
  // A system without groups on its loopback is named, and each device is sent to alone.
  expect(listener.groupCount + listener.notes.filter((note) => note.startsWith('Groups')).length).toBe(1);
  const running = sender.run();
  await sees(() => listener.light()[0] === 255);
  if (listener.groupCount === 1) expect(sender.report().controllers[0]!.to).toMatch(/^1 groups/);
  sender.stop();
  await running;
  listener.close();
});

it('shows synchronised pictures, and sends to a slow device less often', async () => {
  const { listener, sender } = await opened(showOf({}, {}), { isSynced: true, rates: new Map([[1, 5]]) });
  const running = sender.run();
  await sees(() => listener.light().every((byte, i) => byte === (i % 4 === 0 ? 255 : 0)));
  sender.report();
  await wait(1500);
  const [fast, slow] = sender.report().controllers;
  expect(slow!.packetsPerS).toBeLessThan(fast!.packetsPerS / 3);
  sender.stop();
  await running;
  listener.close();
});

it('listens on the next port where one is taken, and says so', async () => {
  const first = await opened(showOf({}));
  const second = await opened(showOf({}));
  expect(second.listener.ports[0]).toBeGreaterThan(first.listener.ports[0]!);
  expect(second.listener.notes.join(' ')).toContain(
    `in use by another program; Box 0 listens on ${second.listener.ports[0]}`,
  );
  first.listener.close();
  second.listener.close();
});

it('drops pictures on a port that cannot keep up, and says how many', async () => {
  const show = showOf({ mostPixelsPerPort: 5000 });
  // 3,000 pixels take 90 ms.
  const { listener, sender } = await opened({ ...show, props: [aLine('rail-0', 3000)] });
  const running = sender.run();
  await sees(() => (listener.report()[0]!.slow[0]?.dropped ?? 0) > 5);
  const [slow] = listener.report()[0]!.slow;
  expect(slow!.frameMs).toBeGreaterThan(85);
  expect(slow!.shown).toBeLessThan(slow!.dropped);
  sender.stop();
  await running;
  listener.close();
});

it('says who it is where it is asked, and nothing where it is not reached', async () => {
  const { plan, listener } = await opened(showOf({ protocol: 'artnet', name: 'Slipway node' }));
  const reply = await pollDevice(artnet.poll!, RIG_ADDRESS, listener.ports[0]!, RIG_ADDRESS);
  expect(reply).toMatchObject({ shortName: 'Slipway node', outputs: [expect.any(Number)] });
  listener.setRig(withFaults(plannedRig(plan), [{ kind: 'notReached', controllerId: 'c0' }]));
  expect(await pollDevice(artnet.poll!, RIG_ADDRESS, listener.ports[0]!, RIG_ADDRESS)).toBeNull();
  listener.close();
});

it('hands over to the next without making anything dark', async () => {
  const { plan, listener, sender } = await opened(showOf({}));
  const first = sender.run();
  await sees(() => listener.light()[0] === 255);
  sender.stop(true);
  await first;
  // Nothing came after the last picture.
  await wait(60);
  expect(listener.light()[0]).toBe(255);
  expect(plan.pixelCount).toBe(30);
  listener.close();
});
