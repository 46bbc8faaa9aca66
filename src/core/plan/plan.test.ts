import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aGrid, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { channelMapRows } from '../reports/channelMap';
import { kindOf, type Prop } from '../props/registry';
import { PlanCache } from './cache';
import { layShow, pixelsOfLaid, planShow } from './plan';

/** `universe/channel` of every pixel. */
function addresses(plan: ReturnType<typeof planShow>): string[] {
  return Array.from(plan.pixels.universe, (universe, i) => `${universe}/${plan.pixels.channel[i]}`);
}

describe('addresses worked by hand', () => {
  const two = aShow({ props: [aLine('one', 171), aLine('two', 10)], controllers: [aController()] });

  it('puts 170 RGB pixels in a universe by whole pixels', () => {
    const plan = planShow(onPorts(two, ['one', 1, 1], ['two', 1, 2]));
    expect(addresses(plan)[0]).toBe('1/1');
    expect(addresses(plan)[169]).toBe('1/508');
    expect(addresses(plan)[170]).toBe('2/1');
    expect(addresses(plan)[171]).toBe('2/4');
    // Universe 1 counts for 510 channels of the show.
    expect(plan.pixels.showChannel[170]).toBe(511);
    expect(plan.spaces.map((space) => space.channelCount)).toEqual([510, 510]);
  });

  it('lets a pixel straddle two universes when they are full', () => {
    const show = onPorts(
      { ...two, addressing: { packing: { kind: 'full512' }, newUniverse: 'never' } },
      ['one', 1, 1],
      ['two', 1, 2],
    );
    const plan = planShow(show);
    // Pixel 171 begins at channel 511: red and green in universe 1, blue in universe 2 channel 1.
    expect(addresses(plan)[170]).toBe('1/511');
    expect(addresses(plan)[171]).toBe('2/2');
    expect(
      plan.spans.map(({ universe, startChannel, channelCount }) => [universe, startChannel, channelCount]),
    ).toEqual([
      [1, 1, 512],
      [2, 1, 1],
      [2, 2, 30],
    ]);
  });

  it('keeps 128 RGBW pixels and 512 single lights in a universe', () => {
    const show = onPorts(
      {
        ...two,
        props: [aLine('one', 129, { pixelTypeId: 'rgbw' }), aLine('two', 513, { pixelTypeId: 'white' })],
        addressing: { packing: { kind: 'wholePixels' }, newUniverse: 'port' },
      },
      ['one', 1, 1],
      ['two', 1, 2],
    );
    const plan = planShow(show);
    expect(addresses(plan)[127]).toBe('1/509');
    expect(addresses(plan)[128]).toBe('2/1');
    expect(addresses(plan)[129]).toBe('3/1');
    expect(addresses(plan)[129 + 511]).toBe('3/512');
    expect(addresses(plan)[129 + 512]).toBe('4/1');
  });

  it('gives each 50-pixel strand a universe of 150', () => {
    const show = onPorts(
      {
        ...two,
        props: [aLine('one', 100), aLine('two', 50)],
        addressing: { packing: { kind: 'custom', channelsPerUniverse: 150 }, newUniverse: 'never' },
      },
      ['one', 1, 1],
      ['two', 1, 1],
    );
    const plan = planShow(show);
    expect(addresses(plan)[49]).toBe('1/148');
    expect(addresses(plan)[50]).toBe('2/1');
    expect(addresses(plan)[100]).toBe('3/1');
    expect(plan.pixels.showChannel[100]).toBe(301);
  });

  it.each([
    ['controller', ['1/1', '1/31', '1/61', '2/1']],
    ['port', ['1/1', '1/31', '2/1', '3/1']],
    ['run', ['1/1', '2/1', '3/1', '4/1']],
    ['never', ['1/1', '1/31', '1/61', '1/91']],
  ] as const)('starts a new universe per %s', (newUniverse, expected) => {
    const show = aShow({
      props: ['a', 'b', 'c', 'd'].map((id) => aLine(id, 10)),
      controllers: [aController(), aController({ id: 'b', name: 'Box B', label: 'B', firstUniverse: null })],
      addressing: { packing: { kind: 'wholePixels' }, newUniverse },
      patch: [
        { propId: 'a', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 },
        { propId: 'b', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 },
        { propId: 'c', run: 1, controllerId: 'a', port: 2, skippedPixels: 0 },
        { propId: 'd', run: 1, controllerId: 'b', port: 1, skippedPixels: 0 },
      ],
    });
    const plan = planShow(show);
    expect(plan.props.map((prop) => addresses(plan)[prop.firstPixel])).toEqual(expected);
  });

  it('never splits an addressed tile over universes', () => {
    const tiles = {
      ...aLine('deck', 1),
      kind: 'tile',
      shape: {
        columns: 5,
        rows: 1,
        tile: { columns: 6, rows: 6, firstPixel: 'topLeft', along: 'rows', pattern: 'straight' },
        pitchMm: 50,
        gapMm: 0,
      },
      threading: { firstPixel: 'topLeft', along: 'rows', pattern: 'straight', runs: 1 },
    } as Prop;
    const show = aShow({ props: [tiles], controllers: [aController()] });
    for (const packing of [{ kind: 'wholePixels' as const }, { kind: 'full512' as const }]) {
      const plan = planShow(
        onPorts({ ...show, addressing: { packing, newUniverse: 'never' } }, ['deck', 1, 1]),
      );
      // 36 RGB pixels are 108 channels; a fifth tile does not fit into 512 any more.
      expect(plan.props[0]!.strands.map(({ firstPixel }) => addresses(plan)[firstPixel])).toEqual([
        '1/1',
        '1/109',
        '1/217',
        '1/325',
        '2/1',
      ]);
    }
  });

  it('counts skipped pixels on the wire always, and in channels when the controller is told so', () => {
    const show = onPorts(two, ['one', 1, 1], ['two', 1, 1, 2]);
    expect(planShow(show).runs[1]!.wire).toMatchObject({
      firstPlace: 174,
      chainPosition: 2,
      skippedPixels: 2,
    });
    expect(addresses(planShow(show))[171]).toBe('2/4');
    const told = { ...show, controllers: [aController({ skippedPixelsTakeChannels: true })] };
    expect(addresses(planShow(told))[171]).toBe('2/10');
  });

  it('gives a DDP controller one flat space and no universes', () => {
    const plan = planShow(
      onPorts({ ...two, controllers: [aController({ protocol: 'ddp' })] }, ['one', 1, 1], ['two', 1, 2]),
    );
    expect(plan.runs[1]!.wire!.flatOffset).toBe(513);
    expect(plan.pixels.universe[0]).toBe(0);
    expect(plan.pixels.showChannel[171]).toBe(514);
    expect(plan.lastShowChannel).toBe(181 * 3);
  });

  it('says which runs go past the last universe', () => {
    const plan = planShow(
      onPorts(
        { ...two, controllers: [aController({ firstUniverse: 63_999 })] },
        ['one', 1, 1],
        ['two', 1, 2],
      ),
    );
    expect(plan.runsWithoutAddress).toEqual([0, 1]);
    expect(addresses(plan)[169]).toBe('63999/508');
    expect(addresses(plan)[170]).toBe('0/0');
  });

  it('keeps the place of a run that went away, and gives it no channels', () => {
    const show = aShow({ props: [aGrid('g', 4, 4, { runs: 1 })], controllers: [aController()] });
    const plan = planShow(onPorts(show, ['g', 1, 1], ['g', 2, 2]));
    expect(plan.staleEntries).toHaveLength(1);
    expect(plan.ports).toHaveLength(1);
  });
});

describe('properties of every plan', () => {
  it('gives every pixel exactly one place on the wire', () => {
    fc.assert(
      fc.property(anyShow, (show) => {
        const plan = planShow(show);
        const seen = new Set<string>();
        for (let pixel = 0; pixel < plan.pixelCount; pixel += 1) {
          const run = plan.runs[plan.pixels.run[pixel]!]!;
          const wire = run.wire!;
          const key = `${wire.controller} ${wire.port} ${wire.firstPlace + pixel - run.firstPixel}`;
          seen.add(key);
        }
        expect(seen.size).toBe(plan.pixelCount);
        // With the skipped ones, the places of a port are 1..n without a hole.
        const skipped = plan.runs.reduce((sum, run) => sum + run.wire!.skippedPixels, 0);
        expect(plan.ports.reduce((sum, port) => sum + port.places, 0)).toBe(plan.pixelCount + skipped);
      }),
    );
  });

  it('gives every channel of the show to one pixel at most, and every pixel all its channels', () => {
    fc.assert(
      fc.property(anyShow, (show) => {
        const plan = planShow(show);
        const owner = new Set<number>();
        let lit = 0;
        let all = 0;
        for (const span of plan.spans) {
          for (let i = 0; i < span.channelCount; i += 1) {
            owner.add(span.startShowChannel + i);
          }
          if (span.universe !== null)
            expect(span.startChannel + span.channelCount - 1).toBeLessThanOrEqual(512);
          if (span.runChannel >= 0) lit += span.channelCount;
          all += span.channelCount;
        }
        expect(owner.size).toBe(all);
        expect(lit).toBe(plan.channelCount);
      }),
    );
  });

  it('visits every point of a prop once, whatever the threading', () => {
    fc.assert(
      fc.property(anyShow, (show) => {
        const plan = planShow(show);
        plan.props.forEach((planned, index) => {
          const natural = planShow({ ...show, patch: [], props: [reset(show.props[index]!)] });
          expect(positions(plan, planned.firstPixel, planned.pixelCount)).toEqual(
            positions(natural, 0, natural.pixelCount),
          );
        });
      }),
      { numRuns: tries(50) },
    );
  });

  it('writes as many rows of the channel map as there are pixels', () => {
    fc.assert(
      fc.property(anyShow, (show) => {
        const plan = planShow(show);
        const rows = [...channelMapRows(plan)];
        expect(rows).toHaveLength(plan.pixelCount);
        expect(rows.map((row) => row[7])).toEqual([...plan.pixels.showChannel]);
      }),
      { numRuns: tries(30) },
    );
  });

  it('is the same with a cache that holds other shows as without one', () => {
    const cache = new PlanCache();
    fc.assert(
      fc.property(anyShow, (show) => {
        expect(planShow(show, cache)).toEqual(planShow(show));
      }),
      { numRuns: tries(50) },
    );
  });
});

/** The same prop threaded as a new one of its kind is. */
function reset(prop: Prop): Prop {
  return { ...prop, threading: kindOf(prop).starter().threading } as Prop;
}

function positions(plan: ReturnType<typeof planShow>, first: number, count: number): string[] {
  return Array.from(
    { length: count },
    (_, i) => `${plan.pixels.xMm[first + i]} ${plan.pixels.yMm[first + i]}`,
  ).sort();
}

it('makes the table of pixels anew where it was handed over', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      const cache = new PlanCache();
      const plan = planShow(show, cache);
      expect(pixelsOfLaid(plan, cache)).toEqual(plan.pixels);
      expect(pixelsOfLaid(layShow(show), new PlanCache())).toEqual(plan.pixels);
    }),
    { numRuns: tries(30) },
  );
});
