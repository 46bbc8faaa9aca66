import fc from 'fast-check';
import { SHIPPED_CONTROLLER_TYPES } from '@/core/catalogue/controllerType';
import type { Controller } from '@/core/catalogue/controller';
import type { NetworkAddress } from '@/core/catalogue/network';
import { CHAIN_STYLES } from '@/core/panels/chains';
import { evenCards } from '@/core/panels/driver';
import { PANEL_COLOUR_ORDERS } from '@/core/panels/panelType';
import type { Prop } from '@/core/props/registry';
import { wall } from '@/core/props/wall';
import { CORNERS } from '@/core/threading/view';
import { withOrder } from '@/core/show/read';
import type { Show } from '@/core/show/schema';
import { anyPower } from './busyPower';
import { anyShow } from './shows';
import { DRIVERS } from '@/core/catalogue/dataLine';
import { usual } from '@/core/figures/figure';

/** Shows in which much is said and much is wrong: kinds of controllers, addresses, walls on cards, stock, ranges, rates. */

const ip = fc.constantFrom('192.168.1.10', '192.168.1.20', '192.168.1.21', '192.168.2.20', '10.0.0.9');

const gateway = fc.constantFrom('192.168.1.1', '192.168.2.1', '10.0.0.1');

const network: fc.Arbitrary<NetworkAddress> = fc.record(
  {
    ip,
    maskBits: fc.constantFrom(8, 16, 24, 28),
    gateway,
    given: fc.constantFrom('fixed', 'reserved', 'leased'),
    storedBy: fc.constant(''),
    casting: fc.constantFrom('unicast', 'multicast'),
  },
  { requiredKeys: ['ip', 'maskBits', 'given', 'storedBy', 'casting'] },
);

const anyWall: fc.Arbitrary<Prop> = fc
  .record({
    columns: fc.integer({ min: 1, max: 5 }),
    rows: fc.integer({ min: 1, max: 4 }),
    panel: fc.record({ columns: fc.constantFrom(4, 8), rows: fc.constantFrom(4, 8) }),
    order: fc.constantFrom(...PANEL_COLOUR_ORDERS),
    other: fc.option(fc.constantFrom(...PANEL_COLOUR_ORDERS), { nil: undefined }),
    missing: fc.boolean(),
    pictureCorner: fc.constantFrom(...CORNERS),
    style: fc.constantFrom(...CHAIN_STYLES),
    along: fc.constantFrom('rows' as const, 'columns' as const),
    entry: fc.constantFrom(...CORNERS),
    outputs: fc.integer({ min: 1, max: 4 }),
    most: fc.integer({ min: 1, max: 8 }),
    cards: fc.option(fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 3 })), {
      nil: undefined,
    }),
    /** A card that is larger or smaller than what it is to own. */
    wrong: fc.constantFrom(-1, 0, 0, 0, 1),
    socket: fc.constantFrom('left' as const, 'right' as const),
    pixelTypeId: fc.constantFrom('rgb', 'rgb', 'rgb', 'rgbw'),
  })
  .map((any): Prop => {
    const { shape, threading } = wall.starter();
    const limit = { value: any.most, basis: 'typed' as const };
    const cards = any.cards && evenCards(any.columns, any.rows, ...any.cards);
    if (cards) cards[0] = { ...cards[0]!, columns: Math.max(1, cards[0]!.columns + any.wrong) };
    const others = [
      ...(any.other ? [{ column: 0, row: 0, colourOrder: any.other }] : []),
      ...(any.missing ? [{ column: any.columns - 1, row: any.rows - 1, missing: true as const }] : []),
    ];
    return {
      id: 'wall',
      name: 'Wall',
      placeId: 'site',
      pixelTypeId: any.pixelTypeId,
      kind: 'wall',
      shape: {
        ...shape,
        columns: any.columns,
        rows: any.rows,
        panel: { ...shape.panel, ...any.panel, colourOrder: any.order, dataInAtBack: any.socket },
        ...(others.length > 0 && { others }),
      },
      threading: {
        ...threading,
        pictureCorner: any.pictureCorner,
        chaining: { by: 'design', style: any.style, along: any.along, entry: any.entry },
        driver: cards
          ? { kind: 'cards', outputsPerCard: any.outputs, mostPanelsPerOutput: limit, inOrder: true, cards }
          : {
              kind: 'hat',
              outputs: any.outputs,
              mostPanelsPerOutput: limit,
              pinout: '',
              slowDown: 1,
              slowDownReason: '',
            },
      },
    };
  });

const aboutController = fc.record(
  {
    typeId: fc.constantFrom(...SHIPPED_CONTROLLER_TYPES.map((type) => type.id)),
    network,
    lastUniverse: fc.integer({ min: 1, max: 60 }),
    mostPixelsPerPort: fc.constantFrom(20, 100, 800),
    coloursAt: fc.constantFrom('controller' as const, 'sender' as const),
    power: fc.record(
      {
        ownAmps: fc.constantFrom(0, 0.3).map((amps) => usual(amps)),
        portFuseAmps: fc.constantFrom(1, 5).map((amps) => usual(amps)),
        limiterAmps: fc.constantFrom(0.1, 0.9, 20).map((amps) => usual(amps)),
        limiterPixelMa: fc.constantFrom(20, 55).map((amps) => usual(amps)),
        passesAmps: fc.constantFrom(0.5, 3).map((amps) => usual(amps)),
      },
      { requiredKeys: [] },
    ),
    data: fc.record(
      {
        logicVolts: fc.constantFrom(1.8, 3.3, 5).map((volts) => usual(volts)),
        driver: fc.constantFrom(...DRIVERS),
      },
      { requiredKeys: [] },
    ),
  },
  { requiredKeys: [] },
);

const aboutProp = fc.record(
  {
    stock: fc.oneof(
      fc.record({
        kind: fc.constant('strings' as const),
        pixelsPerString: fc.constantFrom(5, 50),
        pitchMm: fc.constantFrom(30, 100, 300),
        laid: fc.constantFrom('runOn' as const, 'perStrand' as const),
      }),
      fc.record({
        kind: fc.constant('strip' as const),
        pixelsPerMetre: fc.constantFrom(30, 60),
        rollMm: fc.constant(5000),
        pixelsPerCut: fc.constantFrom(1, 3),
      }),
    ),
    ranges: fc.array(
      fc.record({
        name: fc.constantFrom('Hull', 'Mast'),
        firstPixel: fc.integer({ min: 1, max: 60 }),
        pixelCount: fc.integer({ min: 1, max: 60 }),
      }),
      { minLength: 1, maxLength: 3 },
    ),
  },
  { requiredKeys: [] },
);

/** Data wires: far too long, without ground, with and without what helps. */
const anyDataLead = fc.option(
  fc.record(
    {
      lengthMm: fc.constantFrom(0, 1500, 4000, 30_000),
      helper: fc.constantFrom('buffer' as const, 'pair' as const),
      seriesOhm: fc.constantFrom(0, 330),
      capacitorUf: fc.constantFrom(0, 1000),
      ground: fc.constantFrom('along' as const, 'none' as const),
      backup: fc.constantFrom('joined' as const, 'ground' as const),
    },
    { requiredKeys: [] },
  ),
  { nil: undefined },
);

export const anyBusyShow: fc.Arbitrary<Show> = fc
  .record({
    show: anyShow,
    wall: fc.option(anyWall, { nil: undefined }),
    wallOn: fc.option(fc.nat(), { nil: undefined }),
    controllers: fc.array(aboutController, { minLength: 3, maxLength: 3 }),
    props: fc.array(aboutProp, { minLength: 4, maxLength: 4 }),
    loose: fc.integer({ min: 0, max: 3 }),
    power: anyPower,
    dataLeads: fc.array(anyDataLead, { minLength: 6, maxLength: 6 }),
    bodyMm: fc.option(fc.constantFrom(5, 60), { nil: undefined }),
    volts: fc.constantFrom(5, 12),
    wantedRateHz: fc.option(fc.constantFrom(20, 60, 200), { nil: undefined }),
    sender: fc.option(
      fc.record(
        { name: fc.constant('Player'), ip, maskBits: fc.constantFrom(16, 24), gateway },
        { requiredKeys: ['name', 'ip', 'maskBits'] },
      ),
      {
        nil: undefined,
      },
    ),
  })
  .map(
    ({
      show,
      wall: extra,
      wallOn,
      controllers,
      props,
      loose,
      power,
      dataLeads,
      bodyMm,
      volts,
      wantedRateHz,
      sender,
    }) => {
      const all = [
        ...show.props.map((prop, i): Prop => ({ ...prop, ...props[i] }) as Prop),
        ...(extra ? [extra] : []),
      ];
      const devices = show.controllers.map((controller, i): Controller => ({
        ...controller,
        ...controllers[i],
      }));
      const on = devices[(wallOn ?? 0) % devices.length]!;
      const patch = [
        // Some runs are on no port, and one of the props may have lost runs that the patch still names.
        ...show.patch.slice(loose),
        ...(extra && wallOn !== undefined
          ? [{ propId: extra.id, run: 1, controllerId: on.id, port: 1 + (wallOn % 8), skippedPixels: 0 }]
          : []),
      ].map(({ order: _, ...entry }, i) => ({
        ...entry,
        ...(dataLeads[i] && { dataLead: dataLeads[i] }),
      }));
      const pixelTypes = show.pixelTypes.map((type, i) => ({
        ...type,
        ...(bodyMm !== undefined && { bodyMm }),
        ...(i === 0 && { volts }),
      }));
      return withOrder({
        ...show,
        props: all,
        controllers: devices.map(({ order: _, ...each }) => each),
        controllerTypes: [...show.controllerTypes, ...SHIPPED_CONTROLLER_TYPES.map((type) => ({ ...type }))],
        patch,
        pixelTypes,
        addressing: { ...show.addressing, ...(wantedRateHz !== undefined && { wantedRateHz }) },
        ...(sender && { sender }),
        ...power(all, devices),
      });
    },
  );
