import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aLine, aShow, anyShow } from '../../../tests/unit/shows';
import { addressOf } from '../answers/lookup';
import { planShow } from '../plan/plan';
import type { LaidShow } from '../plan/planned';
import { applyEdit, type Edit } from '../show/edits/registry';
import type { Show } from '../show/schema';
import { deviceSettings, valuesToType } from './deviceSettings';
import { comparePlans, foresee } from './foresight';
import { universesOfController, universesOfRun } from './universeSizes';

const entry = (propId: string, port: number) => ({
  propId,
  run: 1,
  controllerId: 'a',
  port,
  skippedPixels: 0,
});
const show: Show = aShow({
  props: [aLine('rail', 100), aLine('arch', 50), aLine('mast', 60)],
  controllers: [aController()],
  patch: [entry('rail', 1), entry('arch', 2), entry('mast', 3)],
});
const longer: Edit = {
  type: 'setShape',
  propId: 'rail',
  shape: { legs: [{ lengthMm: 6000, headingDeg: 0, pixels: { by: 'count', count: 120 } }] },
};

const foreseen = (of: Show, edit: Edit) =>
  foresee(planShow(of), edit, planShow(applyEdit(of, edit)), '2026-12-01');

it('says what moves and what has to be typed again, old to new', () => {
  const { tidy } = foreseen(show, longer)!;
  expect(tidy.foresight.moved.map((moved) => `${moved.name}: ${moved.old} → ${moved.new}`)).toEqual([
    'rail: U1 ch 1 – U1 ch 300 → U1 ch 1 – U1 ch 360',
    'arch: U1 ch 301 – U1 ch 450 → U1 ch 361 – U1 ch 510',
    'mast: U1 ch 451 – U2 ch 120 → U2 ch 1 – U2 ch 180',
  ]);
  expect(tidy.foresight.visits).toEqual(['a']);
  expect(
    tidy.foresight.values.map((value) => `${value.port} ${value.what} ${value.old} → ${value.new}`),
  ).toEqual([
    'A1 pixels 100 → 120',
    'A2 start channel 301 → 361',
    'A3 start universe 1 → 2',
    'A3 start channel 451 → 1',
  ]);
});

it('moves only what grew, into the first gap behind, where little walking is asked for', () => {
  const { least } = foreseen(show, longer)!;
  expect(least.foresight.moved.map((moved) => `${moved.name}: ${moved.new}`)).toEqual([
    'rail: U2 ch 121 – U2 ch 480',
  ]);
  expect(least.foresight.values.map((value) => `${value.port} ${value.what}`)).toEqual([
    'A1 pixels',
    'A1 start universe',
    'A1 start channel',
  ]);
});

it('keeps a run that grew at its place when spare channels behind it hold what it gained', () => {
  const spare = { ...show, patch: [{ ...entry('rail', 1), spareChannels: 60 }, ...show.patch.slice(1)] };
  const { least } = foreseen(spare, longer)!;
  expect(least.foresight.moved.map((moved) => `${moved.name}: ${moved.new}`)).toEqual([
    'rail: U1 ch 1 – U1 ch 360',
  ]);
});

it('lists a port that is new, and one that is switched off', () => {
  const before = planShow(show);
  const after = planShow(
    applyEdit(show, { type: 'putRun', propId: 'mast', run: 1, controllerId: 'a', port: 4 }),
  );
  expect(
    valuesToType(before, after).map((value) => `${value.port} ${value.what} ${value.old} → ${value.new}`),
  ).toEqual([
    'A4 pixels nothing → 60',
    'A4 start universe nothing → 1',
    'A4 start channel nothing → 451',
    'A4 colour order nothing → RGB',
    'A3 pixels 60 → 0',
  ]);
});

it('never moves more runs with the least change than with all laid anew, and leaves the rest alone', () => {
  fc.assert(
    fc.property(anyShow, fc.nat(), fc.integer({ min: 1, max: 90 }), (any, at, count) => {
      const prop = any.props[at % any.props.length]!;
      fc.pre(prop.kind === 'line');
      const before = planShow(any);
      const edit: Edit = {
        type: 'setShape',
        propId: prop.id,
        shape: { legs: [{ lengthMm: 5000, headingDeg: 0, pixels: { by: 'count', count } }] },
      };
      const choices = foreseen(any, edit);
      if (!choices) {
        expect(comparePlans(before, planShow(applyEdit(any, edit)))).toMatchObject({
          moved: [],
          renumbered: [],
          values: [],
          visits: [],
        });
        return;
      }
      const { tidy, least } = choices;
      const others = (moved: { propId: string }[]) => moved.filter((each) => each.propId !== prop.id).length;
      expect(others(least.foresight.moved)).toBeLessThanOrEqual(others(tidy.foresight.moved));
      // Foresight is what the change then does.
      const done = comparePlans(before, planShow(applyEdit(any, least.edit)));
      expect(done).toEqual(least.foresight);
      // Slot by slot: making room covers nothing that was not covered before.
      const twice = (plan: LaidShow) => {
        const taken = new Set<string>();
        const covered = new Set<string>();
        for (const { universe, startChannel, channelCount } of plan.spans)
          for (let slot = startChannel; universe !== null && slot < startChannel + channelCount; slot += 1) {
            const key = `${universe} ${slot}`;
            if (taken.has(key)) covered.add(key);
            taken.add(key);
          }
        return covered.size;
      };
      expect(twice(planShow(applyEdit(any, least.edit)))).toBeLessThanOrEqual(twice(before));
    }),
    { numRuns: tries(60) },
  );
});

it('knows what is typed into a device', () => {
  expect(deviceSettings(planShow(show), 0)).toMatchObject({
    firstUniverse: 1,
    universes: 2,
    channelsPerUniverse: 510,
    ports: [
      {
        name: 'A1',
        pixels: 100,
        universe: 1,
        channel: 1,
        endUniverse: 1,
        endChannel: 300,
        colourOrder: 'RGB',
      },
      { name: 'A2', universe: 1, channel: 301 },
      { name: 'A3', universe: 1, channel: 451, endUniverse: 2, endChannel: 120 },
    ],
  });
});

it('keeps show channels of universes that nobody touched, and lists those that it changes', () => {
  // The longer run goes behind everything, so the universes before it keep their show channels.
  const { least } = foreseen(show, longer)!;
  expect(least.foresight.renumbered).toEqual([]);
  // A universe that is new in front of the others moves them all in the count of the show, though none is touched.
  const far = aShow({
    props: [aLine('rail', 100), aLine('arch', 50)],
    controllers: [
      aController({ firstUniverse: 5 }),
      aController({ id: 'b', name: 'Box B', label: 'B', firstUniverse: 20 }),
    ],
    patch: [entry('rail', 1), { ...entry('arch', 1), controllerId: 'b' }],
  });
  const change: Edit = { type: 'putRun', propId: 'rail', run: 1, controllerId: 'b', port: 2 };
  expect(comparePlans(planShow(far), planShow(applyEdit(far, change))).renumbered).toMatchObject([
    { name: 'arch', old: 'show channel 511', new: 'show channel 1' },
  ]);
});

it('tells of a universe that two controllers share after a change', () => {
  const two = aShow({
    props: [aLine('rail', 100), aLine('arch', 50)],
    controllers: [aController(), aController({ id: 'b', name: 'Box B', label: 'B', firstUniverse: 9 })],
    patch: [entry('rail', 1), { ...entry('arch', 1), controllerId: 'b' }],
  });
  const change: Edit = { type: 'changeController', controllerId: 'b', change: { firstUniverse: 1 } };
  expect(comparePlans(planShow(two), planShow(applyEdit(two, change))).shared).toEqual([
    { universe: 1, controllers: ['Box A', 'Box B'] },
  ]);
});

it('says that a run moves from one DDP device to another, though its bytes are the same', () => {
  const ddp = (id: string, label: string) =>
    aController({ id, label, name: `Box ${label}`, protocol: 'ddp' });
  const two = { ...show, controllers: [ddp('a', 'A'), ddp('b', 'B')], patch: [entry('rail', 1)] };
  const moved = applyEdit(two, { type: 'putRun', propId: 'rail', run: 1, controllerId: 'b', port: 1 });
  expect(comparePlans(planShow(two), planShow(moved)).moved).toMatchObject([
    { name: 'rail', old: 'Box A byte 0 – byte 299', new: 'Box B byte 0 – byte 299' },
  ]);
});

it('tells an Art-Net device its port-addresses, just those that a pixel is looked up by', () => {
  fc.assert(
    fc.property(anyShow, (any) => {
      const plan = planShow(any);
      any.controllers.forEach((controller, index) => {
        for (const port of deviceSettings(plan, index).ports) {
          const run = plan.ports.find((each) => each.controller === index && each.port === port.port)!.runs;
          const wires = run.map((each) => addressOf(plan, plan.runs[each]!.firstPixel).wire);
          // Skipped pixels with channels come before the first pixel.
          // A device with one start for all of it is told that of its first port.
          if (controller.skippedPixelsTakeChannels || wires.length !== 1 || port.part > 1) continue;
          const isFollowing = port !== deviceSettings(plan, index).ports[0] && port.universe === null;
          if (isFollowing) continue;
          const [wire] = wires;
          if (controller.protocol === 'artnet' && wire?.artNet)
            expect([port.universe, port.channel]).toEqual([wire.artNet.portAddress, wire.artNet.channel]);
          if (controller.protocol === 'e131' && wire?.e131)
            expect([port.universe, port.channel]).toEqual([wire.e131.universe, wire.e131.channel]);
        }
      });
    }),
    { numRuns: tries(60) },
  );
  const art = { ...show, controllers: [aController({ protocol: 'artnet', artNetOffset: -1 })] };
  const moved = applyEdit(art, longer);
  expect(
    valuesToType(planShow(art), planShow(moved)).map((value) => `${value.what} ${value.old} → ${value.new}`),
  ).toContain('start port-address 0 → 1');
});

it('lets a run grow up to its neighbour, and not by one channel into it', () => {
  const placed = (channel: number) => {
    const [rail, arch] = show.patch;
    const patch = [rail!, { ...arch!, pin: { universe: 1, channel } }];
    return foreseen({ ...show, patch }, longer)!.least.foresight.moved.map(
      (moved) => `${moved.name}: ${moved.new}`,
    );
  };
  // 120 pixels take channels 1 to 360.
  expect(placed(361)).toEqual(['rail: U1 ch 1 – U1 ch 360']);
  expect(placed(360)).toEqual(['rail: U1 ch 510 – U2 ch 357']);
});

it('counts a universe up to its last pixel, where spare channels have put whole pixels further on', () => {
  // 100 pixels and two spare channels: 70 more begin at 303 and end at 512, beyond the 510 of whole pixels from 1.
  const spare = planShow(
    aShow({
      props: [aLine('rail', 100), aLine('arch', 70)],
      controllers: [aController()],
      patch: [{ ...entry('rail', 1), spareChannels: 2 }, entry('arch', 2)],
    }),
  );
  expect([...universesOfRun(spare, 0)]).toEqual([[1, 510]]);
  expect([...universesOfRun(spare, 1)]).toEqual([[1, 512]]);
  expect([...universesOfController(spare, 0)]).toEqual([[1, 512]]);
});
