import fc from 'fast-check';
import type { Controller } from '@/core/catalogue/controller';
import type { ControllerType } from '@/core/catalogue/controllerType';
import { HIDES, PIXEL_SIZES, STARTS, SUB_NETS, UNIVERSE_SIZES } from '@/core/catalogue/controllers/telling';
import { NEW_UNIVERSE, type Packing } from '@/core/catalogue/packing';
import { wantedRuns } from '@/core/threading/runs';
import { CORNERS } from '@/core/threading/view';
import { withOrder } from '@/core/show/read';
import { emptyShow, type Show } from '@/core/show/schema';
import { FACINGS } from '@/core/props/craft';
import { PROP_KINDS, pixelCountOf, type Prop } from '@/core/props/registry';
import { wall } from '@/core/props/wall';

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
  return withOrder({ ...emptyShow('Test'), pixelTypes: structuredClone(PIXEL_TYPES), ...change });
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
  return withOrder({ ...show, patch });
}

const packing: fc.Arbitrary<Packing> = fc.oneof(
  fc.constant<Packing>({ kind: 'wholePixels' }),
  fc.constant<Packing>({ kind: 'full512' }),
  // From 4 on, so that a whole RGBW pixel is never larger than a universe needs to be for the test's own count.
  fc
    .integer({ min: 1, max: 512 })
    .map((channelsPerUniverse): Packing => ({ kind: 'custom', channelsPerUniverse })),
);

const runs = fc.oneof(
  fc.integer({ min: 1, max: 6 }),
  fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 4 }),
);
const cellOrder = {
  firstPixel: fc.constantFrom(...CORNERS),
  along: fc.constantFrom('rows' as const, 'columns' as const),
  pattern: fc.constantFrom('straight' as const, 'serpentine' as const),
};
const coordinate = fc.integer({ min: -5000, max: 5000 });

/** Small enough that a test may look at every channel. */
const MOST_PIXELS_OF_EXAMPLE = 2000;

/** Shapes that the kinds themselves begin with, so that a new kind is tried without a word here. */
const EXAMPLES = PROP_KINDS.flatMap((kind) =>
  [kind, ...(kind.presets ?? [])].map((each) => ({ kind: kind.kind, ...each.starter() })),
).filter((example) => pixelCountOf(example as unknown as Prop) <= MOST_PIXELS_OF_EXAMPLE);

const prop = (index: number): fc.Arbitrary<Prop> =>
  fc
    .record({
      pixelTypeId: fc.constantFrom('rgb', 'rgbw', 'white'),
      part: fc.oneof(
        fc.constantFrom(...EXAMPLES),
        fc
          .record({
            columns: fc.integer({ min: 1, max: 3 }),
            rows: fc.integer({ min: 1, max: 3 }),
            wide: fc.integer({ min: 4, max: 9 }),
            high: fc.integer({ min: 4, max: 6 }),
            pictureCorner: fc.constantFrom(...CORNERS),
          })
          .map(({ columns, rows, wide, high, pictureCorner }) => {
            const { shape, threading } = wall.starter();
            return {
              kind: 'wall' as const,
              shape: { ...shape, columns, rows, panel: { ...shape.panel, columns: wide, rows: high } },
              threading: { ...threading, pictureCorner },
            };
          }),
        fc.record({
          kind: fc.constant('line' as const),
          shape: fc.record({
            legs: fc.array(
              fc.record(
                {
                  lengthMm: fc.integer({ min: 50, max: 4000 }),
                  headingDeg: fc.constantFrom(0, 45, 90, 270),
                  pixels: fc.oneof(
                    fc.record({ by: fc.constant('count' as const), count: fc.integer({ min: 0, max: 90 }) }),
                    fc.record({
                      by: fc.constant('spacing' as const),
                      spacingMm: fc.integer({ min: 40, max: 120 }),
                    }),
                  ),
                  corner: fc.constantFrom('eatsPixel' as const, 'jumper' as const),
                },
                { requiredKeys: ['lengthMm', 'headingDeg', 'pixels'] },
              ),
              { minLength: 1, maxLength: 5 },
            ),
          }),
          threading: fc.record({
            firstPixel: fc.constantFrom('start' as const, 'end' as const),
            runs,
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
            runs,
          }),
        }),
        fc.record({
          kind: fc.constant('grid' as const),
          shape: fc.record(
            {
              columns: fc.integer({ min: 1, max: 17 }),
              rows: fc.integer({ min: 1, max: 17 }),
              columnSpacingMm: fc.integer({ min: 10, max: 200 }),
              rowSpacingMm: fc.integer({ min: 10, max: 200 }),
              seamsAfterColumns: fc.array(fc.integer({ min: 1, max: 17 }), { maxLength: 3 }),
            },
            { requiredKeys: ['columns', 'rows', 'columnSpacingMm', 'rowSpacingMm'] },
          ),
          threading: fc.record({ ...cellOrder, runs }),
        }),
        fc.record({
          kind: fc.constant('tree' as const),
          shape: fc.record({
            form: fc.oneof(
              fc.record({
                kind: fc.constant('full' as const),
                firstStrandAt: fc.constantFrom('front' as const, 'right' as const, 'back' as const),
                direction: fc.constantFrom('clockwise' as const, 'counterclockwise' as const),
              }),
              fc.record({
                kind: fc.constantFrom('half' as const, 'flat' as const),
                firstStrandAt: fc.constantFrom('left' as const, 'right' as const),
              }),
            ),
            strands: fc.integer({ min: 1, max: 12 }),
            pixelsPerStrand: fc.integer({ min: 1, max: 30 }),
            holePitchMm: fc.integer({ min: 20, max: 120 }),
            everyHole: fc.integer({ min: 1, max: 4 }),
            emptyHolesTop: fc.nat(3),
            emptyHolesBottom: fc.nat(3),
            height: fc.oneof(
              fc.record({
                by: fc.constant('height' as const),
                heightMm: fc.integer({ min: 500, max: 6000 }),
              }),
              fc.record({ by: fc.constant('slant' as const), slantMm: fc.integer({ min: 500, max: 6000 }) }),
              fc.record({ by: fc.constant('strip' as const) }),
            ),
            baseDiameterMm: fc.integer({ min: 200, max: 4000 }),
            topDiameterMm: fc.integer({ min: 0, max: 400 }),
          }),
          threading: fc.record({
            firstStrand: fc.constantFrom('first' as const, 'last' as const),
            dataEnters: fc.constantFrom('bottom' as const, 'top' as const),
            pattern: fc.constantFrom('straight' as const, 'serpentine' as const),
            runs,
          }),
        }),
        fc.record({
          kind: fc.constant('tile' as const),
          shape: fc.record({
            columns: fc.integer({ min: 1, max: 4 }),
            rows: fc.integer({ min: 1, max: 4 }),
            tile: fc.record({
              columns: fc.integer({ min: 1, max: 6 }),
              rows: fc.integer({ min: 1, max: 6 }),
              ...cellOrder,
            }),
            pitchMm: fc.integer({ min: 10, max: 100 }),
            gapMm: fc.nat(20),
          }),
          threading: fc.record({ ...cellOrder, runs }),
        }),
        fc.record({
          kind: fc.constant('craft' as const),
          shape: fc.uniqueArray(fc.nat(8 * 6 - 1), { minLength: 1, maxLength: 20 }).chain((cells) =>
            fc.record({
              columns: fc.constant(8),
              rows: fc.constant(6),
              cellMm: fc.integer({ min: 10, max: 60 }),
              mostPixels: fc.constant(32),
              roles: fc.constant(['bow', 'stern']),
              pixels: fc.tuple(
                ...cells.map((cell) =>
                  fc.record({
                    column: fc.constant(cell % 8),
                    row: fc.constant(Math.floor(cell / 8)),
                    facing: fc.constantFrom(...FACINGS),
                    roles: fc.subarray(['bow', 'stern']),
                  }),
                ),
              ),
            }),
          ),
          threading: fc.record({ runs }),
        }),
        fc.record({
          kind: fc.constant('freeform' as const),
          shape: fc
            .array(fc.array(fc.tuple(coordinate, coordinate), { minLength: 1, maxLength: 12 }), {
              minLength: 1,
              maxLength: 4,
            })
            .map((pieces) => ({
              xMm: pieces.flat().map(([x]) => x),
              yMm: pieces.flat().map(([, y]) => y),
              pieces: pieces.map((piece) => piece.length),
              source: 'by hand',
            })),
          threading: fc.record({ firstPixel: fc.constantFrom('start' as const, 'end' as const), runs }),
        }),
      ),
    })
    .map(
      ({ pixelTypeId, part }) =>
        ({ id: `p${index}`, name: `Prop ${index}`, placeId: 'site', pixelTypeId, ...part }) as Prop,
    );

/** A kind of device that can be told this or that, without any other limit. */
const kindOfDevice = (index: number): fc.Arbitrary<ControllerType> => {
  const figure = <Value>(value: fc.Arbitrary<Value>) =>
    fc.record({ value, basis: fc.constant('default' as const) });
  return fc.record(
    {
      id: fc.constant(`k${index}`),
      name: fc.constant(`Kind ${index}`),
      class: fc.constant('ethernet' as const),
      ports: fc.constant(8),
      pixelsPerPort: figure(fc.constant([{ upToPorts: 8, pixels: 100_000 }])),
      starts: figure(fc.constantFrom(...STARTS)),
      universeSizes: figure(fc.constantFrom(...UNIVERSE_SIZES)),
      hides: figure(fc.constantFrom(...HIDES)),
      pixelSizes: figure(fc.constantFrom(...PIXEL_SIZES)),
      subNets: figure(fc.constantFrom(...SUB_NETS)),
      pixelChannels: figure(fc.constant([1, 3, 4])),
    },
    { requiredKeys: ['id', 'name', 'class', 'ports', 'pixelsPerPort'] },
  );
};

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
    portOptions: fc.uniqueArray(
      fc.record(
        {
          port: fc.integer({ min: 1, max: 8 }),
          packing,
          newUniverse: fc.constantFrom(...NEW_UNIVERSE),
          reserved: fc.constant(true as const),
        },
        { requiredKeys: ['port'] },
      ),
      { selector: ({ port }) => port, maxLength: 3 },
    ),
  });

/** A whole show: some props of any kind, some controllers, and every run on a port, in any order, with skipped pixels and spare channels. */
export const anyShow: fc.Arbitrary<Show> = fc
  .record({
    props: fc
      .integer({ min: 1, max: 4 })
      .chain((count) => fc.tuple(...Array.from({ length: count }, (_, i) => prop(i)))),
    controllers: fc
      .integer({ min: 1, max: 3 })
      .chain((count) => fc.tuple(...Array.from({ length: count }, (_, i) => controller(i)))),
    kinds: fc.tuple(...[0, 1, 2].map((i) => fc.option(kindOfDevice(i), { nil: undefined }))),
    packing,
    newUniverse: fc.constantFrom(...NEW_UNIVERSE),
    // So far up that nothing else comes there, with room for the longest run in the smallest universes.
    pinned: fc.option(fc.record({ at: fc.nat(), universe: fc.integer({ min: 54_000, max: 55_000 }) }), {
      nil: undefined,
    }),
    plugs: fc.array(
      fc.record({
        at: fc.nat(),
        port: fc.integer({ min: 1, max: 8 }),
        skipped: fc.integer({ min: 0, max: 3 }),
        spare: fc.option(fc.integer({ min: 1, max: 700 }), { nil: undefined, freq: 4 }),
      }),
      {
        minLength: 24,
        maxLength: 24,
      },
    ),
  })
  .map(({ props, controllers, kinds, plugs, pinned, ...addressing }) => {
    // More entries than runs are fine: those without a run keep a place and take no channels.
    const runs = props.flatMap((each) =>
      Array.from({ length: wantedRuns(each.threading.runs) }, (_, i) => ({ propId: each.id, run: i + 1 })),
    );
    const patch = runs.map((run, i) => {
      const { at, port, skipped, spare } = plugs[i % plugs.length]!;
      return {
        ...run,
        controllerId: controllers[at % controllers.length]!.id,
        port,
        skippedPixels: skipped,
        ...(spare !== undefined && { spareChannels: spare }),
        ...(pinned && pinned.at % runs.length === i && { pin: { universe: pinned.universe, channel: 1 } }),
      };
    });
    // A first universe below one reached already would share channels, which is another test.
    const ordered = controllers.map((each, i) => ({
      ...each,
      ...(i === 0 && { firstUniverse: 1 }),
      ...(kinds[i] && { typeId: kinds[i].id }),
    }));
    const controllerTypes = kinds.slice(0, controllers.length).flatMap((kind) => kind ?? []);
    return aShow({ props, controllers: ordered, controllerTypes, patch, addressing });
  });
