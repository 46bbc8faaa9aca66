import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { writePcap } from '../protocols/pcap';
import { captured } from './capture';
import { capturedLight } from './capturedLight';
import { AS_PLANNED } from './rigFacts';
import { PLANNED_SENDER } from './sending';

const plan = planShow(
  aShow({
    props: [aLine('rail', 30)],
    controllers: [aController()],
    patch: [{ propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
  }),
);
const file = writePcap([
  ...captured(plan, PLANNED_SENDER, {
    pattern: 'green',
    on: { on: 'show' },
    level: 1,
    frames: 3,
    rateHz: 40,
  }),
]);

it('lights what a capture file holds, with what is the matter', () => {
  const asked = { prop: 0, file, setup: AS_PLANNED };
  const right = capturedLight(plan, asked)!;
  expect([...right.light!.subarray(0, 4)]).toEqual([0, 255, 0, 0]);
  expect(right.words).toBe(
    '3 packets: 0 not well formed, 0 for nobody of this show. What lights is as it is at the end.',
  );
  const faults = [{ kind: 'noPower' as const, controllerId: 'a' }];
  const dark = capturedLight(plan, { ...asked, setup: { ...AS_PLANNED, faults } })!;
  expect(dark.light!.every((byte) => byte === 0)).toBe(true);
});

it('says why a file is no capture, and nothing without one', () => {
  const words = capturedLight(plan, { prop: null, file: new Uint8Array(40), setup: AS_PLANNED });
  expect(words).toEqual({ light: null, words: expect.stringContaining('no capture in pcap form') });
  expect(capturedLight(plan, { prop: null, file: null, setup: AS_PLANNED })).toBeNull();
});

it('holds a header of 24 bytes, and 16 before each frame of Ethernet, IPv4, UDP and its packet', () => {
  const made = [
    ...captured(plan, PLANNED_SENDER, {
      pattern: 'green',
      on: { on: 'show' },
      level: 1,
      frames: 4,
      rateHz: 40,
    }),
  ];
  const perFrame = made.length / 4;
  expect(perFrame).toBe(Math.floor(perFrame));
  const framed = made.reduce((sum, { payload }) => sum + 16 + 14 + 20 + 8 + payload.length, 0);
  expect(writePcap(made).length).toBe(24 + framed);
  // The packets of a picture go out one after another, and pictures 25 ms apart.
  expect(made.map(({ timeUs }) => timeUs)).toEqual(
    made.map((_, i) => Math.floor(i / perFrame) * 25_000 + (i % perFrame)),
  );
});
