import fs from 'node:fs';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { applyEdit } from '../show/edits/registry';
import type { Show } from '../show/schema';
import { BY_CHECK } from '../diagnose/raised';
import { Facts } from '../show/facts';
import { readShowFile } from '../show/read';
import { RANKS } from './rank';
import { CHECKS, findingsOf } from './registry';

const of = (show: Show) => findingsOf(planShow(show));
const idsOf = (show: Show) => of(show).map((finding) => finding.check);

/** Presses the mend of the only finding, and gives the findings after it. */
function mended(show: Show): string[] {
  const [finding] = of(show);
  expect(finding!.mends).toHaveLength(1);
  return idsOf(applyEdit(show, finding!.mends[0]!.edit));
}

const one = aShow({ props: [aLine('rail', 50)], controllers: [aController()] });

it('finds nothing where nothing is wrong', () => {
  expect(of(onPorts(one, ['rail', 1, 1]))).toEqual([]);
});

it('has a different id and a meaning for every check', () => {
  expect(new Set(CHECKS.map((check) => check.id)).size).toBe(CHECKS.length);
  for (const check of CHECKS) expect(check.meaning).toMatch(/\.$/);
});

it('has every check by which faults are suspected', () => {
  const ids = CHECKS.map(({ id }) => id);
  for (const check of Object.keys(BY_CHECK)) expect(ids).toContain(check);
});

it('finds a run on no port and puts it on one with room', () => {
  const show = {
    ...one,
    controllers: [
      aController({ mostPixelsPerPort: 40 }),
      aController({ id: 'b', name: 'Box B', label: 'B' }),
    ],
  };
  expect(of(show)[0]).toMatchObject({
    check: 'run-on-no-port',
    message: expect.stringContaining('its run is on no port'),
  });
  expect(of(show)[0]!.mends[0]!.label).toBe('Put on B1');
  expect(mended(show)).toEqual([]);
  expect(of({ ...one, controllers: [] })[0]!.mends.map(({ label }) => label)).toEqual([
    'Add a controller: 4 ports, Ethernet',
  ]);
});

it('finds a port with too many pixels: one run is split, one of several moves', () => {
  const big = onPorts({ ...one, props: [aGrid('net', 24, 42)] }, ['net', 1, 1]);
  expect(of(big)[0]).toMatchObject({
    check: 'port-over-limit',
    message: expect.stringContaining('1,008 pixels, 208 more than the 800'),
  });
  expect(of(big)[0]!.mends[0]!.label).toBe('Split net into 2 runs');
  // The second run is new, so it still wants a port.
  expect(mended(big)).toEqual(['run-on-no-port']);

  const two = onPorts({ ...one, props: [aLine('a', 500), aLine('b', 400)] }, ['a', 1, 1], ['b', 1, 1]);
  expect(of(two)[0]!.mends[0]!.label).toBe('Move b to A2');
  expect(mended(two)).toEqual([]);
});

it('counts skipped pixels towards the limit of a port', () => {
  expect(idsOf(onPorts({ ...one, props: [aLine('a', 799)] }, ['a', 1, 1, 1]))).toEqual([]);
  expect(idsOf(onPorts({ ...one, props: [aLine('a', 799)] }, ['a', 1, 1, 2]))).toEqual(['port-over-limit']);
});

it('finds channels that two controllers share, and offers a universe that is free', () => {
  const show: Show = {
    ...one,
    props: [aLine('a', 200), aLine('b', 30)],
    controllers: [aController(), aController({ id: 'b', name: 'Box B', label: 'B', firstUniverse: 2 })],
    patch: [
      { propId: 'a', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 },
      { propId: 'b', run: 1, controllerId: 'b', port: 1, skippedPixels: 0 },
    ],
  };
  // The 30 pixels after the first 170 of a are the first 90 channels of universe 2.
  expect(of(show)[0]).toMatchObject({
    check: 'shared-channels',
    propId: 'b',
    // It is said on the page of either.
    otherPropId: 'a',
    message: expect.stringContaining('share 90 channels in universe 2'),
  });
  expect(of(show)[0]!.mends[0]!.label).toBe('Start Box B at universe 3');
  expect(mended(show)).toEqual([]);
});

it('finds a place kept for a run that is gone, and more runs than strands', () => {
  const net = { ...one, props: [aGrid('net', 4, 2, { runs: 5 })] };
  const show = onPorts(net, ['net', 1, 1], ['net', 2, 2], ['net', 3, 3]);
  expect(idsOf(show)).toEqual(['fewer-runs', 'stale-entry']);
  expect(of(show)[1]!.message).toContain('run 3 of net, which has 2 runs now');
  const kept = applyEdit(show, of(show)[0]!.mends[0]!.edit);
  expect(idsOf(applyEdit(kept, of(show)[1]!.mends[0]!.edit))).toEqual([]);
});

it('finds voltages and channel counts that do not belong together', () => {
  const types = [
    ...one.pixelTypes,
    { id: 'five', name: 'Five', chip: 'WS2812B', colourOrder: 'GRB', volts: 5 },
  ];
  const show = onPorts(
    {
      ...one,
      pixelTypes: types,
      props: [aLine('a', 5), aLine('b', 5, { pixelTypeId: 'five' }), aLine('c', 5, { pixelTypeId: 'white' })],
    },
    ['a', 1, 1],
    ['b', 1, 1],
    ['c', 1, 2],
  );
  // Pixels of one channel are known to few devices.
  expect(idsOf(show)).toEqual(['mixed-port', 'can-be-told']);
  expect(of(show)[0]!.message).toContain('12 V and 5 V');
  expect(of(show)[1]!.message).toContain(
    'c has pixels of 1 channel, and Box A takes pixels of 3 and 4 channels',
  );
  expect(idsOf(onPorts(show, ['a', 1, 1], ['c', 1, 1], ['b', 1, 2]))).toEqual(['mixed-port', 'can-be-told']);
});

it('finds a leg too short for a pixel', () => {
  const legs = [
    { lengthMm: 1000, headingDeg: 0, pixels: { by: 'spacing' as const, spacingMm: 50 } },
    { lengthMm: 40, headingDeg: 0, pixels: { by: 'spacing' as const, spacingMm: 50 } },
  ];
  const show = onPorts({ ...one, props: [{ ...aLine('a', 1), shape: { legs } } as never] }, ['a', 1, 1]);
  expect(of(show)).toMatchObject([
    { check: 'empty-leg', message: expect.stringContaining('leg 2 is 40 mm long') },
  ]);
});

it('finds universes past the last one, and Art-Net addresses that do not exist', () => {
  const far = (change: object) =>
    onPorts({ ...one, props: [aLine('a', 200)], controllers: [aController(change)] }, ['a', 1, 1]);
  expect(idsOf(far({ firstUniverse: 63_999 }))).toEqual(['universes-ran-out']);
  expect(idsOf(far({ firstUniverse: 32_768, protocol: 'artnet' }))).toEqual(['art-net-range']);
  expect(idsOf(far({ firstUniverse: 32_767, protocol: 'artnet' }))).toEqual([]);
  const low = far({ firstUniverse: 1, protocol: 'artnet', artNetOffset: -2 });
  expect(idsOf(low)).toEqual(['art-net-range']);
  expect(mended(low)).toEqual([]);
});

describe('ranks', () => {
  const demo = readShowFile(JSON.parse(fs.readFileSync('demo/marrow-quay.show.json', 'utf8')));
  const found = findingsOf(planShow(demo.show), new Facts(demo.facts));

  it('are in order, next steps last', () => {
    const order = found.map(({ rank }) => [...RANKS, null].indexOf(rank));
    expect(order).toEqual(order.toSorted((a, b) => a - b));
    expect(found.at(-1)).toMatchObject({ check: 'run-on-no-port', rank: null });
  });

  it('of the demo show hold nothing that can burn or break; its curtain is fed too little, and comes first', () => {
    expect(found.filter(({ rank }) => rank === 'canBurn' || rank === 'canBreak')).toEqual([]);
    expect(found[0]).toMatchObject({ check: 'starved-pixels', propId: 'net-curtain' });
  });
});
