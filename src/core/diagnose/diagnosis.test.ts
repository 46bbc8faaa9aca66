import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aLine, anyShow, aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { readShowText } from '../show/read';
import { withFaults, type Fault } from '../rig/faults/registry';
import { Diagnosis } from './diagnosis';
import { MOST_ANSWERS } from './evidence';
import { drawFaults, drawsOf, isSure, play, sameSeen, withoutMended } from './play';
import { Scope } from './scope';
import { seenKey, seenSums } from './seenKey';
import { faultAt, PLACE_KINDS, placesOn, suspectsOf } from './suspects';
import { PERCEIVED, UNKNOWN } from './perceive';
import { agreement, WireView } from './wireView';

const two = planShow(
  aShow({
    props: [aLine('rail', 40), aLine('gable', 24)],
    controllers: [aController()],
    patch: [
      { propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 1 },
      { propId: 'gable', run: 1, controllerId: 'a', port: 2, skippedPixels: 0 },
    ],
  }),
);
const rail = () => new Scope(two, 0);
const joint: Fault = { kind: 'brokenJoint', controllerId: 'a', port: 1, place: 18 };
const order: Fault = { kind: 'colourOrder', controllerId: 'a', port: 1, order: 'GRB' };

/** Asks until it is sure, with answers of the rig. */
function findIn(scope: Scope, faults: readonly Fault[], most = 12) {
  const truth = scope.rigWith(faults);
  const diagnosis = new Diagnosis(scope);
  const asked: string[] = [];
  while (asked.length < most && !(asked.length > 0 && isSure(diagnosis))) {
    const next = diagnosis.next();
    if (!next) break;
    asked.push(next.trial.id);
    const seen = scope.see(truth, next.trial);
    const isShown = next.answers.slice(0, MOST_ANSWERS).some((answer) => sameSeen(answer.seen, seen));
    diagnosis.answer(next.trial.id, seen, isShown);
  }
  return { diagnosis, asked };
}

describe('a fault at any place of a wire', () => {
  it('is seen as the whole rig shows it, with and without something else the matter', () => {
    fc.assert(
      fc.property(anyShow, fc.nat(), fc.double({ min: 0, max: 0.999, noNaN: true }), (show, pick, at) => {
        const plan = planShow(show);
        const props = plan.props.flatMap(({ pixelCount }, prop) => (pixelCount > 0 ? [prop] : []));
        if (props.length === 0) return;
        const scope = new Scope(plan, props[pick % props.length]!);
        const { fixed, anywhere } = suspectsOf(scope);
        const [wire] = anywhere;
        if (!wire) return;
        // Half of the cases stand on another fault.
        const other = pick % 2 === 1 ? fixed[pick % Math.max(1, fixed.length)]?.fault : undefined;
        const base = scope.rigWith(other ? [other] : []);
        const chain = base.chains.find(
          (each) => each.controller === wire.chain.controller && each.port === wire.chain.port,
        );
        if (!chain || chain.pixel.length === 0) return;
        const place = 1 + Math.floor(at * Math.min(wire.places, chain.pixel.length));
        for (const trial of scope.trials.filter(({ how, moments }) => how !== 'look' && moments.length < 5)) {
          const seen = scope.see(base, trial);
          const view = new WireView(scope, base, chain, trial, seen, seenSums(seen));
          for (const kind of [...PLACE_KINDS, 'countWrong'] as const) {
            const counted = anywhere.find((each) => each.kind === kind && each.chain === wire.chain);
            if (!counted || place > placesOn(base, counted)) continue;
            const rig = withFaults(base, [faultAt(scope, { kind, chain }, place)]);
            // A fault that is random by place is random anew where places move.
            if (other && RANDOM.has(other.kind)) continue;
            const whole = scope.see(rig, trial);
            expect([kind, trial.id, sameSeen(view.picture(kind, place), whole)]).toEqual([
              kind,
              trial.id,
              true,
            ]);
            expect(view.key(kind, place)).toBe(seenKey(whole));
            expect(view.agreeing(seen)(kind, place)).toBe(agreement(whole, seen));
          }
        }
      }),
      { numRuns: tries(40) },
    );
  });

  it('agrees with what nobody said', () => {
    expect(agreement(Uint8Array.of(1, 2, 3), Uint8Array.of(1, UNKNOWN, 9))).toBe(2);
  });
});

/** Kinds whose lights depend on more than what reaches a place: noise by pixel, volts by place. */
const RANDOM = new Set(['starvedEnd', 'wrongVolts', 'supplySags', 'noGround', 'lowLevel', 'limiterLow']);

it('finds a broken joint at its place, and says what nothing tells from it', () => {
  const { diagnosis, asked } = findIn(rail(), [joint]);
  expect(asked.length).toBeLessThanOrEqual(6);
  const [top] = diagnosis.classes();
  const kinds = top!.ways.map((faults) => faults.map(({ kind }) => kind).join());
  // A pixel that stops the data looks the same: a swap tells.
  expect(kinds.sort()).toEqual(['blockingPixel', 'brokenJoint']);
  expect(top!.ways.flat().every((fault) => 'place' in fault && fault.place === 18)).toBe(true);
});

it('finds any count that is too low, which only its page tells from a joint', () => {
  const short: Fault = { kind: 'countWrong', controllerId: 'a', port: 2, by: -7 };
  const { diagnosis, asked } = findIn(new Scope(two, 1), [short]);
  expect(diagnosis.ranking(1)[0]!.faults).toEqual([short]);
  expect(asked).toContain('settings');
});

it('reads volts at the far end: none behind an open fuse, too few where a run is starved, and never by what is set', () => {
  const scope = new Scope(two, 1);
  const volts = scope.trial('volts')!;
  const on = { propId: 'gable', run: 1 };
  const read = (...faults: Fault[]) => [...scope.see(scope.rigWith(faults), volts)];
  expect(read()).toEqual([0]);
  expect(read({ kind: 'blownFuse', ...on })).toEqual([1]);
  expect(read({ kind: 'wrongVolts', ...on })).toEqual([2]);
  expect(read({ kind: 'colourOrder', controllerId: 'a', port: 2, order: 'BRG' })).toEqual([0]);
  expect(read({ kind: 'darkPixel', controllerId: 'a', port: 2, place: 24 })).toEqual([0]);
});

it('finds which panel hangs upside down, which two are exchanged, and looks at some lights of a large wall', () => {
  const plan = planShow(readShowText(readFileSync('demo/marrow-quay.show.json', 'utf8')));
  const prop = plan.show.props.findIndex(({ id }) => id === 'score-wall');
  const { firstPixel, pixelCount } = plan.props[prop]!;
  const scope = new Scope(plan, prop);
  expect(scope.count).toBeLessThan(pixelCount / 4);
  expect(scope.slotOf(firstPixel + pixelCount - 1)).toBe(scope.count - 1);
  const on = { propId: 'score-wall', run: 1 };
  const one = { column: 3, row: 2 };
  const faults = [
    { kind: 'panelsExchanged', ...on, one: { column: 1, row: 1 }, other: { column: 3, row: 2 } },
    { kind: 'panelTurned', ...on, ...one },
  ] as const;
  for (const fault of faults.slice(0, tries(2)))
    expect(findIn(scope, [fault]).diagnosis.ranking(1)[0]!.faults).toEqual([fault]);
});

it('finds two things that are stacked', () => {
  const scope = rail();
  const truth = scope.rigWith([order, joint]);
  const diagnosis = new Diagnosis(scope);
  for (const id of ['red', 'last', 'ownFill', 'settings'])
    diagnosis.answer(id, scope.see(truth, scope.trial(id)!));
  expect(diagnosis.classes()[0]!.ways).toContainEqual(expect.arrayContaining([order, joint]));
  // One after another they are found in as few looks as it takes.
  const { isRight, questions } = play(scope, [order, joint], 12);
  expect(isRight).toBe(true);
  expect(questions).toBeLessThanOrEqual(9);
});

it('ends at “as planned” where nothing is the matter', () => {
  const { diagnosis } = findIn(rail(), [], 20);
  expect(diagnosis.ranking(1)[0]!.faults).toEqual([]);
  expect(diagnosis.ranking(1)[0]!.against).toEqual([]);
});

it('takes what somebody describes, and says nothing of what is not named', () => {
  const scope = rail();
  const red = scope.trial('red')!;
  const [dark, green] = [PERCEIVED.indexOf('dark'), PERCEIVED.indexOf('green')];
  const seen = scope.described(red, [
    { from: 1, to: 10, code: green },
    { from: 30, to: 99, code: dark },
  ]);
  expect([seen[0], seen[9], seen[10], seen[28], seen[29], seen[39]]).toEqual([
    green,
    green,
    255,
    255,
    dark,
    dark,
  ]);
  const diagnosis = new Diagnosis(scope);
  diagnosis.answer('red', scope.described(red, [{ from: 1, to: 40, code: green }]), false);
  const explaining = diagnosis.ranking(5).filter(({ against }) => against.length === 0);
  expect(explaining.map(({ faults }) => faults)).toContainEqual([
    expect.objectContaining({ kind: 'colourOrder', order: 'GRB' }),
  ]);
  // A moving picture cannot be described so.
  expect(new Set(scope.described(scope.trial('diagonal')!, [{ from: 1, to: 40, code: green }]))).toEqual(
    new Set([255]),
  );
});

it('ranks the same, in whatever order it was told', () => {
  const scope = rail();
  const truth = scope.rigWith([order, joint]);
  const told = ['red', 'last', 'ownFill', 'settings'];
  const rankings = [told, [...told].reverse(), ['last', 'settings', 'red', 'ownFill']].map((trials) => {
    const diagnosis = new Diagnosis(scope);
    for (const id of trials) diagnosis.answer(id, scope.see(truth, scope.trial(id)!));
    return diagnosis.ranking(3).map(({ faults, share }) => [JSON.stringify(faults), share.toFixed(3)]);
  });
  expect(rankings[1]).toEqual(rankings[0]);
  expect(rankings[2]).toEqual(rankings[0]);
});

it('never asks for what is known, goes on where nobody can tell, and names an answer that nothing explains', () => {
  const scope = rail();
  const diagnosis = new Diagnosis(scope);
  const first = diagnosis.next()!;
  diagnosis.answer(first.trial.id, null);
  expect(diagnosis.next()!.trial.id).not.toBe(first.trial.id);
  // Red is seen all blue, and the settings and the device’s own fill are as planned: one of them was a slip.
  const red = scope.trial('red')!;
  const planned = (id: string) => scope.see(scope.planned, scope.trial(id)!);
  diagnosis.answer(
    'red',
    scope.see(scope.planned, red).map(() => 4),
  );
  for (const id of ['ownFill', 'settings', 'sender', 'green', 'blue', 'white'])
    diagnosis.answer(id, planned(id));
  expect(diagnosis.ranking(1)[0]!.against).toEqual(['red']);
});

it('goes on with what was seen once something was mended', () => {
  const scope = rail();
  const { diagnosis } = findIn(scope, [order, { kind: 'noPower', controllerId: 'a' }]);
  expect(diagnosis.ranking(1)[0]!.faults).toEqual([{ kind: 'noPower', controllerId: 'a' }]);
  const after = diagnosis.mended(diagnosis.ranking(1)[0]!.faults);
  // Dark throughout before says nothing against a colour order that was hidden by it.
  const shares = after.ranking(400);
  expect(shares[0]!.faults).toEqual([]);
  const orders = shares.filter(({ faults }) => faults[0]?.kind === 'colourOrder');
  expect(orders.length).toBeGreaterThan(0);
});

it('takes what looks the same for what is hidden, and nothing else', () => {
  const scope = rail();
  const blocking: Fault = { ...joint, kind: 'blockingPixel' };
  expect(withoutMended(scope, [joint, order], [blocking])).toEqual([order]);
  expect(withoutMended(scope, [joint], [order])).toEqual([joint]);
});

it('finds what is drawn, one and two at a time: a small twin of the benchmark', () => {
  const draw = drawsOf(11);
  const cases = (count: number, times: number) =>
    Array.from({ length: times }, () => {
      const scope = new Scope(two, draw() < 0.5 ? 0 : 1);
      const faults = drawFaults(scope, count, draw);
      const { isRight, questions } = play(scope, faults, 12);
      return { kinds: faults.map(({ kind }) => kind).join('+'), isRight, questions };
    });
  const singles = cases(1, 16);
  expect(singles.filter(({ isRight }) => !isRight)).toEqual([]);
  expect(Math.max(...singles.map(({ questions }) => questions))).toBeLessThanOrEqual(8);
  const pairs = cases(2, 8);
  expect(pairs.filter(({ isRight }) => !isRight).length).toBeLessThanOrEqual(1);
});

it('draws the same for the same seed', () => {
  const [one, other] = [drawsOf(3), drawsOf(3)];
  expect(Array.from({ length: 5 }, one)).toEqual(Array.from({ length: 5 }, other));
});
