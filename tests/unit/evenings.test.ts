import { evenCards } from '@/core/panels/driver';
import { disagreementWords } from '@/core/panels/pictureMap';
import { SHIPPED_PANELS } from '@/core/panels/panelType';
import { measureChains } from '@/core/panels/compareChains';
import { comparePolicies } from '@/core/answers/comparePolicies';
import { findingsOf } from '@/core/checks/registry';
import { SHIPPED_CONTROLLER_TYPES } from '@/core/catalogue/controllerType';
import { differences } from '@/core/devices/differences';
import { deviceSettings } from '@/core/devices/deviceSettings';
import { linkLoad } from '@/core/devices/linkLoad';
import { placeOnDevice } from '@/core/devices/placeOnDevice';
import { portTiming } from '@/core/devices/portTiming';
import { sentUniverses } from '@/core/devices/sent';
import { planShow } from '@/core/plan/plan';
import { pixelCountOf, type PropOf } from '@/core/props/registry';
import { knottedRope, setOut } from '@/core/props/settingOut';
import {
  anchorSpacingMm,
  stripGaps,
  stripLengthMm,
  tree,
  treeHeightMm,
  type TreeShape,
} from '@/core/props/tree';
import { wall, layWall } from '@/core/props/wall';
import { wallSheet } from '@/core/papers/wallSheet';
import type { Show } from '@/core/show/schema';
import { aController, aLine, aShow, onPorts } from './shows';

/** Whole evenings of work, from the tape measure to the values in a device, with figures worked out by hand. */

const GBIT = SHIPPED_CONTROLLER_TYPES.find((type) => type.id === 'panel-card')!;

describe('a beacon tree of 20 strands of 45 in strips with inch holes', () => {
  const shape: TreeShape = {
    ...tree.starter().shape,
    form: { kind: 'full', firstStrandAt: 'front', direction: 'counterclockwise' },
    strands: 20,
    pixelsPerStrand: 45,
    holePitchMm: 25.4,
    everyHole: 3,
    emptyHolesTop: 4,
    emptyHolesBottom: 2,
    height: { by: 'strip' },
    baseDiameterMm: 2400,
    topDiameterMm: 300,
  };
  const threading = { ...tree.starter().threading, runs: 2 };
  const show = onPorts(
    aShow({
      props: [aLine('beacon', 1, { kind: 'tree', shape, threading } as never)],
      controllers: [aController({ ports: 16, mostPixelsPerPort: 512 })],
    }),
    ['beacon', 1, 1],
    ['beacon', 2, 2],
  );
  const plan = planShow(show);

  it('is cut, hung and staked out', () => {
    expect([stripGaps(shape) + 1, stripGaps(shape)]).toEqual([139, 138]);
    expect(stripLengthMm(shape)).toBeCloseTo(3505.2);
    expect(treeHeightMm(shape)).toBeCloseTo(3344, 0);
    expect(anchorSpacingMm(shape)).toBeCloseTo(377.0, 1);
    const out = setOut(tree.anchors!(shape), { closed: true });
    expect(out.places[0]!.toNextMm).toBeCloseTo(375.4, 1);
  });
  it('is two ports of ten strands, and shows 72 pictures a second', () => {
    expect(plan.pixelCount).toBe(900);
    expect(plan.runs.map((run) => run.pixelCount)).toEqual([450, 450]);
    const { frameTime, rate } = portTiming(plan, plan.ports[0]!)!;
    expect(frameTime.value / 1000).toBeCloseTo(13.8, 1);
    expect(Math.floor(rate.value)).toBe(72);
  });
  it('takes 20 universes by strand, 7 or 8 of whole strands, 6 packed', () => {
    const count = (newUniverse: string) =>
      comparePolicies(show, 40).find(
        (row) => row.addressing.newUniverse === newUniverse && row.addressing.packing.kind === 'wholePixels',
      )!.universes;
    expect(['strand', 'wholeStrands', 'wholeStrandsPerPort', 'never'].map(count)).toEqual([20, 7, 8, 6]);
    const whole = planShow({ ...show, addressing: { ...show.addressing, newUniverse: 'wholeStrands' } });
    const starts = whole.props[0]!.strands.map((strand) => whole.pixels.channel[strand.firstPixel]);
    expect([...new Set(starts)]).toEqual([1, 136, 271]);
  });
  it('is found wrong: a count too low, another size of universes, another colour order', () => {
    const right = { port: 2, universe: 3, channel: 331, pixels: 450, colourOrder: 'RGB' };
    const [, second] = deviceSettings(plan, 0).ports;
    expect(second).toMatchObject(right);
    const found = (port: object, more: object = {}) =>
      differences(plan, {
        controllerId: 'a',
        where: 'controller',
        foundAt: 'on Friday',
        partial: true,
        ports: [{ ...right, ...port }],
        ...more,
      }).map((each) => each.symptom);
    expect(found({})).toEqual([]);
    expect(found({ pixels: 440 })).toEqual(['the last 10 pixels stay dark']);
    expect(found({}, { channelsPerUniverse: 512 })).toEqual([
      expect.stringContaining('colours rotate from the second'),
    ]);
    const green: Show = {
      ...show,
      pixelTypes: show.pixelTypes.map((type) => ({
        ...type,
        colourOrder: type.id === 'rgb' ? 'GRB' : type.colourOrder,
      })),
    };
    expect(
      differences(planShow(green), {
        controllerId: 'a',
        where: 'controller',
        foundAt: 'on Friday',
        partial: true,
        ports: [{ port: 2, colourOrder: 'RGB' }],
      }).map((each) => each.symptom),
    ).toEqual(['red shows as green and green shows as red']);
  });
});

const wallOf = (
  columns: number,
  rows: number,
  threading: Partial<PropOf<'wall'>['threading']>,
): PropOf<'wall'> => {
  const starter = wall.starter();
  const panel = SHIPPED_PANELS.find((each) => each.pitchMm === 4)!;
  return aLine('wall', 1, {
    kind: 'wall',
    shape: { ...starter.shape, panel, columns, rows },
    threading: { ...starter.threading, ...threading },
  } as never) as PropOf<'wall'>;
};

describe('a score board of 6 x 5 panels of 64 x 32', () => {
  const board = wallOf(6, 5, {
    chaining: { by: 'design', style: 'zigzag', along: 'rows', entry: 'topRight' },
    driver: {
      kind: 'hat',
      outputs: 3,
      mostPanelsPerOutput: { value: 12, basis: 'typed' },
      pinout: '',
      slowDown: 1,
      slowDownReason: '',
    },
  });
  const show = (packing: 'wholePixels' | 'full512') =>
    onPorts(
      aShow({
        props: [board],
        controllers: [aController({ mostPixelsPerPort: 100_000 })],
        addressing: { packing: { kind: packing }, newUniverse: 'controller' },
      }),
      ['wall', 1, 1],
    );
  it('has its size, its channels and its universes', () => {
    const facts = wall.facts(board.shape, undefined).map((fact) => fact.value);
    expect(facts).toContain('384 × 160 px');
    expect(facts).toContain('1.536 m × 640 mm');
    const full = planShow(show('full512'));
    expect([full.pixelCount, full.channelCount]).toEqual([61_440, 184_320]);
    expect(sentUniverses(full, 0)).toHaveLength(360);
    const whole = sentUniverses(planShow(show('wholePixels')), 0);
    expect(whole).toHaveLength(362);
    expect(whole.at(-1)!.used).toBe(210);
  });
  it('is chained 12, 12 and 6, with every other row turned', () => {
    const laid = layWall(board);
    expect(laid.chains.map((chain) => chain.panels.length)).toEqual([12, 12, 6]);
    // The usual socket is at the right: the first row runs from there upright, the second back and turned.
    expect(laid.chains[0]!.panels.map((each) => each.turnDeg)).toEqual([
      ...Array.from({ length: 6 }, () => 0),
      ...Array.from({ length: 6 }, () => 180),
    ]);
    expect(findingsOf(planShow(show('full512'))).map((finding) => finding.check)).toEqual([]);
  });
  it('is 118 channels out at universe 60 where one end counts 510', () => {
    expect(disagreementWords(512, 510)).toContain('2 × (u − 1)');
    expect(2 * (60 - 1)).toBe(118);
  });
});

describe('a quay wall of 8 x 6 panels on two receiver cards', () => {
  const quay = wallOf(8, 6, {
    driver: {
      kind: 'cards',
      outputsPerCard: 8,
      mostPanelsPerOutput: { value: 12, basis: 'typed' },
      inOrder: true,
      cards: evenCards(8, 6, 2, 1),
    },
  });
  const show: Show = {
    ...onPorts(
      aShow({
        props: [quay],
        controllerTypes: [GBIT],
        controllers: [aController({ typeId: GBIT.id, mostPixelsPerPort: 65_536 })],
      }),
      ['wall', 1, 1],
    ),
  };
  const plan = planShow(show);
  it('is cut at panel borders, each card within its own limit', () => {
    expect(pixelCountOf(quay)).toBe(98_304);
    expect(layWall(quay).cards).toEqual([
      { column: 0, row: 0, columns: 4, rows: 6 },
      { column: 4, row: 0, columns: 4, rows: 6 },
    ]);
    expect(findingsOf(plan)).toEqual([]);
  });
  it('carries 70.8 Mbit/s at 30 pictures a second and 141.6 at 60', () => {
    expect(linkLoad(plan, 0, 30).payload.value).toBeCloseTo(70.8, 1);
    expect(linkLoad(plan, 0, 60).payload.value).toBeCloseTo(141.6, 1);
  });
  it('is told no universes and no address, at neither end', () => {
    expect(deviceSettings(plan, 0)).toMatchObject({
      firstUniverse: null,
      universes: null,
      channelsPerUniverse: null,
      ports: [{ universe: null, channel: null, deviceChannel: null, pixels: 98_304, showChannel: 1 }],
    });
    expect(sentUniverses(plan, 0)).toMatchObject([
      { universe: null, protocol: 'raw frames', channels: 294_912, firstShowChannel: 1 },
    ]);
    const words = wallSheet(plan, 0).groups.flatMap(({ values }) =>
      values.map((each) => `${each.name}: ${each.value}`),
    );
    expect(words.filter((each) => /^Universes|universe \d|^Channels a universe/.test(each))).toEqual([]);
    expect(words).toContain('Connection: raw frames, gigabit');
  });
  it('takes a ribbon to each chain and one between neighbours', () => {
    const laid = layWall(quay);
    const measured = measureChains(laid.wall, quay.threading.driver, quay.threading.chaining);
    expect([measured.leadRibbons, measured.stockRibbons + measured.longRibbons]).toEqual([12, 36]);
  });
});

it('sets out half a tree about a pole that stands, a port and a universe of 120 a strand', () => {
  const shape: TreeShape = {
    ...tree.starter().shape,
    form: { kind: 'half', firstStrandAt: 'left' },
    strands: 13,
    pixelsPerStrand: 40,
    baseDiameterMm: 3600,
  };
  expect(anchorSpacingMm(shape)).toBeCloseTo(471.2, 1);
  const out = setOut(tree.anchors!(shape), { references: [1, 13] });
  expect(out.places[0]).toMatchObject({ radiusMm: expect.closeTo(1800), toNextMm: expect.closeTo(469.9, 1) });
  expect(knottedRope(out)!.chordMm).toBeCloseTo(469.9, 1);
  const show = onPorts(
    aShow({
      props: [
        aLine('mole', 1, {
          kind: 'tree',
          shape,
          threading: { ...tree.starter().threading, runs: 13 },
        } as never),
      ],
      controllers: [aController({ ports: 16 })],
      addressing: { packing: { kind: 'custom', channelsPerUniverse: 120 }, newUniverse: 'strand' },
    }),
    ...Array.from({ length: 13 }, (_, i): [string, number, number] => ['mole', i + 1, i + 1]),
  );
  const settings = deviceSettings(planShow(show), 0);
  expect(settings).toMatchObject({ universes: 13, channelsPerUniverse: 120 });
  expect(settings.ports.map((port) => port.deviceChannel)).toEqual(
    Array.from({ length: 13 }, (_, i) => 1 + 120 * i),
  );
});

it('clocks an awning with white behind a hidden pixel, and takes a device at 512 for right', () => {
  const show = {
    ...onPorts(
      aShow({
        props: [aLine('awning', 180, { pixelTypeId: 'rgbw' })],
        controllers: [aController({ ports: 2 })],
      }),
      ['awning', 1, 1, 1],
    ),
  };
  const plan = planShow(show);
  expect(plan.channelCount).toBe(720);
  expect(plan.spans.map((span) => span.channelCount / 4)).toEqual([128, 52]);
  const settings = deviceSettings(plan, 0);
  expect(settings.ports[0]).toMatchObject({ pixels: 180, hiddenPixels: 1, onWire: 181 });
  expect(settings.channelsPerUniverse).toBe(512);
  // 181 pixels of 32 bits at 1.25 us, and the latch of the chips behind them.
  const timing = portTiming(plan, plan.ports[0]!)!;
  expect(timing.frameTime.value - 7240).toBeGreaterThanOrEqual(50);
  expect(timing.frameTime.value - 7240).toBeLessThanOrEqual(300);
  expect(
    differences(plan, {
      controllerId: 'a',
      where: 'controller',
      foundAt: 'on Friday',
      channelsPerUniverse: 512,
      ports: [],
    }),
  ).toEqual([]);
});

it('feeds two shelves by DDP: 2,100 bytes in two packets, the second shelf from LED 350 and byte 1,050', () => {
  const show = onPorts(
    aShow({
      props: [aLine('shelf', 350), aLine('ledge', 350)],
      controllers: [aController({ protocol: 'ddp', ports: 2 })],
    }),
    ['shelf', 1, 1],
    ['ledge', 1, 2],
  );
  const plan = planShow(show);
  const { packets, payload } = linkLoad(plan, 0, 30);
  expect(packets!.value).toBe(2);
  expect(payload.value).toBeCloseTo(0.5, 2);
  const settings = deviceSettings(plan, 0);
  expect(settings).toMatchObject({ bytes: 2100, universes: null, channelsPerUniverse: null });
  expect(settings.ports[1]).toMatchObject({ firstLed: 350, lastLed: 699, startByte: 1050 });
  expect(placeOnDevice(plan, 1)).toEqual({ controller: 0, before: 350 });
});
