import fc from 'fast-check';
import { PROP_KINDS } from '@/core/props/registry';
import type { Edit, SingleEdit } from '@/core/show/edits/registry';
import type { Show } from '@/core/show/schema';
import { aFeed, aSupply, toPixel } from './power';
import { aController, aLine } from './shows';

/** Edits for tests. They are made for a show when it is known, from what is in it; many are refused, as those of people are. */
type EditOf = (show: Show) => SingleEdit;

let made = 0;
const fresh = (name: string) => `${name}-${(made += 1)}`;
const pick = <Item>(items: readonly Item[], at: number): Item | undefined => items[at % items.length];
const idOf = (items: readonly { id: string }[], at: number) => pick(items, at)?.id ?? 'nobody';

const withNumber = (make: (show: Show, at: number, other: number) => SingleEdit): fc.Arbitrary<EditOf> =>
  fc.tuple(fc.nat(50), fc.nat(50)).map(
    ([at, other]) =>
      (show) =>
        make(show, at, other),
  );

const entryAt = (show: Show, at: number) =>
  pick(show.patch, at) ?? { propId: 'nobody', run: 1, controllerId: 'nobody', port: 1 };

/** One edit of any kind that the interface makes. */
export const anyEdit: fc.Arbitrary<EditOf> = fc.oneof(
  withNumber((_show, at) => ({ type: 'renameShow', name: `Night ${at}` })),
  withNumber((_show, at) => ({ type: 'setAddressing', change: { firstShowChannel: at + 1 } })),
  withNumber((show, at, other) => ({
    type: 'changeProp',
    propId: idOf(show.props, at),
    change: { name: `Name ${other}` },
  })),
  withNumber((show, at) => ({
    type: 'changeProp',
    propId: idOf(show.props, at),
    change: { placeId: idOf(show.places, at) },
  })),
  withNumber((show, at) => ({
    type: 'changeProp',
    propId: idOf(show.props, at),
    change: { packing: at % 2 ? null : { kind: 'full512' } },
  })),
  withNumber((_show, at) => {
    const id = fresh('prop');
    return { type: 'addProp', prop: aLine(id, (at % 9) + 1), index: at % 4 };
  }),
  withNumber((show, at) => ({ type: 'removeProp', propId: idOf(show.props, at) })),
  withNumber((show, at, other) => ({ type: 'moveProp', propId: idOf(show.props, at), index: other % 5 })),
  withNumber((show, at, other) => {
    const prop = pick(show.props, at);
    const kind = PROP_KINDS.find((each) => each.kind === prop?.kind);
    const presets = kind ? [kind, ...(kind.presets ?? [])] : [];
    return { type: 'setShape', propId: prop?.id ?? 'nobody', shape: pick(presets, other)?.starter().shape };
  }),
  withNumber((show, at, other) => {
    const prop = pick(show.props, at);
    return {
      type: 'setThreading',
      propId: prop?.id ?? 'nobody',
      threading: { ...prop?.threading, runs: (other % 4) + 1 },
    };
  }),
  withNumber((_show, at) => {
    const id = fresh('box');
    const label = `${String.fromCharCode(65 + (at % 20))}${String.fromCharCode(65 + (at % 19))}`;
    return { type: 'addController', controller: aController({ id, name: id, label, firstUniverse: null }) };
  }),
  withNumber((show, at) => ({ type: 'removeController', controllerId: idOf(show.controllers, at) })),
  withNumber((show, at, other) => ({
    type: 'changeController',
    controllerId: idOf(show.controllers, at),
    change: other % 2 ? { ports: other + 1 } : { firstUniverse: other % 4 ? other + 1 : null },
  })),
  withNumber((_show, at) => ({
    type: 'addSupply',
    supply: aSupply({ id: fresh('supply'), name: `Supply ${at}` }),
  })),
  withNumber((show, at, other) => ({
    type: 'changeSupply',
    supplyId: idOf(show.supplies, at),
    change: other % 2 ? { volts: 5 } : { placeId: null },
  })),
  withNumber((show, at) => ({ type: 'removeSupply', supplyId: idOf(show.supplies, at) })),
  withNumber((show, at, other) => {
    const id = fresh('lead');
    const from = { kind: 'supply' as const, supplyId: idOf(show.supplies, at) };
    const pieces = [toPixel(idOf(show.props, other), other + 1), toPixel(idOf(show.props, at), 1)];
    return { type: 'addFeed', feed: { ...aFeed(pieces, { from }), id, name: id } };
  }),
  withNumber((show, at, other) => ({
    type: 'changeFeed',
    feedId: idOf(show.feeds, at),
    change: other % 2 ? { groundOnly: true, fuseAmps: null } : { groundOnly: null, fuseAmps: 5 },
  })),
  withNumber((show, at) => ({ type: 'removeFeed', feedId: idOf(show.feeds, at) })),
  withNumber((show, at, other) => ({
    type: 'addCut',
    cut: { id: fresh('cut'), propId: idOf(show.props, at), run: 1, afterPixel: other + 1 },
  })),
  withNumber((show, at) => ({ type: 'removeCut', cutId: idOf(show.cuts, at) })),
  withNumber((_show, at) => ({
    type: 'setPapers',
    change: at % 2 ? { size: 'letter', host: null } : { size: null, host: 'lantern.local', explains: true },
  })),
  withNumber((_show, at, other) => ({
    type: 'setPart',
    part: `part ${at % 3}`,
    name: 'A part',
    change: other % 2 ? { have: other } : { have: null, price: null },
  })),
  withNumber((_show, at) => ({ type: 'setParts', change: { sparePercent: at % 2 ? at : null } })),
  withNumber((show, at, other) => ({
    type: 'addJoint',
    joint: {
      id: fresh('joint'),
      name: `Joint ${other}`,
      fromWords: '',
      toWords: '',
      ...(show.props.length > 0 && { propId: idOf(show.props, at) }),
      wires: [{ function: 'data', colour: '', mark: 'DI', from: '2', to: '2' }],
    },
  })),
  withNumber((show, at, other) => ({
    type: 'changeJoint',
    jointId: idOf(show.joints, at),
    change: other % 2 ? { propId: null, opens: true } : { name: `Joint ${other} again`, opens: null },
  })),
  withNumber((show, at) => ({ type: 'removeJoint', jointId: idOf(show.joints, at) })),
  withNumber((_show, at) => ({ type: 'setPower', power: { levelPercent: at + 1, whiteBy: 'all' } })),
  withNumber((show, at, other) => {
    const { propId, run } = entryAt(show, at);
    return {
      type: 'setDataLead',
      propId,
      run,
      dataLead: other % 2 ? {} : { helper: 'buffer', lengthMm: other },
    };
  }),
  withNumber((show, at, other) => ({
    type: 'moveController',
    controllerId: idOf(show.controllers, at),
    index: other % 3,
  })),
  withNumber((show, at, other) => ({
    type: 'putRun',
    propId: idOf(show.props, at),
    run: (other % 2) + 1,
    controllerId: idOf(show.controllers, other),
    port: (at % 8) + 1,
    ...(other % 3 ? {} : { position: (at % 3) + 1 }),
  })),
  withNumber((show, at) => {
    const { propId, run } = entryAt(show, at);
    return { type: 'takeOffRun', propId, run };
  }),
  withNumber((show, at, other) => {
    const { propId, run } = entryAt(show, at);
    return { type: 'setSkippedPixels', propId, run, skippedPixels: other % 4 };
  }),
  withNumber((show, at, other) => {
    const { propId, run } = entryAt(show, at);
    const pin = other % 2 ? null : { universe: 40_000 + other, channel: 1 };
    return { type: 'setRunAddress', propId, run, change: { pin, spareChannels: at % 2 ? 6 : null } };
  }),
  withNumber((show, at, other) => ({
    type: 'swapPorts',
    one: { controllerId: idOf(show.controllers, at), port: (at % 8) + 1 },
    other: { controllerId: idOf(show.controllers, other), port: (other % 8) + 1 },
  })),
  withNumber((_show, at) => {
    const id = fresh('place');
    return { type: 'addPlace', place: { id, name: id }, index: at % 3 };
  }),
  withNumber((show, at) => ({ type: 'removePlace', placeId: idOf(show.places, at) })),
  withNumber((show, at, other) => ({
    type: 'changePixelType',
    pixelTypeId: idOf(show.pixelTypes, at),
    change: { volts: (other % 20) + 4 },
  })),
  withNumber((show, at, other) => ({
    type: 'addTasks',
    tasks: [0, 1].map((i) => ({
      id: fresh('task'),
      controllerId: idOf(show.controllers, at),
      field: `port.${(other % 4) + i}.pixels`,
      port: 'A1',
      what: 'pixels',
      old: '1',
      new: String(other % 3),
    })),
  })),
  withNumber((_show, at) => ({
    type: 'setSender',
    sender: at % 3 ? { name: 'Player', ip: `10.0.0.${at + 1}`, maskBits: 24 } : null,
  })),
);

/** Several of them as one. */
export const anyBatch: fc.Arbitrary<(show: Show) => Edit> = fc
  .array(anyEdit, { minLength: 1, maxLength: 3 })
  .map((edits) => (show) => ({ type: 'batch', label: 'Several', edits: edits.map((edit) => edit(show)) }));
