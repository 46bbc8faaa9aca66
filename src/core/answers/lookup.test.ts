import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import type { Plan } from '../plan/planned';
import {
  addressOf,
  findArtNet,
  findDdp,
  findInRun,
  findLedIndex,
  findOnWire,
  findShowChannel,
  findUniverseChannel,
  type Hit,
} from './lookup';
import { artNetAddress, artNetWords, portAddressOf } from '../protocols/artNet';
import { multicastGroup } from '../protocols/e131';

const onlyPixel = (hits: Hit[] | Hit | undefined) => {
  const list = Array.isArray(hits) ? hits : hits ? [hits] : [];
  expect(list).toHaveLength(1);
  expect(list[0]!.kind).toBe('pixel');
  return list[0] as Extract<Hit, { kind: 'pixel' }>;
};

/** Looks a pixel's every number up again. */
function expectThereAndBack(plan: Plan, pixel: number): void {
  const address = addressOf(plan, pixel);
  const wire = address.wire!;
  const { controller, port } = plan.runs[plan.pixels.run[pixel]!]!.wire!;
  expect(findInRun(plan, address.propId, address.run, address.pixelInRun)).toBe(pixel);
  expect(onlyPixel(findOnWire(plan, controller, port, wire.place)).pixel).toBe(pixel);
  expect(onlyPixel(findLedIndex(plan, controller, wire.ledIndex)).pixel).toBe(pixel);
  expect(onlyPixel(findShowChannel(plan, wire.showChannel!))).toMatchObject({ pixel, channelOfPixel: 0 });
  if (wire.e131) {
    expect(onlyPixel(findUniverseChannel(plan, wire.e131.universe, wire.e131.channel))).toMatchObject({
      pixel,
      channelOfPixel: 0,
    });
    expect(onlyPixel(findUniverseChannel(plan, wire.e131.lastUniverse, wire.e131.lastChannel))).toMatchObject(
      {
        pixel,
        channelOfPixel: address.channelsPerPixel - 1,
      },
    );
  }
  // Offsets differ from controller to controller, so another one may listen to the same port-address.
  if (wire.artNet)
    expect(findArtNet(plan, wire.artNet.portAddress, wire.artNet.channel)).toContainEqual({
      kind: 'pixel',
      pixel,
      channelOfPixel: 0,
    });
  for (let channel = 0; channel < address.channelsPerPixel; channel += 1)
    expect(onlyPixel(findDdp(plan, controller, wire.ddpOffset + channel))).toMatchObject({
      pixel,
      channelOfPixel: channel,
    });
}

it('finds every pixel again by every number that it has', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      const plan = planShow(show);
      for (let pixel = 0; pixel < plan.pixelCount; pixel += 1 + (pixel % 11)) expectThereAndBack(plan, pixel);
    }),
    { numRuns: tries(40) },
  );
});

it('finds the same pixel from each channel of the show, or nothing in a gap', () => {
  fc.assert(
    fc.property(anyShow, fc.nat({ max: 4000 }), (show, showChannel) => {
      const plan = planShow(show);
      for (const hit of findShowChannel(plan, showChannel)) {
        if (hit.kind === 'skipped') continue;
        const first = addressOf(plan, hit.pixel).wire!.showChannel!;
        // Within one universe the channels of a pixel follow one another.
        if (first + hit.channelOfPixel !== showChannel)
          expect(addressOf(plan, hit.pixel).wire!.e131!.lastUniverse).not.toBe(
            addressOf(plan, hit.pixel).wire!.e131!.universe,
          );
      }
    }),
  );
});

describe('by hand', () => {
  const show = onPorts(
    aShow({
      props: [aLine('one', 171), aLine('two', 10)],
      controllers: [aController({ ports: 2, firstUniverse: 21, firstLedIndex: 1 })],
    }),
    ['one', 1, 1, 1],
    ['two', 1, 2],
  );
  const plan = planShow(show);

  it('says every number of a pixel', () => {
    expect(addressOf(plan, 170).wire).toEqual({
      controllerId: 'a',
      controllerName: 'Box A',
      portName: 'A1',
      chainPosition: 1,
      place: 172,
      showChannel: 511,
      e131: { universe: 22, channel: 1, lastUniverse: 22, lastChannel: 3 },
      artNet: { portAddress: 21, channel: 1 },
      ddpOffset: 510,
      byteCount: 'DDP',
      ledIndex: 172,
    });
    expect(artNetWords(21)).toBe('0.1.5');
  });

  it('counts LEDs on over the ports', () => {
    expect(addressOf(plan, 171).wire!.ledIndex).toBe(173);
    expect(findLedIndex(plan, 0, 0)).toBeUndefined();
    expect(findLedIndex(plan, 0, 183)).toBeUndefined();
  });

  it('names a skipped pixel as such', () => {
    expect(findOnWire(plan, 0, 1, 1)).toEqual({ kind: 'skipped', run: 0, skippedPixel: 1 });
    expect(findOnWire(plan, 0, 1, 173)).toBeUndefined();
    expect(findOnWire(plan, 0, 3, 1)).toBeUndefined();
  });

  it('answers with both pixels where two controllers share a universe', () => {
    const mirrored = {
      ...show,
      controllers: [
        ...show.controllers,
        aController({ id: 'b', name: 'Box B', label: 'B', firstUniverse: 21 }),
      ],
      patch: [show.patch[0]!, { propId: 'two', run: 1, controllerId: 'b', port: 1, skippedPixels: 0 }],
    };
    expect(findUniverseChannel(planShow(mirrored), 21, 5)).toEqual([
      { kind: 'pixel', pixel: 1, channelOfPixel: 1 },
      { kind: 'pixel', pixel: 172, channelOfPixel: 1 },
    ]);
  });
});

describe('numbering systems', () => {
  it('splits an Art-Net port-address and joins it again', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 32_767 }), (address) =>
        expect(portAddressOf(artNetAddress(address))).toBe(address),
      ),
    );
    expect(artNetAddress(32_767)).toEqual({ net: 127, subNet: 15, universe: 15 });
  });

  it('gives the multicast group of a universe', () => {
    expect(multicastGroup(1)).toBe('239.255.0.1');
    expect(multicastGroup(63_999)).toBe('239.255.249.255');
  });
});
