import type { Fault } from '../rig/faults/registry';
import type { Scope, Seen } from './scope';
import { faultAt, type AnyPlace } from './suspects';
import type { Trial } from './trials';
import type { View } from './view';
import { agreement } from './wireView';

/** A way of being broken: a view, or a view with a fault at a place of a wire. */
export interface Way {
  view: View;
  anywhere: AnyPlace | null;
  place: number;
  prior: number;
  weight: number;
}

/** The picture of a way in a trial, folded into a number: equal where nobody could tell two ways apart. */
export function keyOf({ view, anywhere, place }: Way, trial: Trial): number {
  return anywhere ? view.keyWith(trial, anywhere, place) : view.key(trial);
}

/** The lights of the prop in a trial, if this is the way it is broken. */
export function pictureOf({ view, anywhere, place }: Way, trial: Trial): Seen {
  return anywhere ? view.seenWith(trial, anywhere, place) : view.seen(trial);
}

export function faultsOf(scope: Scope, { view, anywhere, place }: Way): readonly Fault[] {
  return anywhere ? [...view.faults, faultAt(scope, anywhere, place)] : view.faults;
}

/** Whether a way shows just what was seen of a trial. */
export function explains(way: Way, trial: Trial, seen: Seen): boolean {
  return agreement(pictureOf(way, trial), seen) === seen.length;
}
