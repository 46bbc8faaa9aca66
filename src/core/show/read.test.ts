import { SHOW_VERSION } from './schema';
import type { PropOf } from '../props/registry';
import { tree } from '../props/tree';
import { wall, type WallShape } from '../props/wall';
import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aGrid, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { ShowError } from '../fields/problem';
import { Facts, currentFacts, tickOf, type Fact } from './facts';
import { isOrdered } from '../fields/order';
import { readShow, readShowFile, readShowFileText, readShowText, writeShowText } from './read';

const good = onPorts(
  aShow({ props: [aLine('rail', 50), aGrid('net', 4, 5)], controllers: [aController()] }),
  ['rail', 1, 1],
);

const aTask = () => ({
  id: 't',
  controllerId: 'a',
  field: 'port.1.pixels',
  port: 'A1',
  what: 'pixels',
  old: '1',
  new: '2',
});

/** The sentences with which a show is refused. */
function sentences(change: (show: any) => void): string {
  const broken = structuredClone(good);
  change(broken);
  try {
    readShow(broken);
  } catch (error) {
    expect(error).toBeInstanceOf(ShowError);
    return (error as ShowError).problems.map((problem) => `${problem.path}| ${problem.message}`).join('\n');
  }
  throw new Error('It was accepted.');
}

it('reads back what it writes', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      expect(readShowText(writeShowText(show))).toEqual(show);
    }),
    { numRuns: tries(50) },
  );
});

// Each case: what is done to a good show, where the sentence must point, and what it must say.
it.each<[string, (show: any) => void, string, RegExp]>([
  [
    'a missing field',
    (s) => delete s.props[0].placeId,
    'props[0].placeId',
    /rail: props\[0\]\.placeId is missing; a text is needed/,
  ],
  ['an unknown version', (s) => (s.version = 9), 'version', /version 9; this program reads versions 1 to 8/],
  ['another format', (s) => (s.format = 'other'), 'format', /not a show file/],
  [
    'a duplicate id',
    (s) => (s.props[1].id = 'rail'),
    'props[1].id',
    /“rail” is used twice, by props\[0\] and props\[1\]/,
  ],
  ['names that differ only in letter case', (s) => (s.props[1].name = 'RAIL'), 'props[1].name', /used twice/],
  [
    'a port that does not exist',
    (s) => (s.patch[0].port = 9),
    'patch[0].port',
    /rail run 1 is on port A9, but Box A has 4 ports, A1 to A4/,
  ],
  ['a run on two ports', (s) => s.patch.push({ ...s.patch[0], port: 2 }), 'patch[1]', /fed by one port/],
  [
    'an unknown controller',
    (s) => (s.patch[0].controllerId = 'zz'),
    'patch[0].controllerId',
    /“zz”, which the show does not have\. Its controllers are a\./,
  ],
  [
    'a count below 0',
    (s) => (s.props[0].shape.legs[0].pixels.count = -1),
    'props[0].shape.legs[0].pixels.count',
    /is -1; the least allowed is 0/,
  ],
  [
    'a negative count',
    (s) => (s.props[1].shape.columns = -3),
    'props[1].shape.columns',
    /is -3; the least allowed is 1/,
  ],
  [
    'a million a leg',
    (s) => (s.props[0].shape.legs[0].pixels.count = 1_000_000),
    'props[0].shape.legs[0].pixels.count',
    /is 1000000; the most allowed is 10,000/,
  ],
  [
    'not a number',
    (s) => (s.props[1].shape.rows = NaN),
    'props[1].shape.rows',
    /is NaN; a (whole )?number is needed/,
  ],
  [
    'a text for a count',
    (s) => (s.props[1].shape.rows = 'ten'),
    'props[1].shape.rows',
    /is "ten"; a (whole )?number is needed/,
  ],
  [
    'half a pixel',
    (s) => (s.props[1].shape.rows = 2.5),
    'props[1].shape.rows',
    /is 2\.5; a whole number is needed/,
  ],
  [
    'an unknown kind',
    (s) => (s.props[0].kind = 'blob'),
    'props[0].kind',
    /"blob"; allowed: "line", "ring", "tree", "grid"/,
  ],
  [
    'an unknown corner',
    (s) => (s.props[1].threading.firstPixel = 'middle'),
    'props[1].threading.firstPixel',
    /allowed: "topLeft"/,
  ],
  [
    'a field nobody knows',
    (s) => (s.props[0].colour = 'red'),
    'props[0]',
    /holds “colour”, which the show file does not know/,
  ],
  ['the label of universes', (s) => (s.controllers[0].label = 'U'), 'controllers[0].label', /not U or CH/],
  [
    'more pixels than a show holds',
    (s) => (s.props = [1, 2, 3, 4, 5, 6].map((n) => ({ ...aGrid(`g${n}`, 1000, 1000) }))) && (s.patch = []),
    'props',
    /6,000,000 pixels together; a show holds at most 5,000,000/,
  ],
])('names %s', (_what, change, path, message) => {
  const said = sentences(change);
  expect(said.split('| ')[0]).toBe(path);
  expect(said).toMatch(message);
});

it.each<[string, (show: any) => void, RegExp]>([
  [
    'options for a port that is not there',
    (s) => (s.controllers[0].portOptions = [{ port: 9 }]),
    /options for port A9, but has 4 ports/,
  ],
  [
    'options for a port twice',
    (s) => (s.controllers[0].portOptions = [{ port: 2 }, { port: 2 }]),
    /options for port A2 twice/,
  ],
  [
    'two values to type with one id',
    (s) => (s.tasks = [aTask(), aTask()]),
    /“t” is used twice, by tasks\[0\] and tasks\[1\]/,
  ],
])('refuses %s', (_what, change, message) => {
  expect(sentences(change)).toMatch(message);
});

it('keeps the order of a file whose keys say another one', () => {
  const places = [
    { id: 'b', name: 'B', order: 'a5' },
    { id: 'a', name: 'A', order: 'a1' },
    { id: 'site', name: 'Site' },
  ];
  const read = readShow({ ...good, places });
  expect(read.places.map((place) => place.id)).toEqual(['b', 'a', 'site']);
  expect(isOrdered(read.places)).toBe(true);
});

it('refuses in a sentence what is nested too deep to be walked through', () => {
  expect(() => readShowText(`${'['.repeat(200_000)}`)).toThrow(/nested more than 60 deep/);
  expect(() => readShowText(`{"a":"${'['.repeat(200)}"`)).toThrow(/not JSON/);
});

describe('a file of version 1', () => {
  const old = () => ({
    ...structuredClone(good),
    version: 1,
    props: good.props.map((prop) => ({ ...prop, order: undefined, ticks: ['save'] })),
    tasks: [
      { id: 't', controllerId: 'a', port: 'A1', what: 'pixels', old: '9', new: '10', done: true },
      { id: 't', controllerId: 'a', port: '', what: 'first universe', old: '1', new: '2', done: false },
    ],
    deviceStates: [{ controllerId: 'a', steps: ['set'] }],
    found: [{ controllerId: 'a', where: 'sender', foundAt: 'on Friday', ports: [] }],
  });
  it('is brought up to date: what was noted on site becomes facts', () => {
    const { show, facts: list } = readShowFile(JSON.parse(JSON.stringify(old())));
    const facts = new Facts(currentFacts(list));
    expect(show.version).toBe(SHOW_VERSION);
    expect(show.tasks.map((task) => task.field)).toEqual(['port.1.pixels', 'firstUniverse']);
    expect(facts.isTyped('a', 'port.1.pixels', '10')).toBe(true);
    expect(facts.isTyped('a', 'firstUniverse', '2')).toBe(false);
    expect(facts.isStepDone('a', 'set', 'whatever')).toBe(true);
    expect(facts.isSheetStepDone('net', 'save', 'whatever')).toBe(true);
    expect(facts.ofKind('found')).toHaveLength(1);
  });
  it('may lack what came later', () => {
    const { controllerTypes: _types, tasks: _tasks, ...bare } = good;
    expect(readShow({ ...bare, version: 1 })).toEqual(good);
  });
});

describe('a file of version 2', () => {
  const type = {
    id: 't',
    name: 'Four ports',
    class: 'ethernet',
    ports: 4,
    pixelsPerPort: {
      value: [{ upToPorts: 4, pixels: 1024 }],
      source: 'usual for this class; the manual of yours decides',
    },
    mostUniverses: { value: 12, source: 'its manual, page 4' },
    straddles: { value: false, source: 'measured' },
    linkMbits: { value: 100, source: '' },
  };
  const { shape, threading } = wall.starter();
  const of = (panel: object, driver: object) => ({
    ...good,
    version: 2,
    controllerTypes: [type],
    props: [
      {
        ...good.props[0],
        kind: 'wall',
        shape: { ...shape, panel: { ...shape.panel, ...panel } },
        threading: { ...threading, driver: { ...threading.driver, ...driver } },
      },
    ],
    patch: [],
  });
  it('says of each limit what it stands on, and claims no more than was said', () => {
    const { controllerTypes } = readShow(
      of({ ampsFullWhite: 4 }, { mostPanelsPerOutput: 12, limitSource: '' }),
    );
    expect(controllerTypes[0]).toMatchObject({
      pixelsPerPort: { basis: 'default', source: 'this class; the manual of yours decides' },
      mostUniverses: { value: 12, basis: 'typed', source: 'its manual, page 4' },
      straddles: { value: false, basis: 'measured' },
      linkMbits: { value: 100, basis: 'typed' },
    });
    expect(controllerTypes[0]!.straddles).not.toHaveProperty('source');
  });
  it.each([
    [4, 'default'],
    [3.7, 'typed'],
  ])('takes amps of %d for %s', (ampsFullWhite, basis) => {
    const show = readShow(
      of({ ampsFullWhite }, { mostPanelsPerOutput: 9, limitSource: 'manual of the hat' }),
    );
    const [prop] = show.props as unknown as PropOf<'wall'>[];
    expect(prop!.shape.panel.ampsFullWhite).toEqual({ value: ampsFullWhite, basis });
    expect(prop!.threading.driver.mostPanelsPerOutput).toEqual({
      value: 9,
      basis: 'typed',
      source: 'manual of the hat',
    });
    expect(prop!.threading.driver).not.toHaveProperty('limitSource');
  });
});

it('writes facts and reads them back', () => {
  const fact: Fact = { ...tickOf('a', 'port.1.pixels', '50'), id: 'f', at: '2026-11-20T18:00:00Z' };
  expect(readShowFileText(writeShowText(good, [fact]))).toEqual({ show: good, facts: [fact] });
  expect(writeShowText(good)).not.toContain('"order"');
});

it.each(['', '[]', 'null', '42', '{"format":', '<svg/>', 'x'.repeat(100_000)])(
  'refuses junk that begins %p',
  (text) => {
    expect(() => readShowText(text.slice(0, 100_000))).toThrow(ShowError);
  },
);

it('names many faults, but not all of thousands', () => {
  const said = sentences((show: any) => {
    show.props = Array.from({ length: 3000 }, () => ({}));
  });
  expect(said.split('\n').length).toBeLessThanOrEqual(20);
});

describe('a file of version 3', () => {
  const { shape, threading } = wall.starter();
  const of = (type: string, panel: string) => ({
    ...good,
    version: 3,
    pixelTypes: [{ ...good.pixelTypes[0], colourOrder: type }, ...good.pixelTypes.slice(1)],
    props: [
      {
        ...good.props[0],
        kind: 'wall',
        shape: { ...shape, panel: { ...shape.panel, colourOrder: panel } },
        threading,
      },
    ],
    patch: good.patch.slice(0, 1),
  });
  const orders = (type: string, panel: string) => {
    const { props, controllers } = readShow(of(type, panel));
    return [(props[0]!.shape as WallShape).panel.colourOrder, controllers.map((each) => each.coloursAt)];
  };
  it('says once in which order panels take their colours, and at which end they are put so', () => {
    expect(orders('GRB', 'RGB')).toEqual([
      'GRB',
      ['sender', ...good.controllers.slice(1).map(() => undefined)],
    ]);
    expect(orders('RGB', 'BGR')).toEqual(['BGR', good.controllers.map(() => undefined)]);
    expect(orders('RGB', 'RGB')).toEqual(['RGB', good.controllers.map(() => undefined)]);
  });
  it('keeps the places of a tree’s pixels', () => {
    const { holePitchMm, everyHole: _every, ...before } = tree.starter().shape;
    const prop = { ...good.props[0], kind: 'tree', threading: tree.starter().threading };
    const older = {
      ...good,
      version: 3,
      patch: [],
      props: [{ ...prop, shape: { ...before, spacingMm: 60 } }],
    };
    expect(readShow(older).props[0]!.shape).toMatchObject({ holePitchMm, everyHole: 1 });
  });
});
