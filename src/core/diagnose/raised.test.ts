import { readFileSync } from 'node:fs';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { deviceSettings } from '../devices/deviceSettings';
import { keptValues, valuesToTick } from '../devices/settings/typed';
import { CHECKS } from '../checks/registry';
import { supplyLoads } from '../checks/supplies';
import { planShow } from '../plan/plan';
import { priorOf } from '../rig/faults/registry';
import { Facts, NO_FACTS, stepOf, tickOf, type Fact, type Note } from '../show/facts';
import { readShowText } from '../show/read';
import { Diagnosis } from './diagnosis';
import { notedPriors, priorRaises, priorsNote } from './priorsNoted';
import { BY_CHECK, raisedBy, raisesOf } from './raised';
import { Scope } from './scope';

const plan = planShow(
  onPorts(aShow({ props: [aLine('rail', 30)], controllers: [aController()] }), ['rail', 1, 1]),
);
const facts = (...notes: Note[]) =>
  new Facts(notes.map((note, i): Fact => ({ ...note, id: `f${i}`, at: '2026-11-01T20:00:00Z' })));
const settings = deviceSettings(plan, 0);
const values = valuesToTick(settings, plan.show.controllers[0]!);
const ticks = (count: number) => values.slice(0, count).map(({ field, value }) => tickOf('a', field, value));

it('says nothing of a show that says nothing', () => {
  expect(raisesOf(plan, NO_FACTS, [], 0)).toEqual([]);
});

it('suspects what checks point at, on this prop alone', () => {
  const finding = { check: 'starved-pixels', propId: 'rail' };
  const raised = raisedBy(raisesOf(plan, NO_FACTS, [finding], 0));
  expect(raised({ kind: 'starvedEnd', propId: 'rail', run: 1 })).toBe(4);
  expect(raised({ kind: 'noGround', propId: 'rail', run: 1 })).toBe(1);
  expect(raisesOf(plan, NO_FACTS, [{ ...finding, propId: 'gable' }], 0)).toEqual([]);
});

it('suspects a supply that is asked for too much, on what it feeds', () => {
  const demo = planShow(readShowText(readFileSync('demo/marrow-quay.show.json', 'utf8')));
  const feed = demo.show.feeds.find(({ from }) => from.kind === 'supply')!;
  const supplyId = feed.from.kind === 'supply' ? feed.from.supplyId : '';
  const small = planShow({
    ...demo.show,
    supplies: demo.show.supplies.map((each) =>
      each.id === supplyId ? { ...each, ratedAmps: { value: 1, basis: 'usual' } } : each,
    ) as typeof demo.show.supplies,
  });
  const findings = supplyLoads.find(small, NO_FACTS).filter((each) => each.supplyId === supplyId);
  expect(findings).toHaveLength(1);
  const raised = small.show.props.map((_, prop) => raisesOf(small, NO_FACTS, findings, prop).length);
  expect(Math.max(...raised)).toBe(2);
  expect(Math.min(...raised)).toBe(0);
});

it('points from checks that exist', () => {
  const ids = new Set(CHECKS.map(({ id }) => id));
  expect(Object.keys(BY_CHECK).filter((id) => !ids.has(id))).toEqual([]);
});

it('suspects what is not ticked more, and what is ticked less', () => {
  const count = { kind: 'countWrong', controllerId: 'a', port: 1, by: -1 } as const;
  const saved = { kind: 'notSaved', controllerId: 'a' } as const;
  const some = raisedBy(raisesOf(plan, facts(...ticks(1)), [], 0));
  const all = raisedBy(
    raisesOf(plan, facts(...ticks(values.length), stepOf('a', 'saved', keptValues(settings))), [], 0),
  );
  expect([some(count), all(count)]).toEqual([2.5, 0.4]);
  expect([some(saved), all(saved)]).toEqual([2.5, 0.4]);
  expect(some({ ...count, controllerId: 'b' })).toBe(1);
});

it('weighs the suspects of a search, those at any place of a wire too', () => {
  const share = (raised: () => number) => {
    const ranking = new Diagnosis(new Scope(plan, 0), { raised }).ranking(10_000);
    return ranking
      .filter(({ faults }) => faults[0]?.kind === 'countWrong')
      .reduce((sum, { share: own }) => sum + own, 0);
  };
  const raises = raisesOf(plan, facts(...ticks(1)), [], 0);
  expect(share(raisedBy(raises) as () => number)).toBeGreaterThan(1.5 * share(() => 1));
});

it('takes how often things are the matter from what was set for this show, until the usual is set again', () => {
  const never = facts(priorsNote(NO_FACTS, 'quay', 'brokenJoint', 0.02));
  expect([...notedPriors(never)]).toEqual([['brokenJoint', 0.02]]);
  const raised = raisedBy(priorRaises(never));
  const joint = { kind: 'brokenJoint', controllerId: 'a', port: 1, place: 4 } as const;
  expect(raised(joint)).toBeCloseTo(0.02 / priorOf('brokenJoint').weight);
  expect(priorsNote(never, 'quay', 'brokenJoint', priorOf('brokenJoint').weight).value).toBeNull();
  // Notes of another program are left alone.
  const odd = facts({ ...priorsNote(NO_FACTS, 'quay', 'noPower', 4), value: { gremlin: 3 } });
  expect(priorRaises(odd)).toEqual([]);
});
