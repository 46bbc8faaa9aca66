import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { bringUpOf } from '../bringUp/bringUp';
import { notesOf } from '../bringUp/record';
import { deviceSettings } from '../devices/deviceSettings';
import { keptValues } from '../devices/settings/typed';
import { planShow } from '../plan/plan';
import { currentFacts, Facts, stepOf, type Note } from '../show/facts';
import type { Show } from '../show/schema';
import { standingOf } from './standing';
import type { Finding } from '../checks/check';

const show = onPorts(aShow({ props: [aLine('rail', 30)], controllers: [aController()] }), ['rail', 1, 1]);
let id = 0;
const noted = (...notes: Note[]) =>
  new Facts(
    currentFacts(notes.map((note) => ({ ...note, id: `s${(id += 1)}`, at: '2026-11-27T18:00:00Z' }))),
  );
const states = (of: Show, facts = noted()) =>
  Object.fromEntries(
    standingOf(planShow(of), facts, []).map(({ stage, state, words }) => [stage, `${state}: ${words}`]),
  );
const typed = stepOf('a', 'set', keptValues(deviceSettings(planShow(show), 0)));

it('tells of each stage what is done and what is open', () => {
  const open = states(show);
  expect(open).toMatchObject({
    build: 'done: 1 prop',
    route: 'done: 1 run',
    patch: 'open: 0 of 1 device typed',
    power: 'open: leads to 0 of 1 prop',
    print: 'open: nothing printed',
  });
  expect(open.test).toMatch(/^open: 0 of \d+ steps$/);
  expect(states({ ...show, patch: [] }).patch).toBe('open: 0 of 1 run on ports');
  const printed: Note = { kind: 'told', list: 'show', recordId: 'quay', field: 'printed', value: 'Parts' };
  expect(states(show, noted(typed, printed))).toMatchObject({
    patch: 'done: 1 of 1 device typed',
    print: 'done: printed',
  });
});

it('says what is to be done again after a change', () => {
  const longer: Show = { ...show, props: [aLine('rail', 40)] };
  expect(states(longer, noted(typed)).patch).toBe('again: 0 of 1 device typed');
  const task = {
    id: 't',
    controllerId: 'a',
    field: 'port.1.pixels',
    port: 'A1',
    what: 'pixels',
    old: '30',
    new: '40',
  };
  expect(states({ ...longer, tasks: [task] }, noted(typed)).patch).toBe('again: 1 value to type again');
  const plan = planShow(show);
  const seen = bringUpOf(plan, 0).flatMap((step) => notesOf(step, { seen: 'asPlanned' }));
  expect(states(show, noted(...seen)).test).toMatch(/^done: /);
  expect(states(longer, noted(...seen)).test).toMatch(/^again: /);
});

it('calls nothing done that a check complains of, or that was not checked', () => {
  const of = (findings: Pick<Finding, 'stage' | 'rank'>[] | null) =>
    Object.fromEntries(
      standingOf(planShow(show), noted(typed), findings).map(({ stage, state, words }) => [
        stage,
        `${state}: ${words}`,
      ]),
    );
  expect(of([{ stage: 'build', rank: 'willNotLight' }]).build).toBe('open: 1 prop, 1 problem');
  expect(of([{ stage: 'build', rank: 'worthKnowing' }]).build).toBe('done: 1 prop');
  expect(of([{ stage: 'build', rank: 'canBurn' }]).patch).toBe('done: 1 of 1 device typed');
  expect(of(null).patch).toBe('open: 1 of 1 device typed, not checked here');
});
