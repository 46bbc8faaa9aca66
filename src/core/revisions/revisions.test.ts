import fc from 'fast-check';
import { aFeed, aSupply, drawing, toPixel, typed } from '../../../tests/unit/power';
import { tries } from '../../../tests/unit/tries';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { currentFacts, Facts, stepOf, tickOf, type Fact, type Note } from '../show/facts';
import type { Show } from '../show/schema';
import { changedWords, comparePlanned, isSame } from './compare';
import { isRevisionName, namedRevisions, nameRevision } from './named';
import { seasonStart } from './season';

const show = onPorts(
  aShow({ props: [aLine('rail', 30), aLine('gate', 20)], controllers: [aController()] }),
  ['rail', 1, 1],
  ['gate', 1, 1],
);
const compared = (before: Show, after: Show) => comparePlanned(planShow(before), planShow(after));
let id = 0;
const factsOf = (...notes: Note[]): Fact[] =>
  notes.map((note) => ({ ...note, id: `n${(id += 1)}`, at: '2026-11-27T18:00:00Z' }));

describe('two states of a show', () => {
  it('differ by props, moved addresses, values to type again, parts and steps', () => {
    const longer: Show = {
      ...show,
      props: [aLine('rail', 40), aLine('arch', 10)],
      patch: show.patch.filter(({ propId }) => propId === 'rail'),
    };
    const { props, moved, values, retest } = compared(show, longer);
    expect(props).toEqual([
      { name: 'rail', words: '30 → 40 pixels, other measures' },
      { name: 'arch', words: 'new, 10 pixels' },
      { name: 'gate', words: 'gone, had 20 pixels' },
    ]);
    // Rail keeps its start and is longer; what stood behind it is gone.
    expect(moved.map(({ name, new: now }) => [name, now === null])).toEqual([
      ['rail', false],
      ['gate', true],
    ]);
    expect(values).toContainEqual({ device: 'Box A', port: 'A1', what: 'pixels', old: '50', new: '40' });
    expect(retest.map(({ name }) => name)).toEqual(['rail', 'arch']);
    expect(changedWords(compared(show, longer))).toContain('rail: 30 → 40 pixels, other measures');
  });
  it('differ by what supplies, lights and leads are said to be, each with both values', () => {
    const feed = aFeed([toPixel('rail', 1)], { fuseAmps: 5 });
    const fed: Show = { ...show, supplies: [aSupply()], feeds: [feed] };
    const stronger: Show = {
      ...fed,
      pixelTypes: fed.pixelTypes.map((type) => (type.id === 'rgb' ? drawing(type, 45) : type)),
      supplies: [aSupply({ ratedAmps: typed(33) })],
      feeds: [{ ...feed, fuseAmps: 7.5, pieces: [{ ...feed.pieces[0]!, lengthMm: 3100, wire: 'awg14' }] }],
    };
    const { power } = compared(fed, stronger);
    const lines = power.map(({ name, what, before, after }) => `${name}, ${what}: ${before} → ${after}`);
    expect(lines).toContain(`${feed.name}, fuse: 5 A → 7.5 A`);
    expect(lines).toContainEqual(expect.stringMatching(/, wire: .* → 3\.1 m of AWG.14 to /));
    expect(lines).toContainEqual(expect.stringMatching(/, rating: .* → 33 A$/));
    expect(lines).toContainEqual(expect.stringMatching(/, current, red: .* → /));
    expect(isSame(compared(fed, stronger))).toBe(false);
    expect(compared(show, fed).power).toContainEqual(
      expect.objectContaining({ name: feed.name, what: 'fuse', before: 'none', after: '5 A' }),
    );
    expect(changedWords(compared(fed, stronger))).toContain(`${feed.name}, fuse: 5 A → 7.5 A`);
  });
  it('are the same as themselves, and what came one way goes the other', () => {
    fc.assert(
      fc.property(anyBusyShow, anyBusyShow, (one, other) => {
        expect(isSame(compared(one, one))).toBe(true);
        const [there, back] = [compared(one, other), compared(other, one)];
        expect(back.parts.length).toBe(there.parts.length);
        expect(back.power.map(({ before, after }) => [after, before]).sort()).toEqual(
          there.power.map(({ before, after }) => [before, after]).sort(),
        );
        expect(back.parts.filter(({ more }) => more).length).toBe(
          there.parts.filter(({ more }) => !more).length,
        );
        expect(back.props.filter(({ words }) => words.startsWith('new')).length).toBe(
          there.props.filter(({ words }) => words.startsWith('gone')).length,
        );
      }),
      { numRuns: tries(12) },
    );
  });
});

it('has states with names, the latest first, until the name is taken away', () => {
  const named = (...notes: Note[]) => namedRevisions(new Facts(currentFacts(factsOf(...notes))));
  const hung = nameRevision('quay', 12, 'as hung');
  const opening = nameRevision('quay', 41, 'opening night');
  expect(named(hung, opening).map(({ sequence, name }) => [sequence, name])).toEqual([
    [41, 'opening night'],
    [12, 'as hung'],
  ]);
  expect(named(hung, opening, nameRevision('quay', 41, null)).map(({ name }) => name)).toEqual(['as hung']);
  expect(isRevisionName(hung)).toBe(true);
});

it('begins a season with all ticks open and all reasons kept', () => {
  const why: Note = {
    kind: 'decision',
    list: 'props',
    recordId: 'rail',
    field: 'log.a',
    value: { words: 'Fed from both ends', reason: 'it yellowed' },
  };
  const amps: Note = {
    kind: 'measurement',
    list: 'props',
    recordId: 'rail',
    field: 'log.b',
    value: { what: 'White', typed: '3.2 A' },
  };
  const facts = factsOf(
    why,
    amps,
    tickOf('a', 'port.1.pixels', '50'),
    stepOf('a', 'saved', []),
    nameRevision('quay', 12, 'as hung'),
    {
      kind: 'test',
      list: 'props',
      recordId: 'rail',
      field: 'bringUp.count',
      value: { seen: 'asPlanned', with: 'x' },
    },
    { kind: 'told', list: 'show', recordId: 'quay', field: 'printed', value: 'Parts' },
  );
  const task = {
    id: 't',
    controllerId: 'a',
    field: 'port.1.pixels',
    port: 'A1',
    what: 'pixels',
    old: '40',
    new: '50',
  };
  const from = {
    showId: 'quay',
    show: 'Quay',
    sequence: 57,
    at: '2027-06-01T10:00:00Z',
    changed: ['rail: 30 → 40 pixels'],
  };
  const start = seasonStart({ ...show, tasks: [task] }, facts, 'Quay 2027', from, false);
  expect(start.show).toEqual({ ...show, name: 'Quay 2027', tasks: [] });
  expect(start.facts.map(({ field }) => field)).toEqual(['log.a', 'log.b', 'season.from']);
  expect(start.facts.at(-1)!.value).toEqual({
    words: 'Copied from Quay at revision 57 for another season.',
    reason: 'Changed since: rail: 30 → 40 pixels',
  });
  // Addresses that an answer locked may move again, unless they are to stay; those that were locked by hand stay.
  const [entry] = show.patch;
  const locked = {
    ...show,
    patch: [
      { ...entry!, pin: { universe: 3, channel: 1, kept: '2026-12-01' } },
      { ...entry!, run: 2, pin: { universe: 4, channel: 1 } },
    ],
  };
  const pins = (keepsLocks: boolean) =>
    seasonStart(locked, facts, 'Quay 2027', from, keepsLocks).show.patch.map(({ pin }) => pin?.universe);
  expect(pins(false)).toEqual([undefined, 4]);
  expect(pins(true)).toEqual([3, 4]);
  const kept = new Facts(currentFacts(start.facts));
  expect(kept.isTyped('a', 'port.1.pixels', '50')).toBe(false);
});
