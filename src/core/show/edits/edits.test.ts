import { aController, aGrid, aLine, aShow, onPorts } from '../../../../tests/unit/shows';
import { ShowError } from '../../fields/problem';
import { applyEdit, assertSound, labelOf, readEdit, type Edit } from './registry';

const show = onPorts(
  aShow({ props: [aLine('rail', 50), aGrid('net', 4, 5, { runs: 2 })], controllers: [aController()] }),
  ['rail', 1, 1, 2],
  ['net', 1, 2],
  ['net', 2, 2],
);
const chain = (after: typeof show, port: number) =>
  after.patch.filter((entry) => entry.port === port).map((entry) => `${entry.propId} ${entry.run}`);

describe('putting runs on ports', () => {
  const put = (edit: object) => applyEdit(show, { type: 'putRun', controllerId: 'a', ...edit } as Edit);

  it('appends, keeps the skipped pixels, and leaves the show as it was', () => {
    const before = structuredClone(show);
    const after = put({ propId: 'rail', run: 1, port: 2 });
    expect(chain(after, 2)).toEqual(['net 1', 'net 2', 'rail 1']);
    expect(after.patch.find((entry) => entry.propId === 'rail')!.skippedPixels).toBe(2);
    expect(show).toEqual(before);
  });

  it('puts a run before another one', () => {
    expect(chain(put({ propId: 'rail', run: 1, port: 2, position: 2 }), 2)).toEqual([
      'net 1',
      'rail 1',
      'net 2',
    ]);
    expect(chain(put({ propId: 'net', run: 2, port: 2, position: 1 }), 2)).toEqual(['net 2', 'net 1']);
    expect(chain(put({ propId: 'net', run: 1, port: 2, position: 2 }), 2)).toEqual(['net 2', 'net 1']);
  });

  it('refuses a port that is not there', () => {
    expect(() => put({ propId: 'rail', run: 1, port: 5 })).toThrow(/A1 to A4/);
  });
});

describe('many runs at once', () => {
  const place = (propId: string, run: number, port: number) => ({ propId, run, controllerId: 'a', port });

  it('go to their ports in the order given, with what was said of them, and others come off', () => {
    const after = applyEdit(show, {
      type: 'putRuns',
      runs: [place('net', 2, 3), place('rail', 1, 3)],
      takenOff: [{ propId: 'net', run: 1 }],
    });
    expect(chain(after, 3)).toEqual(['net 2', 'rail 1']);
    expect(chain(after, 2)).toEqual([]);
    expect(after.patch.find((entry) => entry.propId === 'rail')!.skippedPixels).toBe(2);
    expect(applyEdit(show, { type: 'putRuns', runs: [place('rail', 1, 2)] }).patch).toHaveLength(3);
  });

  it('are all put, or none', () => {
    expect(() => applyEdit(show, { type: 'putRuns', runs: [place('gone', 1, 3)] })).toThrow(
      /There is no prop “gone”/,
    );
    expect(() => applyEdit(show, { type: 'putRuns', runs: [place('rail', 1, 9)] })).toThrow(/A1 to A4/);
    // The same run twice would be fed by two ports.
    expect(() =>
      applyEdit(show, { type: 'putRuns', runs: [place('rail', 1, 3), place('rail', 1, 4)] }),
    ).toThrow(/fed by one port/);
  });

  it('stay in place', () => {
    const pin = { universe: 7, channel: 4 };
    const after = applyEdit(show, { type: 'pinRuns', pins: [{ propId: 'net', run: 2, pin }] });
    expect(after.patch.map((entry) => entry.pin)).toEqual([undefined, undefined, pin]);
    expect(() => applyEdit(show, { type: 'pinRuns', pins: [{ propId: 'net', run: 3, pin }] })).toThrow(
      /net run 3 is on no port/,
    );
  });
});

describe('what is not touched by an edit', () => {
  it('is not read again, and what spans the show still is', () => {
    const long = Array.from({ length: 50 }, (_, i) => aLine(`line-${i}`, 10));
    const before = aShow({ props: long });
    const broken = { ...before, props: [{ ...long[0]!, name: '' }, ...long.slice(1)] };
    // Places of problems are those of the whole show, not of the part that changed.
    expect(() =>
      assertSound(
        { ...before, props: [...long.slice(0, 40), { ...long[40]!, name: '' }, ...long.slice(41)] },
        before,
      ),
    ).toThrow(expect.objectContaining({ problems: [expect.objectContaining({ path: 'props[40].name' })] }));
    expect(() =>
      assertSound({ ...before, props: long.map((prop) => ({ ...prop, name: 'Same' })) }, before),
    ).toThrow(/used twice/);
    expect(() => assertSound(broken, broken)).not.toThrow();
    expect(() =>
      assertSound(
        {
          ...before,
          props: Array.from({ length: 5001 }, (_, i) => ({ ...long[0]!, id: `p${i}`, name: `P${i}` })),
        },
        before,
      ),
    ).toThrow(/5000|5,000/);
  });
});

describe('what belongs together', () => {
  it('does not take ports away while they feed something', () => {
    expect(() =>
      applyEdit(show, { type: 'changeController', controllerId: 'a', change: { ports: 1 } }),
    ).toThrow(/Port A2 still feeds net/);
  });

  it('takes a controller’s runs off with it, and a prop’s entries with the prop', () => {
    expect(applyEdit(show, { type: 'removeController', controllerId: 'a' }).patch).toEqual([]);
    expect(chain(applyEdit(show, { type: 'removeProp', propId: 'net' }), 2)).toEqual([]);
  });

  it('keeps a place and a pixel type that are in use', () => {
    expect(() => applyEdit(show, { type: 'removePlace', placeId: 'site' })).toThrow(
      /Site still holds rail, net/,
    );
    expect(() => applyEdit(show, { type: 'removePixelType', pixelTypeId: 'rgb' })).toThrow(
      /is used by rail, net/,
    );
    expect(applyEdit(show, { type: 'removePixelType', pixelTypeId: 'white' }).pixelTypes).toHaveLength(2);
  });

  it('does all of a batch or nothing', () => {
    const edits = [
      { type: 'changeProp', propId: 'rail', change: { name: 'Railing' } },
      { type: 'takeOffRun', propId: 'net', run: 7 },
    ];
    expect(() => applyEdit(show, { type: 'batch', label: 'Two', edits } as Edit)).toThrow(
      /net run 7 is on no port/,
    );
    expect(show.props[0]!.name).toBe('rail');
  });
});

describe('bad edits', () => {
  it.each<[string, unknown, RegExp]>([
    ['an unknown one', { type: 'explode' }, /type is "explode"; allowed/],
    [
      'a shape of another kind',
      { type: 'setShape', propId: 'net', shape: { legs: [] } },
      /net: .*columns is missing/,
    ],
    [
      'a count of NaN',
      {
        type: 'setShape',
        propId: 'net',
        shape: { columns: NaN, rows: 1, columnSpacingMm: 1, rowSpacingMm: 1 },
      },
      /columns is NaN/,
    ],
    ['a prop that is gone', { type: 'removeProp', propId: 'gone' }, /no prop “gone” in this show any more/],
    ['a name that is taken', { type: 'changeProp', propId: 'net', change: { name: 'Rail' } }, /used twice/],
  ])('says what is wrong with %s', (_what, edit, message) => {
    expect(() => applyEdit(show, readEdit(edit))).toThrow(message);
    expect(() => applyEdit(show, readEdit(edit))).toThrow(ShowError);
  });
});

it.each<[Edit, string]>([
  [
    { type: 'setShape', propId: 'net', shape: { columns: 6, rows: 5, columnSpacingMm: 1, rowSpacingMm: 1 } },
    'net: 4 × 5 px to 6 × 5 px',
  ],
  [{ type: 'putRun', propId: 'net', run: 2, controllerId: 'a', port: 3 }, 'Put net run 2 on A3'],
  [
    { type: 'putRuns', runs: [{ propId: 'net', run: 2, controllerId: 'a', port: 3 }], takenOff: [] },
    'Put net on A3',
  ],
  [
    { type: 'pinRuns', pins: [{ propId: 'rail', run: 1, pin: { universe: 4, channel: 1 } }] },
    '1 run stays in place',
  ],
  [
    { type: 'setSkippedPixels', propId: 'rail', run: 1, skippedPixels: 1 },
    '1 skipped pixel before rail run 1',
  ],
  [
    { type: 'setAddressing', change: { packing: { kind: 'custom', channelsPerUniverse: 150 } } },
    'Addresses: 150 channels per universe',
  ],
  [
    { type: 'changeController', controllerId: 'a', change: { firstUniverse: null } },
    'Box A: universes follow on',
  ],
])('is named in the builder’s words', (edit, label) => {
  expect(labelOf(show, edit)).toBe(label);
});
