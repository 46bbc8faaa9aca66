import { WIRE_FUNCTIONS } from '@/core/catalogue/joint';
import { LABEL_FORMATS, PAPER_SIZES } from '@/core/catalogue/paper';
import type { PartsItem } from '@/core/catalogue/partsBook';
import fc from 'fast-check';
import type { Controller } from '@/core/catalogue/controller';
import type { Prop } from '@/core/props/registry';
import type { Show } from '@/core/show/schema';
import { CONNECTORS } from '@/core/catalogue/connector';
import type { Feed } from '@/core/catalogue/feed';
import { FUSE_AMPS } from '@/core/catalogue/fuse';
import { usual } from '@/core/figures/figure';
import { kindOf } from '@/core/props/registry';

/** Joints wire by wire, their contacts and colours repeated or left out. */
const anyJoint = fc.record({
  of: fc.option(fc.nat()),
  fromWords: fc.constantFrom('', 'port A1'),
  toWords: fc.constantFrom('', 'first pixel'),
  wires: fc.array(
    fc.record({
      function: fc.constantFrom(...WIRE_FUNCTIONS),
      colour: fc.constantFrom('', 'red', 'White', 'black'),
      mark: fc.constantFrom('', 'DI', 'two dots'),
      from: fc.constantFrom('', '1', '2', '3'),
      to: fc.constantFrom('', '1', '2', '3'),
    }),
    { minLength: 1, maxLength: 5 },
  ),
});

const anyPapers = fc.record(
  {
    size: fc.constantFrom(...PAPER_SIZES),
    host: fc.constantFrom('lantern.local', '192.168.1.20:3000'),
    labels: fc.constantFrom(...LABEL_FORMATS).map(({ id: _, ...format }) => format),
    explains: fc.constant(true as const),
  },
  { requiredKeys: [] },
);

const anyBook = fc.record(
  {
    currency: fc.constantFrom('EUR', 'kr'),
    minutesPerJoint: fc.integer({ min: 1, max: 30 }),
    sparePercent: fc.integer({ min: 0, max: 50 }),
    items: fc.constant<PartsItem[]>([
      { part: 'fork', have: 3, price: 0.2 },
      { part: 'nothing of the kind', have: 1 },
    ]),
  },
  { requiredKeys: [] },
);

/**
 * Leads to any of the props and controllers: too thin, too long, fused too small or not at all, to places that are not there, from
 * supplies of other volts.
 */
export const anyPower = fc
  .record({
    supplies: fc.array(
      fc.tuple(
        fc.constantFrom(5, 12, 24),
        fc.constantFrom(1, 8.3, 29, 60),
        fc.option(
          fc.record(
            {
              positions: fc.integer({ min: 1, max: 8 }),
              wire: fc.constantFrom('awg24' as const, 'awg18' as const, 'awg10' as const),
              lengthMm: fc.constantFrom(10, 1500),
              fuseAmps: fc.constantFrom(...FUSE_AMPS),
            },
            { requiredKeys: ['positions', 'wire', 'lengthMm'] },
          ),
          { nil: undefined },
        ),
      ),
      { maxLength: 3 },
    ),
    leads: fc.array(
      fc.record({
        from: fc.nat(),
        port: fc.boolean(),
        groundOnly: fc.constantFrom(true, undefined, undefined),
        fuseAmps: fc.option(fc.constantFrom(...FUSE_AMPS), { nil: undefined }),
        connector: fc.option(fc.constantFrom(...CONNECTORS.map(({ id }) => id)), { nil: undefined }),
        pieces: fc.array(
          fc.record({
            lengthMm: fc.constantFrom(10, 1500, 20_000),
            wire: fc.constantFrom('awg24', 'awg18', 'mm2-2.5', 'awg10'),
            what: fc.nat(),
            run: fc.integer({ min: 1, max: 3 }),
            pixel: fc.integer({ min: 1, max: 40 }),
            toController: fc.boolean(),
          }),
          { minLength: 1, maxLength: 3 },
        ),
      }),
      { maxLength: 5 },
    ),
    cuts: fc.array(fc.tuple(fc.nat(), fc.integer({ min: 1, max: 20 })), { maxLength: 2 }),
    levelPercent: fc.option(fc.integer({ min: 1, max: 100 }), { nil: undefined }),
    joints: fc.array(anyJoint, { maxLength: 3 }),
    papers: fc.option(anyPapers, { nil: undefined }),
    parts: fc.option(anyBook, { nil: undefined }),
  })
  .map(
    ({ supplies, leads, cuts, levelPercent, joints, papers, parts }) =>
      (props: readonly Prop[], controllers: readonly Controller[]): Partial<Show> => ({
        supplies: supplies.map(([volts, amps, fuseRow], i) => ({
          id: `s${i}`,
          name: `Supply ${i + 1}`,
          volts,
          ratedAmps: usual(amps),
          ...(fuseRow && { fuseRow }),
        })),
        feeds: leads.flatMap(({ from, port, groundOnly, fuseAmps, connector, pieces }, i): Feed[] => {
          const on = controllers[from % controllers.length];
          if (supplies.length === 0 && !(port && on)) return [];
          return [
            {
              id: `f${i}`,
              name: `Lead ${i + 1}`,
              from:
                port && on
                  ? { kind: 'port', controllerId: on.id, port: 1 }
                  : { kind: 'supply', supplyId: `s${from % Math.max(1, supplies.length)}` },
              ...(fuseAmps !== undefined && { fuseAmps }),
              ...(groundOnly && { groundOnly }),
              ...(connector !== undefined && { connector }),
              pieces: pieces.map(({ lengthMm, wire, what, run, pixel, toController }) => {
                const prop = props[what % props.length]!;
                const device = controllers[what % controllers.length];
                return {
                  lengthMm,
                  wire,
                  to:
                    toController && device
                      ? { kind: 'controller', controllerId: device.id }
                      : kindOf(prop).panelPower
                        ? { kind: 'panel', propId: prop.id, column: 1 + (pixel % 3), row: run }
                        : { kind: 'pixel', propId: prop.id, run, pixel },
                };
              }),
            },
          ].filter((feed) => feed.from.kind !== 'supply' || supplies.length > 0) as Feed[];
        }),
        cuts:
          props.length === 0
            ? []
            : cuts.map(([what, afterPixel], i) => ({
                id: `c${i}`,
                propId: props[what % props.length]!.id,
                run: 1,
                afterPixel,
              })),
        joints: joints.map(({ of, ...joint }, i) => ({
          ...joint,
          id: `j${i}`,
          name: `Joint ${i + 1}`,
          ...(of !== null && props.length > 0 && { propId: props[of % props.length]!.id }),
        })),
        ...(papers && { papers }),
        ...(parts && { parts }),
        ...(levelPercent !== undefined && { power: { levelPercent, whiteBy: 'all' as const } }),
      }),
  );
