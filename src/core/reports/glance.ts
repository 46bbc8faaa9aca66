import { findingsOf } from '../checks/registry';
import type { Plan } from '../plan/planned';
import { isPanelled } from '../props/registry';
import type { Facts } from '../show/facts';
import { countOf, groupDigits } from '../units/number';
import { standingOf, type Standing } from './standing';
import { totalsOf } from './totals';
import { itemAt } from '../units/there';
import { propAt, plannedAt } from '../plan/records';

/** Props whose pixels are drawn, and how many dots each has at most. */
const MOST_PROPS = 6;
const MOST_DOTS = 150;
/** A list of shows does not wait for the checks of a larger one. */
const MOST_CHECKED = 200_000;

/** A show in a few words and a small picture, for a list of shows. */
export interface Glance {
  /** `16 props · 33,771 pixels · 19 of 20 runs on ports`. */
  words: string;
  /** The next thing to do, in a sentence. */
  next: string;
  /** Work of each stage that is done, open, or to be done again. */
  standing: Standing[];
  /** Places in a square from 0 to 100, y downwards, x and y in turn: one list for each of the first props. */
  pictures: number[][];
}

export function glanceOf(plan: Plan, facts: Facts): Glance {
  const { show } = plan;
  const { pixels, runs, runsOnPorts } = totalsOf(plan);
  return {
    words:
      show.props.length === 0
        ? 'nothing measured yet'
        : `${countOf(show.props.length, 'prop')} · ${countOf(pixels, 'pixel')} · ${groupDigits(runsOnPorts)} of ${countOf(runs, 'run')} on ports`,
    next: nextStep(plan, facts),
    standing: standingOf(plan, facts, pixels > MOST_CHECKED ? null : findingsOf(plan, facts)),
    pictures: show.props.slice(0, MOST_PROPS).map((_, index) => dotsOf(plan, index)),
  };
}

function nextStep(plan: Plan, facts: Facts): string {
  const { show } = plan;
  const { runs, runsOnPorts } = totalsOf(plan);
  if (show.props.length === 0) return 'Next: measure the first prop.';
  if (show.controllers.length === 0) return 'Next: add the controller that feeds it.';
  if (runsOnPorts < runs)
    return runs - runsOnPorts === 1
      ? 'Next: put 1 run on a port.'
      : `Next: put ${countOf(runs - runsOnPorts, 'run')} on ports.`;
  const typed = show.controllers.filter(({ id }) =>
    facts.all.some(({ kind, recordId }) => kind === 'deviceStep' && recordId === id),
  );
  const left = show.controllers.length - typed.length;
  return left > 0
    ? `Next: type the values into ${countOf(left, 'controller')}.`
    : 'Every run is on a port, and steps were noted on every controller.';
}

function dotsOf(plan: Plan, index: number): number[] {
  const { firstPixel, pixelCount } = plannedAt(plan, index);
  const { xMm, yMm } = plan.pixels;
  if (isPanelled(propAt(plan, index))) return outlineOf(plan, index);
  const step = Math.max(1, Math.ceil(pixelCount / MOST_DOTS));
  const places = Array.from({ length: Math.ceil(pixelCount / step) }, (_, i) => firstPixel + i * step);
  const xs = places.map((pixel) => xMm[pixel]!);
  const ys = places.map((pixel) => yMm[pixel]!);
  return fitted(xs, ys);
}

/** A wall as the frame around it: its pixels would be a solid block. */
function outlineOf(plan: Plan, index: number): number[] {
  const { firstPixel, pixelCount } = plannedAt(plan, index);
  let [left, right, low, high] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let pixel = firstPixel; pixel < firstPixel + pixelCount; pixel += 1) {
    const [x, y] = [plan.pixels.xMm[pixel]!, plan.pixels.yMm[pixel]!];
    [left, right, low, high] = [Math.min(left, x), Math.max(right, x), Math.min(low, y), Math.max(high, y)];
  }
  const along = Array.from({ length: 17 }, (_, i) => i / 16);
  return fitted(
    along.flatMap((part) => [left + part * (right - left), left + part * (right - left), left, right]),
    along.flatMap((part) => [low, high, low + part * (high - low), low + part * (high - low)]),
  );
}

function fitted(xs: readonly number[], ys: readonly number[]): number[] {
  if (xs.length === 0) return [];
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = 92 / Math.max(right - left, high - low, 1);
  const round = (value: number) => Math.round(value * 10) / 10;
  return xs.flatMap((x, i) => [
    round(50 + (x - (left + right) / 2) * scale),
    round(50 - (itemAt(ys, i) - (low + high) / 2) * scale),
  ]);
}
