import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { deviceSettings } from '../devices/deviceSettings';
import type { FoundSettings } from '../devices/found';
import { painted, patternById } from '../patterns/registry';
import { stretchesOf } from '../patterns/selection';
import { planShow } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { isAsPlanned, setupOfFound, withSetups, type DeviceSetup } from './deviceSetup';
import { afterPowerCut, lightOfSent, plannedRig } from './rig';

const wantedOf = (plan: Plan, pattern: string) =>
  painted(patternById(pattern)!, {
    plan,
    stretches: stretchesOf(plan, { on: 'show' }),
    timeS: 0.3,
    step: null,
    level: 1,
    colour: [10, 20, 30, 40],
  });

/** Two lines of 450 on two ports of a box: universes 1 to 6, of 510. */
const plan = planShow(
  aShow({
    props: [aLine('left', 450), aLine('right', 450)],
    controllers: [aController()],
    patch: [
      { propId: 'left', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 },
      { propId: 'right', run: 1, controllerId: 'a', port: 2, skippedPixels: 0 },
    ],
  }),
);
const red = wantedOf(plan, 'red');
const shows = (setup: Omit<DeviceSetup, 'controllerId'>, isAfterCut = false) => {
  const rig = withSetups(plannedRig(plan), [{ controllerId: 'a', ...setup }]);
  const light = lightOfSent(isAfterCut ? afterPowerCut(rig) : rig, red);
  return (pixel: number) => [...light.subarray(4 * pixel, 4 * pixel + 3)];
};
const RED = [255, 0, 0];
const DARK = [0, 0, 0];

it('shows what a count that is too low, another order, a switch that is off do', () => {
  const few = shows({ ports: [{ port: 2, pixels: 440 }] });
  expect([449, 450, 889, 890, 899].map(few)).toEqual([RED, RED, RED, DARK, DARK]);
  const chip = deviceSettings(plan, 0).ports[0]!.colourOrder;
  const other = chip === 'RGB' ? 'GRB' : 'RGB';
  const turned = shows({ ports: [{ port: 1, colourOrder: other }] });
  expect(turned(0)).not.toEqual(RED);
  expect(turned(450)).toEqual(RED);
  expect([0, 450].map(shows({ ports: [{ port: 1, isOff: true }] }))).toEqual([DARK, RED]);
  expect([0, 899].map(shows({ isOutputOff: true }))).toEqual([DARK, DARK]);
  expect(shows({ protocol: 'artnet' })(0)).toEqual(DARK);
  expect(shows({ brightnessPercent: 10 })(0)).toEqual([26, 0, 0]);
  expect(shows({ ownTest: true })(0)).toEqual([0, 0, 255]);
});

it('reads on over all runs of a port from a start of its own', () => {
  // One pixel further on: what the second is sent lights the first.
  const wanted = new Uint8Array(4 * plan.pixelCount);
  wanted[4] = 200;
  const { universe } = deviceSettings(plan, 0).ports[0]!;
  const rig = withSetups(plannedRig(plan), [
    { controllerId: 'a', ports: [{ port: 1, universe: universe!, channel: 4 }] },
  ]);
  const light = lightOfSent(rig, wanted);
  expect([...light.keys()].filter((at) => light[at]! > 0)).toEqual([0]);
});

it('what was not saved is gone after a power cut, what wants a restart is in force then', () => {
  const ports = [{ port: 1, pixels: 10 }];
  expect([false, true].map((cut) => shows({ ports, isUnsaved: true }, cut)(20))).toEqual([DARK, RED]);
  expect([false, true].map((cut) => shows({ ports, wantsRestart: true }, cut)(20))).toEqual([RED, DARK]);
});

it('is as planned where it says what is planned, for any show', () => {
  fc.assert(
    fc.property(anyBusyShow, (show) => {
      const any = planShow(show);
      const wanted = wantedOf(any, 'bands');
      const setups = show.controllers.map(({ id, protocol }, index): DeviceSetup => {
        const { firstUniverse, ports } = deviceSettings(any, index);
        return {
          controllerId: id,
          protocol,
          ...(firstUniverse !== null && { firstUniverse }),
          ports: ports.flatMap(({ port, part, pixels, direction }) =>
            part > 1 || pixels === null || direction === null ? [] : [{ port, pixels, direction }],
          ),
        };
      });
      const light = lightOfSent(withSetups(plannedRig(any), setups), wanted);
      // A count that is told reads on, where it is planned in pieces: only what is driven by one run a port is the same.
      any.ports
        .filter(({ runs }) => runs.length === 1)
        .forEach(({ runs }) => {
          const { firstPixel, pixelCount } = any.runs[runs[0]!]!;
          const [from, to] = [4 * firstPixel, 4 * (firstPixel + pixelCount)];
          expect([...light.subarray(from, to)]).toEqual([
            ...lightOfSent(plannedRig(any), wanted).subarray(from, to),
          ]);
        });
    }),
    { numRuns: tries(40), endOnFailure: true },
  );
});

describe('what was found on a device', () => {
  const found = (more: Partial<FoundSettings>): FoundSettings => ({
    controllerId: 'a',
    where: 'controller',
    foundAt: '2026-11-26 20:00',
    ports: [],
    ...more,
  });
  it('becomes the setup of its twin, in the numbers of the plan, with what differs alone', () => {
    const { firstUniverse, ports } = deviceSettings(plan, 0);
    const setup = setupOfFound(
      plan,
      found({
        counting: { universesShifted: -1, channelsFrom: 0 },
        firstUniverse: firstUniverse! - 1,
        channelsPerUniverse: 512,
        ports: [
          { port: 1, pixels: 450, universe: ports[0]!.universe! - 1, channel: 0 },
          { port: 2, pixels: 440, colourOrder: 'BRG', direction: 'reversed' },
        ],
      }),
    )!;
    expect(setup).toEqual({
      controllerId: 'a',
      channelsPerUniverse: 512,
      ports: [{ port: 2, pixels: 440, colourOrder: 'BRG', direction: 'reversed' }],
    });
    expect(isAsPlanned(setup)).toBe(false);
  });
  it('says that ports are off which a whole list leaves out, and nothing of those that nobody looked at', () => {
    const one = [{ port: 1, pixels: 450 }];
    expect(setupOfFound(plan, found({ ports: one }))!.ports).toEqual([{ port: 2, isOff: true }]);
    expect(isAsPlanned(setupOfFound(plan, found({ ports: one, partial: true }))!)).toBe(true);
    expect(setupOfFound(plan, { ...found({}), where: 'sender' })).toBeNull();
    expect(setupOfFound(plan, { ...found({}), controllerId: 'x' })).toBeNull();
  });
});
