import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aGrid, aLine, anyShow, aShow, onPorts } from '../../../tests/unit/shows';
import { Scope } from '../diagnose/scope';
import { planShow } from '../plan/plan';
import { readShowText } from '../show/read';
import { Facts, type Fact, type Note } from '../show/facts';
import { bringUpOf } from './bringUp';
import { expectedSeen } from './expected';
import { nextStep, notesOf, progressOf, readsAsPlanned, seenOf, stateOf, stoppedBy } from './record';
import { BRING_UP_STAGES } from './step';

const demo = planShow(readShowText(readFileSync('demo/marrow-quay.show.json', 'utf8')));
const propOf = (id: string) => demo.show.props.findIndex((each) => each.id === id);
const noted = (before: Facts, notes: readonly Note[]) =>
  before.with(
    notes.map((note, i): Fact => ({
      ...note,
      id: `f${before.all.length + i}-${Math.random()}`,
      at: '2026-11-01T20:00:00Z',
    })),
  );
const NONE = new Facts([]);

it('goes from the first plug to full light, for any show, with steps that are told apart', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      const plan = planShow(show);
      plan.props.forEach((_, prop) => {
        const steps = bringUpOf(plan, prop);
        const keys = steps.map(({ thing, id }) => `${thing.list} ${thing.recordId} ${id}`);
        expect(new Set(keys).size).toBe(keys.length);
        const order = steps.map(({ stage }) => BRING_UP_STAGES.indexOf(stage));
        expect(order).toEqual([...order].sort((a, b) => a - b));
        const scope = new Scope(plan, prop);
        // The search knows every test that is asked for.
        for (const { trial } of steps) if (trial) expect(scope.trial(trial)).toBeDefined();
      });
    }),
    { numRuns: tries(30) },
  );
});

it('measures every lead before its plug, by the volts of its supply', () => {
  const steps = bringUpOf(demo, propOf('net-curtain'));
  const leads = steps.filter(({ id }) => id === 'meter');
  expect(leads.map(({ thing }) => thing.list)).toEqual(['feeds', 'feeds', 'feeds', 'feeds']);
  for (const step of leads) {
    const feed = demo.show.feeds.find(({ id }) => id === step.thing.recordId)!;
    const supply = demo.show.supplies.find(
      (each) => feed.from.kind === 'supply' && each.id === feed.from.supplyId,
    )!;
    expect(step.volts!.planned).toBe(supply.volts);
    expect(readsAsPlanned(step, supply.volts)).toBe(true);
    // The wrong way round, and too low.
    expect([-supply.volts, supply.volts * 0.9].map((volts) => readsAsPlanned(step, volts))).toEqual([
      false,
      false,
    ]);
  }
});

it('knows its strings one by one, its craft, and its walls', () => {
  const strings = bringUpOf(demo, propOf('net-curtain')).filter(({ stage }) => stage === 'building');
  expect(strings.map(({ picture }) => picture)).toEqual([
    { by: 'upTo', lights: 280 },
    { by: 'upTo', lights: 560 },
  ]);
  const ids = (id: string) => bringUpOf(demo, propOf(id)).map((step) => step.id);
  expect(ids('tug-boat')).toContain('propellers');
  expect(ids('net-curtain')).not.toContain('propellers');
  expect(ids('score-wall')).toContain('labels');
  expect(bringUpOf(demo, propOf('score-wall')).some(({ stage }) => stage === 'building')).toBe(false);
});

it('draws what is to be seen', () => {
  const plan = planShow(
    onPorts(aShow({ props: [aGrid('net', 4, 5)], controllers: [aController()] }), ['net', 1, 1]),
  );
  expect([...expectedSeen(plan, 0, { by: 'upTo', lights: 3 })].filter((code) => code > 0)).toHaveLength(3);
  expect([...expectedSeen(plan, 0, { by: 'dark' })].every((code) => code === 0)).toBe(true);
  const red = expectedSeen(plan, 0, { by: 'trial', trial: 'red' });
  expect(red).toHaveLength(20);
  expect(new Set(red).size).toBe(1);
  expect(expectedSeen(plan, 0, { by: 'trial', trial: 'last' }).filter((code) => code > 0)).toHaveLength(1);
  expect(expectedSeen(plan, 0, { by: 'trial', trial: 'diagonal' }).some((code) => code > 0)).toBe(true);
});

describe('the record', () => {
  const plan = (pixels: number) =>
    planShow(
      onPorts(aShow({ props: [aLine('rail', pixels)], controllers: [aController()] }), ['rail', 1, 1]),
    );
  const steps = bringUpOf(plan(30), 0);
  const named = (id: string, of = steps) => of.find((step) => step.id === id)!;

  it('keeps what was seen, by whom, and opens again what was checked with other values', () => {
    let facts = noted(NONE, notesOf(named('red'), { seen: 'asPlanned' }, 'Mara'));
    expect(stateOf(facts, named('red'))).toBe('asPlanned');
    expect(seenOf(facts, named('red'))!.fact.by).toBe('Mara');
    const later = bringUpOf(plan(31), 0);
    expect(stateOf(facts, named('red', later))).toBe('again');
    expect(progressOf(facts, later).isAgain).toBe(true);
    facts = noted(facts, notesOf(named('red'), null));
    expect(stateOf(facts, named('red'))).toBe('open');
  });

  it('stops at a stop point, and goes on there', () => {
    const facts = noted(NONE, notesOf(named('warm'), { seen: 'otherwise', words: 'the plug' }));
    expect(progressOf(facts, steps)).toMatchObject({ done: 0, isWrong: true });
    expect(nextStep(facts, steps)).toBe(named('warm'));
    expect(stoppedBy(facts, steps, named('red'))).toBe(named('warm'));
    expect(stoppedBy(facts, steps, named('ground'))).toBeNull();
    const mended = noted(facts, notesOf(named('warm'), { seen: 'asPlanned' }));
    expect(stoppedBy(mended, steps, named('red'))).toBeNull();
  });

  it('keeps what is warm against its lead too', () => {
    const warm = bringUpOf(demo, propOf('net-curtain')).find(({ id }) => id === 'warm')!;
    expect(warm.leads.map(({ name }) => name)).toEqual(['Lead 5', 'Lead 6', 'Lead 40', 'Lead 41']);
    const notes = notesOf(warm, { seen: 'otherwise', leadId: warm.leads[1]!.id });
    expect(notes.map(({ list, recordId }) => [list, recordId])).toEqual([
      ['props', 'net-curtain'],
      ['feeds', warm.leads[1]!.id],
    ]);
    expect(stateOf(noted(NONE, notes), warm)).toBe('otherwise');
  });

  it('shares what is saved and restarted with the sheets of the device', () => {
    const done = noted(NONE, notesOf(named('saved'), { seen: 'asPlanned' }));
    expect(done.isStepDone('a', 'saved', named('saved').holds)).toBe(true);
    expect(stateOf(done, named('saved'))).toBe('asPlanned');
    const back = noted(done, notesOf(named('saved'), null));
    expect(back.isStepDone('a', 'saved', named('saved').holds)).toBe(false);
    expect(stateOf(back, named('saved'))).toBe('open');
  });

  it('is done when every step is', () => {
    const all = steps.reduce((facts, step) => noted(facts, notesOf(step, { seen: 'asPlanned' })), NONE);
    expect(progressOf(all, steps)).toMatchObject({ done: steps.length, isWrong: false, isAgain: false });
    expect(nextStep(all, steps)).toBeNull();
  });
});
