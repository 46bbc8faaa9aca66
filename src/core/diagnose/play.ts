import type { Fault } from '../rig/faults/registry';
import type { Rig } from '../rig/rig';
import { Diagnosis } from './diagnosis';
import { MOST_ANSWERS } from './evidence';
import type { Scope, Seen } from './scope';
import { faultAt, suspectsOf } from './suspects';
import type { Trial } from './trials';
import { itemAt } from '../units/there';

/** Numbers from 0 to below 1, the same for the same seed (mulberry32). */
export function drawsOf(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

export const sameSeen = (a: Seen, b: Seen) => a.length === b.length && a.every((code, i) => code === b[i]);

/** Two displays that no trial tells apart. */
export const areAlike = (scope: Scope, one: Rig, other: Rig) =>
  scope.trials.every((trial) => sameSeen(scope.see(one, trial), scope.see(other, trial)));

/**
 * Faults of as many kinds, drawn from all that the prop can have; each would show by itself.
 *
 * @param isWanted which of them may be drawn
 * @returns fewer where the prop has no more kinds
 */
export function drawFaults(
  scope: Scope,
  count: number,
  draw: () => number,
  isWanted: (fault: Fault) => boolean = () => true,
): Fault[] {
  const all = suspectsOf(scope);
  const fixed = all.fixed.filter(({ fault }) => isWanted(fault));
  const anywhere = all.anywhere.filter((each) => isWanted(faultAt(scope, each, 1)));
  const kinds = [...new Set([...fixed.map(({ fault }) => fault.kind), ...anywhere.map(({ kind }) => kind)])];
  const oneOf = <Item>(list: readonly Item[]) => list[Math.floor(draw() * list.length)];
  const faults: Fault[] = [];
  while (faults.length < count && kinds.length > 0) {
    const [kind] = kinds.splice(Math.floor(draw() * kinds.length), 1);
    const wire = oneOf(anywhere.filter((each) => each.kind === kind));
    const fault = wire
      ? faultAt(scope, wire, 1 + Math.floor(draw() * wire.places))
      : oneOf(fixed.filter((each) => each.fault.kind === kind))!.fault;
    if (!areAlike(scope, scope.rigWith([fault]), scope.planned)) faults.push(fault);
  }
  return faults;
}

/** So sure is sure enough to name it; to say that nothing is the matter takes more. */
const SURE = 0.95;
const SURE_OF_NOTHING = 0.995;

/** Whether what is thought is sure enough to be named. */
export function isSure(diagnosis: Diagnosis): boolean {
  const [top] = diagnosis.classes(1);
  if (!top) return false;
  const isNothing = top.ways.some((faults) => faults.length === 0);
  return top.share >= (isNothing ? SURE_OF_NOTHING : SURE);
}

/** A question that was asked, with what is suspected after it; or what was named. */
type PlayedStep = { trial: Trial; seen: Seen; left: (readonly Fault[])[] } | { named: readonly Fault[] };

interface Played {
  /** Until the last of what is hidden was named. */
  questions: number;
  /** With those that prove that nothing more is the matter. */
  inAll: number;
  /** All that is hidden was named, and nothing else; or what nothing that can be tried tells from that. */
  isRight: boolean;
  named: readonly Fault[];
}

/**
 * Finds what is hidden in a display, which answers by itself. What is named is mended, and what is seen then is asked about, until nothing
 * more is the matter.
 *
 * @param wish `slip` draws the answer that is given in the place of the right one, or null; with `isNamedOnly` it ends where something is
 * named; `heard` is told each question and each thing that is named
 */
export function play(
  scope: Scope,
  faults: readonly Fault[],
  mostQuestions: number,
  wish: {
    slip?: (others: readonly Seen[]) => Seen | null;
    isNamedOnly?: boolean;
    heard?: (step: PlayedStep) => void;
  } = {},
): Played {
  const { slip, isNamedOnly = false, heard } = wish;
  let left = faults;
  let diagnosis = new Diagnosis(scope);
  const named: Fault[] = [];
  let [questions, inAll] = [0, 0];
  for (;;) {
    const truth = scope.rigWith(left);
    for (let isFirst = true; inAll < mostQuestions; isFirst = false) {
      if (!isFirst && isSure(diagnosis)) break;
      const next = diagnosis.next();
      if (!next) break;
      inAll += 1;
      const seen = scope.see(truth, next.trial);
      const others = next.answers.map((answer) => answer.seen).filter((each) => !sameSeen(each, seen));
      const said = slip?.(others) ?? seen;
      const isShown = next.answers.slice(0, MOST_ANSWERS).some((answer) => sameSeen(answer.seen, said));
      diagnosis.answer(next.trial.id, said, isShown);
      heard?.({
        trial: next.trial,
        seen: said,
        left: diagnosis.classes(3).map(({ ways }) => itemAt(ways, 0)),
      });
    }
    const found = itemAt(diagnosis.ranking(1), 0).faults;
    if (found.length === 0) break;
    named.push(...found);
    heard?.({ named: found });
    questions = inAll;
    const after = withoutMended(scope, left, found);
    if (after.length > left.length - found.length) return { questions, inAll, named, isRight: false };
    left = after;
    if (inAll >= mostQuestions || isNamedOnly) break;
    diagnosis = diagnosis.mended(found);
  }
  return { questions, inAll, named, isRight: areAlike(scope, scope.rigWith(left), scope.planned) };
}

/** Faults still hidden after a fix: the named one, or one that looks the same in its place. */
export function withoutMended(
  scope: Scope,
  hidden: readonly Fault[],
  mended: readonly Fault[],
): readonly Fault[] {
  let left = [...hidden];
  for (const fault of mended) {
    const truth = scope.rigWith(left);
    const at = left.findIndex((each) => JSON.stringify(sorted(each)) === JSON.stringify(sorted(fault)));
    const alike =
      at !== -1
        ? at
        : left.findIndex((_, i) =>
            areAlike(scope, scope.rigWith(left.map((each, k) => (k === i ? fault : each))), truth),
          );
    if (alike !== -1) left = left.filter((_, i) => i !== alike);
  }
  return left;
}

const sorted = (fault: Fault) => Object.entries(fault).sort(([a], [b]) => (a < b ? -1 : 1));
