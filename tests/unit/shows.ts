import fc from 'fast-check';
import type { Controller } from '@/core/catalogue/controller';
import { NEW_UNIVERSE, type Packing } from '@/core/addressing/packing';
import { CORNERS } from '@/core/threading/view';
import { emptyShow, type Show } from '@/core/show/schema';
import type { Prop } from '@/core/props/registry';

/** Shows for tests: small parts with plain values, and arbitrary whole shows for properties. */

const PIXEL_TYPES = [
  { id: 'rgb', name: 'Three', chip: 'WS2811', colourOrder: 'RGB', volts: 12 },
  { id: 'rgbw', name: 'Four', chip: 'SK6812', colourOrder: 'GRBW', volts: 12 },
  { id: 'white', name: 'One', chip: 'WS2811', colourOrder: 'W', volts: 12 },
];

export function aController(change: Partial<Controller> = {}): Controller {
  return {
    id: 'a',
    name: 'Box A',
    label: 'A',
    protocol: 'e131',
    ports: 4,
    mostPixelsPerPort: 800,
    firstUniverse: 1,
    packing: null,
    artNetOffset: -1,
    firstLedIndex: 0,
    skippedPixelsTakeChannels: false,
    ...change,
  };
}

export function aLine(id: string, count: number, change: Partial<Prop> = {}): Prop {
  return {
    id,
    name: id,
    placeId: 'site',
    pixelTypeId: 'rgb',
    kind: 'line',
    shape: { legs: [{ lengthMm: count * 50, headingDeg: 0, pixels: { by: 'count', count } }] },
    threading: { firstPixel: 'start', runs: 1 },
    ...change,
  } as Prop;
}

export function aGrid(
  id: string,
  columns: number,
  rows: number,
  threading: Record<string, unknown> = {},
): Prop {
  return {
    id,
    name: id,
    placeId: 'site',
    pixelTypeId: 'rgb',
    kind: 'grid',
    shape: { columns, rows, columnSpacingMm: 100, rowSpacingMm: 50 },
    threading: { firstPixel: 'topLeft', along: 'rows', pattern: 'straight', runs: 1, ...threading },
  } as Prop;
}

export function aShow(change: Partial<Show> = {}): Show {
  return { ...emptyShow('Test'), pixelTypes: structuredClone(PIXEL_TYPES), ...change };
}

/** Puts whole props on ports of the first controller, one prop a port, run by run. */
export function onPorts(
  show: Show,
  ...ports: [propId: string, run: number, port: number, skipped?: number][]
): Show {
  const patch = ports.map(([propId, run, port, skippedPixels = 0]) => ({
    propId,
    run,
    controllerId: show.controllers[0]!.id,
    port,
    skippedPixels,
  }));
  return { ...show, patch };
}

const packing: fc.Arbitrary<Packing> = fc.oneof(
  fc.constant<Packing>({ kind: 'wholePixels' }),
  fc.constant<Packing>({ kind: 'full512' }),
  // From 4 on, so that a whole RGBW pixel is never larger than a universe needs to be for the test's own count.
  fc
    .integer({ min: 1, max: 512 })
    .map((channelsPerUniverse): Packing => ({ kind: 'custom', channelsPerUniverse })),
);

const prop = (index: number): fc.Arbitrary<Prop> =>
  fc
    .record({
      pixelTypeId: fc.constantFrom('rgb', 'rgbw', 'white'),
      part: fc.oneof(
        fc.record({
          kind: fc.constant('line' as const),
          shape: fc.record({
            legs: fc.array(
              fc.record({
                lengthMm: fc.integer({ min: 50, max: 4000 }),
                headingDeg: fc.constantFrom(0, 45, 90, 270),
                pixels: fc.oneof(
                  fc.record({ by: fc.constant('count' as const), count: fc.integer({ min: 1, max: 90 }) }),
                  fc.record({
                    by: fc.constant('spacing' as const),
                    spacingMm: fc.integer({ min: 40, max: 120 }),
                  }),
                ),
              }),
              { minLength: 1, maxLength: 5 },
            ),
          }),
          threading: fc.record({
            firstPixel: fc.constantFrom('start' as const, 'end' as const),
            runs: fc.integer({ min: 1, max: 6 }),
          }),
        }),
        fc.record({
          kind: fc.constant('ring' as const),
          shape: fc.record({
            rings: fc.array(
              fc.record({
                diameterMm: fc.integer({ min: 100, max: 3000 }),
                pixels: fc.integer({ min: 1, max: 60 }),
              }),
              { minLength: 1, maxLength: 4 },
            ),
            arcDeg: fc.constantFrom(360, 180, 75),
            firstAngleDeg: fc.constantFrom(0, 90, -30),
            direction: fc.constantFrom('clockwise' as const, 'counterclockwise' as const),
          }),
          threading: fc.record({
            startRing: fc.constantFrom('first' as const, 'last' as const),
            pattern: fc.constantFrom('straight' as const, 'serpentine' as const),
            runs: fc.integer({ min: 1, max: 4 }),
          }),
        }),
        fc.record({
          kind: fc.constant('grid' as const),
          shape: fc.record({
            columns: fc.integer({ min: 1, max: 17 }),
            rows: fc.integer({ min: 1, max: 17 }),
            columnSpacingMm: fc.integer({ min: 10, max: 200 }),
            rowSpacingMm: fc.integer({ min: 10, max: 200 }),
          }),
          threading: fc.record({
            firstPixel: fc.constantFrom(...CORNERS),
            along: fc.constantFrom('rows' as const, 'columns' as const),
            pattern: fc.constantFrom('straight' as const, 'serpentine' as const),
            runs: fc.integer({ min: 1, max: 6 }),
          }),
        }),
      ),
    })
    .map(
      ({ pixelTypeId, part }) =>
        ({ id: `p${index}`, name: `Prop ${index}`, placeId: 'site', pixelTypeId, ...part }) as Prop,
    );

const controller = (index: number): fc.Arbitrary<Controller> =>
  fc.record({
    id: fc.constant(`c${index}`),
    name: fc.constant(`Box ${index}`),
    label: fc.constant(String.fromCharCode(65 + index)),
    protocol: fc.constantFrom('e131' as const, 'artnet' as const, 'ddp' as const),
    ports: fc.constant(8),
    mostPixelsPerPort: fc.constant(1000),
    // Ranges of their own, so that no two controllers claim one universe.
    firstUniverse: fc.constantFrom(null, 1 + index * 20_000),
    packing: fc.option(packing, { nil: null }),
    artNetOffset: fc.constantFrom(-1, 0, 5),
    firstLedIndex: fc.constantFrom(0 as const, 1 as const),
    skippedPixelsTakeChannels: fc.boolean(),
  });

/** A whole show: some props, some controllers, and every run on a port, in any order, with skipped pixels. */
export const anyShow: fc.Arbitrary<Show> = fc
  .record({
    props: fc
      .integer({ min: 1, max: 4 })
      .chain((count) => fc.tuple(...Array.from({ length: count }, (_, i) => prop(i)))),
    controllers: fc
      .integer({ min: 1, max: 3 })
      .chain((count) => fc.tuple(...Array.from({ length: count }, (_, i) => controller(i)))),
    packing,
    newUniverse: fc.constantFrom(...NEW_UNIVERSE),
    plugs: fc.array(
      fc.record({
        at: fc.nat(),
        port: fc.integer({ min: 1, max: 8 }),
        skipped: fc.integer({ min: 0, max: 3 }),
      }),
      {
        minLength: 24,
        maxLength: 24,
      },
    ),
  })
  .map(({ props, controllers, plugs, ...addressing }) => {
    // More entries than runs are fine: those without a run keep a place and take no channels.
    const runs = props.flatMap((each) =>
      Array.from({ length: each.threading.runs }, (_, i) => ({ propId: each.id, run: i + 1 })),
    );
    const patch = runs.map((run, i) => {
      const { at, port, skipped } = plugs[i % plugs.length]!;
      return { ...run, controllerId: controllers[at % controllers.length]!.id, port, skippedPixels: skipped };
    });
    // A first universe below one reached already would share channels, which is another test.
    const ordered = controllers.map((each, i) => (i > 0 ? each : { ...each, firstUniverse: 1 }));
    return aShow({ props, controllers: ordered, patch, addressing });
  });
