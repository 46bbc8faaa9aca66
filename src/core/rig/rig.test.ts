import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { aFeed, aSupply, toPixel } from '../../../tests/unit/power';
import { aController, aGrid, aLine, aShow } from '../../../tests/unit/shows';
import { PATTERNS, painted, patternById } from '../patterns/registry';
import { stretchesOf } from '../patterns/selection';
import { chipOrders } from '../devices/colourOrders';
import { planShow } from '../plan/plan';
import { wall } from '../props/wall';
import type { Plan } from '../plan/planned';
import type { Show } from '../show/schema';
import {
  controllersTouchedBy,
  FAULT_KINDS,
  faultsOf,
  layerOf,
  readFault,
  sentenceOf,
  withFaults,
  type Fault,
} from './faults/registry';
import { afterPowerCut, lightOfMoving, lightOfOwnTest, lightOfSent, plannedRig, type Rig } from './rig';

const moment = (plan: Plan, more: object = {}) => ({
  plan,
  stretches: stretchesOf(plan, { on: 'show' }),
  timeS: 0.3,
  step: null,
  level: 1,
  colour: [10, 20, 30, 40] as const,
  ...more,
});
const wantedOf = (plan: Plan, pattern: string, more: object = {}) =>
  painted(patternById(pattern)!, moment(plan, more));

/** The part of a picture that can be lit: the colours that each light has, of pixels that have an address. */
function litBy(plan: Plan, wanted: Uint8Array): Uint8Array {
  const light = Uint8Array.from(wanted);
  plan.runs.forEach((run, index) => {
    const order = chipOrders(plan, run.prop)[0]!;
    const isAddressed = run.wire && !plan.runsWithoutAddress.includes(index);
    for (let pixel = run.firstPixel; pixel < run.firstPixel + run.pixelCount; pixel += 1)
      [...'RGBW'].forEach((letter, i) => {
        if (!isAddressed || !order.includes(letter)) light[4 * pixel + i] = 0;
      });
  });
  return light;
}

/** A line of 60 and a net of 6 strands of 10 behind two ports, and a line with white. */
const twoPorts = (change: Partial<Show> = {}): Show =>
  aShow({
    props: [aLine('rail', 400), aGrid('net', 6, 10), aLine('white', 20, { pixelTypeId: 'rgbw' })],
    controllers: [aController()],
    patch: [
      { propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 1 },
      { propId: 'net', run: 1, controllerId: 'a', port: 2, skippedPixels: 0 },
      { propId: 'white', run: 1, controllerId: 'a', port: 3, skippedPixels: 0 },
    ],
    ...change,
  });
/** Two panels of 8 x 4 beside each other. */
const aWall = aLine('wall', 1, {
  kind: 'wall',
  shape: {
    ...wall.starter().shape,
    panel: { ...wall.starter().shape.panel, columns: 8, rows: 4 },
    columns: 2,
    rows: 1,
  },
  threading: wall.starter().threading,
} as never);
/** Two square panels on an output each. */
const squares = {
  ...aWall,
  id: 'squares',
  name: 'Squares',
  shape: {
    ...aWall.shape,
    panel: { ...wall.starter().shape.panel, columns: 8, rows: 8 },
    columns: 1,
    rows: 2,
  },
  threading: {
    ...wall.starter().threading,
    driver: { ...wall.starter().threading.driver, mostPanelsPerOutput: { value: 1, basis: 'typed' } },
  },
} as typeof aWall;
const plan = planShow(twoPorts());
const colourAt = (light: Uint8Array, pixel: number) => [...light.subarray(4 * pixel, 4 * pixel + 3)];
const seen = (faults: Fault[], pattern = 'red', more: object = {}) =>
  lightOfSent(withFaults(plannedRig(plan), faults), wantedOf(plan, pattern, more));
const isLit = (light: Uint8Array, pixel: number) => colourAt(light, pixel).some((byte) => byte > 0);
const on = { controllerId: 'a' };

it('shows what is sent where nothing is the matter, whatever the show', () => {
  fc.assert(
    fc.property(anyBusyShow, fc.constantFrom(...PATTERNS.map(({ id }) => id)), (show, pattern) => {
      const any = planShow(show);
      // Panels have three colours, whatever the type of the prop says.
      fc.pre(
        any.runs.every(({ prop, channelsPerPixel }) => chipOrders(any, prop)[0]!.length === channelsPerPixel),
      );
      const wanted = wantedOf(any, pattern);
      expect(lightOfSent(plannedRig(any), wanted)).toEqual(litBy(any, wanted));
    }),
    { numRuns: tries(30), endOnFailure: true },
  );
}, 60_000);

describe('seen as it would be in life', () => {
  it('a colour order exchanges colours, in what is sent and in its own test alike', () => {
    const fault: Fault = { kind: 'colourOrder', ...on, port: 1, order: 'RGB' };
    // The chips want GRB.
    const chip = chipOrders(plan, 0)[0]!;
    const shown = colourAt(seen([fault]), 5);
    expect(shown[chip.indexOf('R') === 0 ? 0 : 1]).toBe(255);
    const own = lightOfOwnTest(withFaults(plannedRig(plan), [fault]), 0, { colour: [255, 0, 0, 0] });
    expect(colourAt(own, 5)).toEqual(shown);
  });
  it('510 against 512: colours change from universe to universe in what is sent, and its own test is right', () => {
    const fault: Fault = { kind: 'devicePacking', ...on, channels: 512 };
    const red = seen([fault]);
    // 1 hidden pixel takes no channel: 170 pixels a universe.
    expect([0, 170, 340].map((pixel) => colourAt(red, pixel + 5).indexOf(255))).toHaveProperty('length', 3);
    const bands = [5, 200, 380].map((pixel) => colourAt(red, pixel).indexOf(255));
    expect(new Set(bands).size).toBe(3);
    const own = lightOfOwnTest(withFaults(plannedRig(plan), [fault]), 0, { colour: [255, 0, 0, 0] });
    expect([5, 200, 380].map((pixel) => colourAt(own, pixel).indexOf(255))).toEqual([0, 0, 0]);
  });
  it('three channels for four light three quarters of the string, and repeat every three lights', () => {
    const fault: Fault = { kind: 'channelsWrong', ...on, port: 3 };
    const first = plan.props[2]!.firstPixel;
    const rowsOf = (light: Uint8Array) =>
      Array.from({ length: 20 }, (_, i) => String(light.subarray(4 * (first + i), 4 * (first + i) + 4)));
    // 20 lights of three channels are 60 bytes: 15 lights of four.
    const sent = rowsOf(seen([fault]));
    expect(sent.filter((row) => row !== '0,0,0,0')).toHaveLength(15);
    const own = rowsOf(lightOfOwnTest(withFaults(plannedRig(plan), [fault]), 0, { colour: [255, 0, 0, 0] }));
    expect(new Set(own.slice(0, 3)).size).toBe(3);
    expect(own.slice(3, 15)).toEqual(own.slice(0, 12));
    expect(own[15]).toBe('0,0,0,0');
  });
  it('a count that is too low leaves the end dark, one too high lights nothing more of this prop', () => {
    const few = seen([{ kind: 'countWrong', ...on, port: 1, by: -10 }]);
    expect([389, 390, 399].map((pixel) => isLit(few, pixel))).toEqual([true, false, false]);
    const many = seen([{ kind: 'countWrong', ...on, port: 1, by: 1 }]);
    expect(isLit(many, 399)).toBe(true);
  });
  it('a joint that is broken before k is dark from k on, as is a pixel that stops the data, but for itself', () => {
    // Place 51 on the wire is pixel 50: one is hidden.
    const broken = seen([{ kind: 'brokenJoint', ...on, port: 1, place: 51 }]);
    expect([48, 49, 399].map((pixel) => isLit(broken, pixel))).toEqual([true, false, false]);
    const blocking = seen([{ kind: 'blockingPixel', ...on, port: 1, place: 50 }]);
    expect([47, 48, 49].map((pixel) => isLit(blocking, pixel))).toEqual([true, false, false]);
    const dark = seen([{ kind: 'darkPixel', ...on, port: 1, place: 51 }]);
    expect([48, 49, 50].map((pixel) => isLit(dark, pixel))).toEqual([true, false, true]);
  });
  it('a pixel too few or too many moves all after it', () => {
    const walk = (faults: Fault[]) => {
      const light = seen(faults, 'walk', { step: 100 });
      return Array.from({ length: 400 }, (_, i) => i).filter((pixel) => isLit(light, pixel));
    };
    expect(walk([])).toEqual([100]);
    expect(walk([{ kind: 'missingPixel', ...on, port: 1, place: 51 }])).toEqual([101]);
    expect(walk([{ kind: 'extraPixel', ...on, port: 1, place: 51 }])).toEqual([99]);
    expect(walk([{ kind: 'reversedRun', propId: 'rail', run: 1 }])).toEqual([299]);
  });
  it('exchanged plugs show the other prop’s picture', () => {
    const light = seen([{ kind: 'swappedPorts', ...on, port: 1, other: 2 }], 'ports');
    const lit = (prop: number) =>
      Array.from({ length: 6 }, (_, i) => i).filter((i) => isLit(light, plan.props[prop]!.firstPixel + i));
    // The first of the two pixels of port 2 is the hidden one of the rail; the dark one of port 1 is the first of the net.
    expect([lit(0), lit(1)]).toEqual([[0], [1]]);
  });
  it('a panel that hangs upside down, or in the place of another, shows it', () => {
    const show = twoPorts({
      props: [aWall],
      patch: [{ propId: 'wall', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
    });
    const walled = planShow(show);
    const at = (x: number, y: number) =>
      [...walled.pixels.xMm.keys()].sort(
        (a, b) =>
          walled.pixels.yMm[b]! - walled.pixels.yMm[a]! || walled.pixels.xMm[a]! - walled.pixels.xMm[b]!,
      )[y * 16 + x]!;
    /** Which place lights when the one at the top left of the wall is to. */
    const litBySet = (faults: Fault[]) => {
      const wanted = new Uint8Array(4 * walled.pixelCount);
      wanted.set([9, 9, 9, 0], 4 * at(0, 0));
      const light = lightOfSent(withFaults(plannedRig(walled), faults), wanted);
      return [...walled.pixels.xMm.keys()].filter((pixel) => isLit(light, pixel));
    };
    const run = { propId: 'wall', run: 1 };
    expect(litBySet([])).toEqual([at(0, 0)]);
    expect(litBySet([{ kind: 'panelTurned', ...run, column: 1, row: 1 }])).toEqual([at(7, 3)]);
    const exchanged: Fault = {
      kind: 'panelsExchanged',
      ...run,
      one: { column: 1, row: 1 },
      other: { column: 2, row: 1 },
    };
    expect(litBySet([exchanged])).toEqual([at(8, 0)]);
    // A panel that is not there is left alone.
    expect(litBySet([{ ...exchanged, other: { column: 3, row: 1 } }])).toEqual([at(0, 0)]);
  });
  it('what is off, out of reach or testing itself shows nothing of what is sent', () => {
    for (const kind of ['noPower', 'notReached', 'senderOff', 'notEnabled'] as const)
      expect(seen([{ kind, ...on }]).every((byte) => byte === 0)).toBe(true);
    expect(colourAt(seen([{ kind: 'ownTestRuns', ...on }], 'off'), 5)).toEqual([0, 0, 255]);
    // Its own test shows what is only not reached.
    const rig = withFaults(plannedRig(plan), [{ kind: 'notReached', ...on }]);
    expect(colourAt(lightOfOwnTest(rig, 0, { colour: [255, 0, 0, 0] }), 5)).toEqual([255, 0, 0]);
  });
  it('what flickers does so by picture, and the same each time it is asked', () => {
    const rig = withFaults(plannedRig(plan), [{ kind: 'noGround', propId: 'rail', run: 1 }]);
    const red = wantedOf(plan, 'red');
    expect(lightOfSent(rig, red, 1)).toEqual(lightOfSent(rig, red, 1));
    expect(lightOfSent(rig, red, 1)).not.toEqual(lightOfSent(rig, red, 2));
  });
});

/** Everything that a fault can be about: two controllers, so that faults of one leave the other alone, walls, and supplies. */
const everything = planShow(
  twoPorts({
    props: [...twoPorts().props, aWall, squares],
    controllers: [aController(), aController({ id: 'b', name: 'Box B', label: 'B', firstUniverse: 50 })],
    patch: [
      ...twoPorts().patch.slice(0, 2),
      { propId: 'white', run: 1, controllerId: 'b', port: 1, skippedPixels: 0 },
      { propId: 'wall', run: 1, controllerId: 'b', port: 2, skippedPixels: 0 },
      { propId: 'squares', run: 1, controllerId: 'b', port: 3, skippedPixels: 0 },
    ],
    supplies: [aSupply({ volts: 5 })],
    feeds: [
      aFeed([toPixel('rail', 1)]),
      aFeed([{ lengthMm: 1, wire: 'awg10', to: { kind: 'controller', controllerId: 'a' } }]),
    ],
  }),
);
const LOOKS = PATTERNS.map(({ id, isMoving }) => ({
  wanted: wantedOf(everything, id, { step: 30 }),
  wantedAt: isMoving ? (timeS: number) => wantedOf(everything, id, { step: null, timeS }) : null,
}));
/** Each pattern as it is seen, in two pictures, as it moves, and after the power was cut. */
const lookedAt = (rig: Rig) =>
  LOOKS.flatMap(({ wanted, wantedAt }) => [
    lightOfSent(rig, wanted, 0),
    lightOfSent(rig, wanted, 1),
    ...(wantedAt ? [lightOfMoving(rig, wantedAt, 1.3)] : []),
    lightOfSent(afterPowerCut(rig), wanted, 0),
  ]);
const RIGHT = lookedAt(plannedRig(everything));

it('knows faults of every layer, and more than fifty kinds', () => {
  expect(new Set(faultsOf(everything).map(layerOf)).size).toBe(6);
  expect(FAULT_KINDS.length).toBeGreaterThan(50);
});

it.each(FAULT_KINDS)(
  '$name: it changes what some pattern shows, or a power cut, touches only what it says, and says what it is',
  ({ kind }) => {
    const faults = faultsOf(everything, kind);
    expect(faults.length).toBeGreaterThan(0);
    let isSeen = false;
    for (const fault of new Set([faults[0]!, faults[Math.floor(faults.length / 2)]!, faults.at(-1)!])) {
      expect(readFault(fault)).toEqual(fault);
      expect(sentenceOf(everything, fault)).toMatch(/^\S.{10,}\.$/);
      const touched = new Set(controllersTouchedBy(everything, fault));
      lookedAt(withFaults(plannedRig(everything), [fault])).forEach((light, i) => {
        const changed = everything.runs.filter((run) => {
          const [from, to] = [4 * run.firstPixel, 4 * (run.firstPixel + run.pixelCount)];
          return !Buffer.from(light.subarray(from, to)).equals(RIGHT[i]!.subarray(from, to));
        });
        if (changed.length > 0) isSeen = true;
        expect(changed.every((run) => touched.has(run.wire!.controller))).toBe(true);
      });
    }
    expect(isSeen).toBe(true);
  },
);

describe('faults of power come from the power model', () => {
  /** 300 lights of 12 V in groups of three, on a strip. */
  const strip = planShow(
    aShow({
      props: [aLine('strip', 300, { pixelTypeId: 'group' })],
      pixelTypes: [
        ...aShow().pixelTypes,
        {
          id: 'group',
          name: 'Groups',
          chip: 'WS2811',
          colourOrder: 'RGB',
          volts: 12,
          bodyMm: 10,
          electric: { build: 'group12' },
        },
      ],
      controllers: [aController()],
      patch: [{ propId: 'strip', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
    }),
  );
  const shows = (kind: 'starvedEnd' | 'wrongVolts', pattern: string, level = 1) => {
    const rig = withFaults(plannedRig(strip), [{ kind, propId: 'strip', run: 1 }]);
    return lightOfSent(rig, wantedOf(strip, pattern, { level }));
  };
  it('a starved end turns red and darker towards its end, and recovers at a low level', () => {
    const white = shows('starvedEnd', 'white');
    expect(colourAt(white, 0)).toEqual([255, 255, 255]);
    const [red, green] = colourAt(white, 299);
    expect(red).toBeGreaterThan(green!);
    const along = Array.from({ length: 300 }, (_, pixel) => colourAt(white, pixel)[1]!);
    expect(along.every((byte, i) => i === 0 || byte <= along[i - 1]!)).toBe(true);
    expect(colourAt(shows('starvedEnd', 'white', 0.1), 299)).toEqual([26, 26, 26]);
  });
  it('lights of 12 V on too few volts are red', () => {
    expect(colourAt(shows('wrongVolts', 'white', 0.1), 0)).toEqual([26, 0, 0]);
  });
});

it('settings that were not saved are gone after a power cut, those that want a restart are in force', () => {
  const red = wantedOf(plan, 'red');
  const lit = (kind: 'notSaved' | 'notRestarted' | 'bootStateLost') => {
    const rig = withFaults(plannedRig(plan), [{ kind, controllerId: 'a' }]);
    return [rig, afterPowerCut(rig)].map((each) =>
      [0, 300].map((pixel) => colourAt(lightOfSent(each, red), pixel)[0]! > 0),
    );
  };
  expect(lit('notSaved')).toEqual([
    [true, true],
    [true, false],
  ]);
  expect(lit('notRestarted')).toEqual([
    [true, false],
    [true, true],
  ]);
  expect(lit('bootStateLost')).toEqual([
    [true, true],
    [false, false],
  ]);
});

it('a limiter dims white more than red, by the sum of all that it drives', () => {
  const rig = withFaults(plannedRig(plan), [{ kind: 'limiterLow', controllerId: 'a' }]);
  const [red, white] = ['red', 'white'].map(
    (pattern) => colourAt(lightOfSent(rig, wantedOf(plan, pattern)), 5)[0]!,
  );
  // 480 lights of 60 mA are 28.8 A, of which 0.5 A is a sixtieth; a third of it in red.
  expect(white).toBe(4);
  expect(red).toBeGreaterThan(2.5 * white!);
});

it.each([
  [{ kind: 'gremlin' }, /A fault has a kind, one of noPower/],
  [{ kind: 'countWrong', controllerId: 'a', port: 0, by: 1 }, /Count too low or high: port/],
  ['nothing', /A fault has a kind/],
])('refuses %p', (value, message) => {
  expect(() => readFault(value)).toThrow(message);
});

it('leaves the display as it is where the place of a fault is not there', () => {
  const wanted = wantedOf(plan, 'bands');
  for (const fault of faultsOf(plan)) {
    const gone = JSON.parse(
      JSON.stringify(fault)
        .replace(/"controllerId":"a"/, '"controllerId":"x"')
        .replace(/"propId":"\w+"/, '"propId":"x"'),
    ) as Fault;
    if (fault.kind === 'senderGain') continue;
    expect(lightOfSent(withFaults(plannedRig(plan), [gone]), wanted)).toEqual(
      lightOfSent(plannedRig(plan), wanted),
    );
    expect(sentenceOf(plan, gone)).not.toBe('');
  }
});
