import type { Seen } from './scope';
import type { AnyPlace } from './suspects';
import type { Trial } from './trials';
import type { View } from './view';
import type { Way } from './ways';
import { agreement } from './wireView';

/** The answer to a trial. */
export interface Evidence {
  trial: Trial;
  seen: Seen;
  /** It was one of the pictures that were shown. */
  isShown: boolean;
}

/** Answers that are shown as pictures. */
export const MOST_ANSWERS = 8;
/** So many answers of a hundred are slips. */
const SLIP = 0.05;
/** A slip is one of the answers that are shown, whichever. */
const LEAST_SLIP = 1 / MOST_ANSWERS;
/** Somebody said that none of the pictures is right and described another, looked at twice; suspects that look similar get likelier. */
const LEAST_OTHER = LEAST_SLIP / 40;

/** Likelihood of an answer under a way: almost certain where the way shows exactly that, else higher the more agrees. */
function likelihood(agree: number, all: number, isShown: boolean): number {
  if (agree === all) return 1 - SLIP;
  return isShown ? SLIP * LEAST_SLIP : SLIP * LEAST_OTHER * Math.max(0.1, (agree / all) ** 6);
}

/** Weighs ways by the likelihood of all evidence. @param least once all are below it, the rest is not looked at */
export function weigh(evidence: readonly Evidence[], ways: readonly Way[], least = 0): void {
  for (const way of ways) way.weight = way.prior;
  for (const { trial, seen, isShown } of evidence) {
    if (least > 0 && ways.every(({ weight }) => weight < least)) {
      for (const way of ways) way.weight = 0;
      return;
    }
    const agreeing = agreementsOf(trial, seen);
    for (const way of ways) {
      const agree = agreeing(way);
      way.weight *= likelihood(agree, seen.length, isShown);
    }
  }
}

/** Pixels of a way that look as they were seen; pixels that ways share are counted once. */
function agreementsOf(trial: Trial, seen: Seen): (way: Way) => number {
  const whole = new Map<View, number>();
  const onWires = new Map<View, Map<AnyPlace, (kind: AnyPlace['kind'], place: number) => number>>();
  const ofView = (view: View) => {
    let known = whole.get(view);
    if (known === undefined) whole.set(view, (known = agreement(view.seen(trial), seen)));
    return known;
  };
  return ({ view, anywhere, place }) => {
    if (!anywhere) return ofView(view);
    if (trial.how === 'look') return agreement(view.seenWith(trial, anywhere, place), seen);
    let byWire = onWires.get(view);
    if (!byWire) onWires.set(view, (byWire = new Map()));
    let counted = byWire.get(anywhere);
    if (!counted) {
      const wire = view.wire(trial, anywhere.chain);
      byWire.set(anywhere, (counted = wire ? wire.agreeing(seen) : () => ofView(view)));
    }
    return counted(anywhere.kind, place);
  };
}
