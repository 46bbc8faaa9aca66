// The share of faults that are found, and in how many questions: faults are drawn, hidden in the rig, and the rig answers what is asked.
import fc from 'fast-check';
import { goal, sized, table } from './report';
import { readDemoShow } from '../scripts/lib/demoServer';
import { Diagnosis } from '../src/core/diagnose/diagnosis';
import { MOST_ANSWERS } from '../src/core/diagnose/evidence';
import { drawFaults, drawsOf, play } from '../src/core/diagnose/play';
import { Scope, type Seen } from '../src/core/diagnose/scope';
import { planShow } from '../src/core/plan/plan';
import type { Plan } from '../src/core/plan/planned';
import { aController, aLine, anyShow, aShow } from '../tests/unit/shows';

/** Cases of one fault, of two and of three. */
const [singles, pairs, triples] = sized([100, 100, 30], [2, 1, 0]) as [number, number, number];
const seed = 7;
const MOST_QUESTIONS = 12;
const SLIPS = 0.05;

interface Case {
  kinds: string;
  isRight: boolean;
  questions: number;
}

/** The time of the first question of a search, and of the next one. */
function questions() {
  const many = planShow(
    aShow({
      props: Array.from({ length: 100 }, (_, i) => aLine(`eave-${i}`, 2500)),
      controllers: Array.from({ length: 25 }, (_, i) =>
        aController({ id: `box-${i}`, name: `Box ${i}`, label: `B${i}`, ports: 4, mostPixelsPerPort: 4000 }),
      ),
      patch: Array.from({ length: 100 }, (_, i) => ({
        propId: `eave-${i}`,
        run: 1,
        controllerId: `box-${Math.floor(i / 4)}`,
        port: 1 + (i % 4),
        skippedPixels: 0,
      })),
    }),
  );
  const demo = planShow(readDemoShow());
  const rows = [];
  for (const [plan, prop] of [
    ...demo.props.map((_, i): [Plan, number] => [demo, i]).slice(0, sized(undefined, 2)),
    ...sized<[Plan, number][]>([[many, 50]], []),
  ]) {
    const began = performance.now();
    const scope = new Scope(plan, prop);
    if (scope.controllers.size === 0) continue;
    const diagnosis = new Diagnosis(scope);
    const first = diagnosis.next();
    const asked = performance.now();
    if (first) {
      // The likeliest answer that is not as planned.
      const answer = first.answers.find(({ isAsPlanned }) => !isAsPlanned) ?? first.answers[0]!;
      diagnosis.answer(first.trial.id, answer.seen);
      diagnosis.next();
    }
    const firstMs = asked - began;
    const nextMs = performance.now() - asked;
    const most = plan === many ? 1000 : 500;
    rows.push({
      prop: plan === many ? '2,500 of 250,000' : plan.show.props[prop]!.name,
      pixels: plan.props[prop]!.pixelCount,
      causes: diagnosis.count,
      'first, ms': firstMs.toFixed(0),
      'next, ms': nextMs.toFixed(0),
      goal: goal(`first ≤ ${most} ms, next ≤ 200 ms`, firstMs <= most && nextMs <= 200),
    });
  }
  table('diagnose-questions', rows);
}

/** Whether so many of a hundred were found in so many questions: `99 of 100 within 6`. */
function isWithin(done: readonly Case[], wanted: string): boolean {
  const [share, , most] = wanted.match(/\d+/g)!.map(Number) as [number, number, number];
  const found = done.filter(({ isRight, questions }) => isRight && questions <= most).length;
  return (100 * found) / done.length >= share;
}

function main() {
  questions();
  const shows = [readDemoShow(), ...fc.sample(anyShow, { seed, numRuns: 40 })];
  // Random shows in which something is on a port.
  const plans = shows
    .map((show) => planShow(show))
    .filter(({ runs }) => runs.some(({ wire, pixelCount }) => wire && pixelCount > 1))
    .slice(0, 11);
  console.log(`seed ${seed}: the demo show and ${plans.length - 1} random ones`);
  const rows = [];
  for (const [name, cases, count, slips, wanted] of [
    ['one', singles, 1, 0, '99 of 100 within 6'],
    ['one, 5 % of answers wrong', singles, 1, SLIPS, '95 of 100 within 9'],
    ['two', pairs, 2, 0, '95 of 100 within 9'],
    ['three', triples, 3, 0, ''],
  ] as const) {
    const draw = drawsOf(1000 * seed + count);
    const slip = (others: readonly Seen[]) =>
      draw() < slips && others.length > 0
        ? others[Math.floor(draw() * Math.min(MOST_ANSWERS, others.length))]!
        : null;
    const done: Case[] = [];
    const began = performance.now();
    while (done.length < cases) {
      const plan = plans[Math.floor(draw() * plans.length)]!;
      const prop = Math.floor(draw() * plan.props.length);
      if (plan.props[prop]!.pixelCount === 0) continue;
      const scope = new Scope(plan, prop);
      if (scope.controllers.size === 0) continue;
      const faults = drawFaults(scope, count, draw);
      if (faults.length < count) continue;
      const { isRight, questions, named } = play(scope, faults, MOST_QUESTIONS, {
        slip,
        isNamedOnly: slips > 0,
      });
      const kinds = faults.map(({ kind }) => kind).join(' + ');
      done.push({ kinds, isRight, questions });
      if (process.env.EACH)
        console.log(
          plan.show.props[prop]!.name,
          kinds,
          isRight,
          questions,
          isRight ? '' : JSON.stringify([faults, named]),
        );
    }
    if (done.length === 0) continue;
    const asked = done.map(({ questions }) => questions).sort((a, b) => a - b);
    rows.push({
      hidden: name,
      cases: done.length,
      'right, of 100': ((100 * done.filter(({ isRight }) => isRight).length) / done.length).toFixed(1),
      'questions, mean': (asked.reduce((sum, each) => sum + each, 0) / asked.length).toFixed(2),
      '95 of 100 in': asked[Math.floor(0.95 * (asked.length - 1))]!,
      worst: asked.at(-1)!,
      goal: wanted === '' ? '' : goal(wanted, isWithin(done, wanted)),
      's in all': ((performance.now() - began) / 1000).toFixed(1),
    });
    const missed = new Map<string, number>();
    for (const { kinds, isRight } of done) if (!isRight) missed.set(kinds, (missed.get(kinds) ?? 0) + 1);
    for (const [kinds, times] of [...missed].sort(([, a], [, b]) => b - a).slice(0, 25))
      console.log(`${name}: missed ${kinds}, ${times}`);
  }
  table('diagnose', rows);
}

main();
