import fc from 'fast-check';
import { seenAtLeast, tries } from '../../../tests/unit/tries';
import { aController, aGrid, aLine, aShow, anyShow } from '../../../tests/unit/shows';
import { anyBatch, anyEdit } from '../../../tests/unit/edits';
import {
  ChangeClash,
  applyChange,
  applyChanges,
  changeBetween,
  inverseOf,
  touchedBy,
  type ShowChange,
} from './changes';
import { applyEdit, type Edit } from './edits/registry';
import { ShowError } from '../fields/problem';
import type { Json } from '../fields/json';
import { isOrdered } from '../fields/order';
import { LISTS } from './records';
import type { Show } from './schema';

const show = aShow({
  props: [aLine('rail', 50), aGrid('net', 4, 5), aLine('arch', 5)],
  controllers: [aController(), aController({ id: 'b', name: 'Box B', label: 'B' })],
});
const of = (edit: Edit, on: Show = show) => changeBetween(on, applyEdit(on, edit));
const put = (propId: string, port: number): Edit => ({
  type: 'putRun',
  propId,
  run: 1,
  controllerId: 'a',
  port,
});
const rename = (propId: string, name: string): Edit => ({ type: 'changeProp', propId, change: { name } });

describe('a change', () => {
  it('names the record and only the fields that change, both ways', () => {
    expect(of(rename('net', 'Curtain'))).toEqual([
      { list: 'props', id: 'net', fields: { name: { from: 'net', to: 'Curtain' } } },
    ]);
    expect(
      of({ type: 'setShape', propId: 'net', shape: { ...(show.props[1]!.shape as object), rows: 9 } }),
    ).toEqual([{ list: 'props', id: 'net', fields: { 'shape.rows': { from: 5, to: 9 } } }]);
    expect(of({ type: 'setAddressing', change: { firstShowChannel: 4 } })).toEqual([
      { list: 'show', id: 'show', fields: { 'addressing.firstShowChannel': { to: 4 } } },
    ]);
  });
  it('is small, however long the list is, and names no place in it', () => {
    const props = Array.from({ length: 2000 }, (_, i) => aLine(`p${i}`, 5));
    const large = aShow({ props, controllers: [aController({ ports: 256 })] });
    for (const edit of [
      { type: 'removeProp', propId: 'p0' },
      { type: 'moveProp', propId: 'p1999', index: 0 },
      put('p7', 3),
    ] as Edit[]) {
      const change = changeBetween(large, applyEdit(large, edit));
      expect(change).toHaveLength(1);
      expect(JSON.stringify(change).length).toBeLessThan(500);
    }
  });
  it('is nothing where what is set is there already', () => {
    const edits: Edit[] = [
      rename('net', 'net'),
      { type: 'setShape', propId: 'net', shape: structuredClone(show.props[1]!.shape) },
      { type: 'moveProp', propId: 'net', index: 1 },
      { type: 'setAddressing', change: { packing: { kind: 'wholePixels' } } },
      { type: 'setSender', sender: null },
    ];
    for (const edit of edits) expect(applyEdit(show, edit)).toBe(show);
  });
  it('meets another one at a record, or at a field of the show itself', () => {
    expect([...touchedBy(of({ type: 'setAddressing', change: { firstShowChannel: 4 } }))]).toEqual([
      'show addressing',
    ]);
    const removed = of({ type: 'removeProp', propId: 'rail' }, applyEdit(show, put('rail', 1)));
    expect([...touchedBy(removed)]).toEqual(['props rail', 'patch rail 1']);
  });
});

it('leads from any show to the next and back, sharing what stays', () => {
  fc.assert(
    fc.property(anyShow, fc.array(fc.oneof(anyEdit, anyBatch), { maxLength: 6 }), (start, edits) => {
      let before = start;
      for (const edit of edits) {
        let after: Show;
        try {
          after = applyEdit(before, edit(before));
        } catch (error) {
          if (!(error instanceof ShowError)) throw error;
          continue;
        }
        // As it comes from disk or over the wire.
        const change = JSON.parse(JSON.stringify(changeBetween(before, after)));
        const laid = applyChange(before, change);
        expect(laid).toEqual(after);
        expect(applyChange(after, inverseOf(change))).toEqual(before);
        for (const list of LISTS) {
          expect(isOrdered(laid[list])).toBe(true);
          const touched = touchedBy(change);
          laid.props.forEach((prop) => {
            if (!touched.has(`props ${prop.id}`)) expect(before.props).toContain(prop);
          });
        }
        before = after;
      }
    }),
    { numRuns: tries(60) },
  );
});

it('commutes with any other one on other records: the order in which both are laid makes no difference', () => {
  let met = 0;
  fc.assert(
    fc.property(anyShow, anyEdit, anyEdit, (start, one, other) => {
      const changes = [one, other].map((edit) => {
        try {
          return changeBetween(start, applyEdit(start, edit(start)));
        } catch (error) {
          if (!(error instanceof ShowError)) throw error;
          return null;
        }
      });
      const [a, b] = changes;
      if (!a || !b || [...touchedBy(a)].some((record) => touchedBy(b).has(record))) return;
      met += 1;
      expect(applyChanges(start, [a, b])).toEqual(applyChanges(start, [b, a]));
    }),
    { numRuns: tries(300) },
  );
  expect(met).toBeGreaterThanOrEqual(seenAtLeast(51));
});

it('is refused where a record is not as it was, and says which and both sides', () => {
  const renamed = applyEdit(show, rename('net', 'Theirs'));
  const clashes: [() => Show, Partial<ChangeClash>][] = [
    [
      () => applyChange(renamed, of(rename('net', 'Mine'))),
      { list: 'props', id: 'net', field: 'name', expected: 'net', found: 'Theirs' },
    ],
    [() => applyChange(renamed, of({ type: 'removeProp', propId: 'net' })), { id: 'net', field: null }],
    [
      () => applyChange(show, inverseOf(of({ type: 'removeProp', propId: 'net' }))),
      { id: 'net', field: null },
    ],
    [
      () => applyChange(applyEdit(show, { type: 'removeProp', propId: 'net' }), of(rename('net', 'Mine'))),
      { id: 'net', field: null, found: undefined },
    ],
  ];
  for (const [lay, clash] of clashes) {
    let thrown: unknown;
    try {
      lay();
    } catch (error) {
      thrown = error;
    }
    expect(thrown).toBeInstanceOf(ChangeClash);
    expect(thrown).toMatchObject(clash);
  }
});

describe('order', () => {
  it('lets two put something at the same place at once, in the same order everywhere', () => {
    const add = (id: string) => of({ type: 'addProp', prop: aLine(id, 1), index: 1 });
    const [one, other] = [add('one'), add('other')];
    const laid = applyChanges(show, [one, other]);
    expect(applyChanges(show, [other, one])).toEqual(laid);
    expect(laid.props.map((prop) => prop.id).toSorted()).toEqual(['arch', 'net', 'one', 'other', 'rail']);
    expect(laid.props[0]!.id).toBe('rail');
  });
  it('always has room for another, wherever it is put', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { minLength: 1, maxLength: 60 }), (places) => {
        let now = aShow();
        const expected = now.places.map((place) => place.id);
        places.forEach((at, i) => {
          const index = at % (expected.length + 1);
          expected.splice(index, 0, `p${i}`);
          now = applyEdit(now, { type: 'addPlace', place: { id: `p${i}`, name: `P ${i}` }, index });
        });
        expect(now.places.map((place) => place.id)).toEqual(expected);
        expect(isOrdered(now.places)).toBe(true);
      }),
      { numRuns: tries(50) },
    );
  });
  it('stays short when one record is put in front a thousand times', () => {
    let now = show;
    for (let i = 0; i < 1000; i += 1)
      now = applyEdit(now, { type: 'moveProp', propId: i % 2 ? 'rail' : 'arch', index: 0 });
    expect(Math.max(...now.props.map((prop) => prop.order!.length))).toBeLessThan(20);
  });
  it('stays short where records are put between the latest two again and again', () => {
    let now = aShow();
    for (let i = 0; i < 400; i += 1)
      now = applyEdit(now, {
        type: 'addPlace',
        place: { id: `p${i}`, name: `P ${i}` },
        index: Math.floor(now.places.length / 2) + (i % 2),
      });
    expect(Math.max(...now.places.map((place) => place.order!.length))).toBeLessThanOrEqual(60);
  });
  it('parts records that were given one key by two windows, where something is put between them', () => {
    const tied = { ...show, props: show.props.map((prop) => ({ ...prop, order: 'a1' })) };
    const moved = applyEdit(tied, { type: 'moveProp', propId: 'arch', index: 1 });
    expect(moved.props.map((prop) => prop.id)).toEqual(['rail', 'arch', 'net']);
    expect(isOrdered(moved.props)).toBe(true);
  });
});

it('stands by id where two windows made the same key of order at once, whichever came first', () => {
  const add = (id: string): ShowChange => [
    { list: 'props', id, added: { ...aLine(id, 3), order: 'a5x' } as unknown as Json },
  ];
  const names = (...ids: string[]) => applyChanges(show, ids.map(add)).props.map(({ id }) => id);
  expect(names('zeta', 'alpha', 'mid')).toEqual(names('alpha', 'mid', 'zeta'));
  expect(names('zeta', 'alpha').filter((id) => ['alpha', 'zeta'].includes(id))).toEqual(['alpha', 'zeta']);
});
