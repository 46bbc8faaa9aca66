import type { Controller } from '../catalogue/controller';
import { portsOfController, spansOfRun } from '../plan/planIndex';
import { untellableOf } from './troubles';
import type { Show } from '../show/schema';
import { valuesToType, type ValueToType } from './deviceSettings';
import { layShow } from '../plan/plan';
import type { LaidShow, Span } from '../plan/planned';
import type { PlanCache } from '../plan/cache';
import { groupDigits } from '../units/number';
import { sharedUniverses } from './sent';
import type { RunPin } from '../show/edits/patch';
import { applyEdit, type Edit, type SingleEdit } from '../show/edits/registry';
import { itemAt } from '../units/there';
import { propAt, controllerAt } from '../plan/records';

/** A run whose channels are not where they were. */
export interface Moved {
  propId: string;
  name: string;
  run: number;
  /** `U5 ch 1 – U7 ch 492`; what is new or gone has nothing on one side. */
  old: string | null;
  new: string | null;
}

interface Foresight {
  moved: Moved[];
  /** Runs that stay where they are, though the count of the show gives them other channels: a sender may hold those. */
  renumbered: Moved[];
  /** Universes that two controllers then listen to, and did not before. */
  shared: { universe: number; controllers: string[] }[];
  /** Ids of controllers that somebody has to go to. */
  visits: string[];
  values: ValueToType[];
}

/** Differences between two plans. */
export function comparePlans(before: LaidShow, after: LaidShow): Foresight {
  const moved: Moved[] = [];
  const renumbered: Moved[] = [];
  const old = stretches(before);
  const next = stretches(after);
  for (const [key, to] of next) {
    const from = old.get(key);
    if (!from || !isSame(from, to))
      moved.push({ ...to.of, old: from ? wordsOf(from) : null, new: wordsOf(to) });
    else if (from.first.startShowChannel !== to.first.startShowChannel)
      renumbered.push({ ...to.of, old: showChannelWords(from), new: showChannelWords(to) });
  }
  for (const [key, from] of old)
    if (!next.has(key)) moved.push({ ...from.of, old: wordsOf(from), new: null });
  const values = valuesToType(before, after);
  const alone = new Set(sharedUniverses(before).map((each) => each.universe));
  const shared = sharedUniverses(after).flatMap(({ universe, controllers }) =>
    alone.has(universe)
      ? []
      : [{ universe, controllers: controllers.map((index) => controllerAt(after, index).name) }],
  );
  return {
    moved,
    renumbered,
    shared,
    values,
    visits: [...new Set(values.map((value) => value.controllerId))],
  };
}

/** First and last span of a run. */
interface Stretch {
  of: Pick<Moved, 'propId' | 'name' | 'run'>;
  /** Whose bytes they are, under DDP; universes are the show's. */
  device: Controller | null;
  first: Span;
  last: Span;
}

/** By prop and number of the run; runs without an address have none. */
function stretches(plan: LaidShow): Map<string, Stretch> {
  const found = new Map<string, Stretch>();
  plan.runs.forEach((run, index) => {
    const spans = spansOfRun(plan, index);
    const first = spans.find((span) => span.runChannel >= 0);
    const last = spans.at(-1);
    if (!first || !last) return;
    const { id, name } = propAt(plan, run.prop);
    const device = first.universe === null ? controllerAt(plan, first.controller) : null;
    found.set(runKey(plan, index), { of: { propId: id, name, run: run.number }, device, first, last });
  });
  return found;
}

function isSame(a: Stretch, b: Stretch): boolean {
  return (
    a.device?.id === b.device?.id &&
    a.first.universe === b.first.universe &&
    a.first.startChannel === b.first.startChannel &&
    a.last.universe === b.last.universe &&
    endOf(a.last) === endOf(b.last)
  );
}

const endOf = (span: Span) => span.startChannel + span.channelCount - 1;

function showChannelWords({ first }: Stretch): string {
  return `show channel ${groupDigits(first.startShowChannel)}`;
}

function wordsOf({ device, first, last }: Stretch): string {
  const place = ({ universe }: Span, channel: number) =>
    universe === null ? `byte ${channel - 1}` : `U${universe} ch ${channel}`;
  return `${device ? `${device.name} ` : ''}${place(first, first.startChannel)} – ${place(last, endOf(last))}`;
}

/** An edit with what it brings about, in the two ways of doing it. */
export interface Choices {
  /** Everything is laid anew but what is locked by hand. */
  tidy: { edit: Edit; foresight: Foresight };
  /** All runs whose size stays are kept where they are; what changes goes to its old place or to the first gap that holds it. */
  least: { edit: Edit; foresight: Foresight };
}

/**
 * Both ways of making a change, each planned; null where it moves nothing.
 *
 * @param before the plan of the show as it is
 * @param editedPlan the plan of the show with the edit
 * @param today the day that locks are marked with, such as `2026-12-01`
 * @throws ShowError when the edit does not fit the show
 */
export function foresee(
  before: LaidShow,
  edit: Edit,
  editedPlan: LaidShow,
  today: string,
  cache?: PlanCache,
): Choices | null {
  const asItIs = comparePlans(before, editedPlan);
  if (asItIs.moved.length + asItIs.renumbered.length + asItIs.values.length === 0) return null;
  const lay = (each: Edit) => layShow(applyEdit(before.show, each), cache);
  const tidy = withoutKept(editedPlan.show, edit);
  const tidyPlan = tidy === edit ? editedPlan : lay(tidy);
  const least = leastChange(before, tidyPlan, editedPlan, edit, today, lay);
  const tidyChoice = { edit: tidy, foresight: tidy === edit ? asItIs : comparePlans(before, tidyPlan) };
  return {
    tidy: tidyChoice,
    least:
      least.edit === tidy ? tidyChoice : { edit: least.edit, foresight: comparePlans(before, least.plan) },
  };
}

/** The edit, with all addresses let go that earlier answers kept. */
function withoutKept({ patch }: Show, edit: Edit): Edit {
  const kept = patch.flatMap(({ propId, run, pin }): SingleEdit[] =>
    pin?.kept ? [{ type: 'setRunAddress', propId, run, change: { pin: null } }] : [],
  );
  if (kept.length === 0) return edit;
  return together(edit, kept, 'Change, and lay all anew');
}

/** An edit with others behind it, as one. */
function together(edit: Edit, more: readonly SingleEdit[], label: string): Edit {
  return edit.type === 'batch'
    ? { ...edit, edits: [...edit.edits, ...more] }
    : { type: 'batch', label, edits: [edit, ...more] };
}

/**
 * Locks every run that would move, though its own size stays, where it was. A run that changed keeps its start where that covers
 * nothing that it did not cover before; otherwise it is left to find a gap. Where a device could not be told of the gaps that are left,
 * its runs are laid anew.
 *
 * @returns the tidy way where nothing is kept
 */
function leastChange(
  before: LaidShow,
  tidyPlan: LaidShow,
  editedPlan: LaidShow,
  edit: Edit,
  today: string,
  lay: (edit: Edit) => LaidShow,
): { edit: Edit; plan: LaidShow } {
  const oldIndex = new Map(before.runs.map((_, index) => [runKey(before, index), index]));
  const entries = new Map(editedPlan.show.patch.map((entry) => [`${entry.propId} ${entry.run}`, entry]));
  const pins = new Map<string, RunPin>();
  const resized = new Set<string>();
  editedPlan.runs.forEach((run, index) => {
    const key = runKey(editedPlan, index);
    const was = oldIndex.get(key);
    if (was === undefined || !run.wire) return;
    const first = spansOfRun(before, was)[0];
    const entry = entries.get(key);
    if (!first || first.universe === null || !entry || (entry.pin && !entry.pin.kept)) return;
    if (channelsOf(before, was) !== channelsOf(editedPlan, index)) resized.add(key);
    pins.set(key, {
      propId: entry.propId,
      run: entry.run,
      pin: { universe: first.universe, channel: first.startChannel, kept: today },
    });
  });
  const tidy = withoutKept(editedPlan.show, edit);
  const locked = (): Edit => {
    if (pins.size === 0) return tidy;
    return together(tidy, [{ type: 'pinRuns', pins: [...pins.values()] }], 'Change with the least walking');
  };
  const known = overlaps(before);
  for (;;) {
    const way = locked();
    if (way === tidy) return { edit: tidy, plan: tidyPlan };
    const plan = lay(way);
    let isLoosened = false;
    for (const pair of overlaps(plan)) {
      if (known.has(pair)) continue;
      // The changed one of two runs that would share channels makes way; where the builder locked it, its neighbour does.
      const keys = pair.split('|');
      const giving =
        keys.find((key) => resized.has(key) && pins.has(key)) ?? keys.find((key) => pins.has(key));
      if (giving !== undefined) isLoosened = pins.delete(giving);
    }
    for (const controller of isLoosened ? [] : newlyUntellable(plan, tidyPlan))
      for (const { runs } of portsOfController(plan, controller))
        for (const run of runs) if (pins.delete(runKey(plan, run))) isLoosened = true;
    if (!isLoosened) return { edit: way, plan };
  }
}

/** Indices of controllers that cannot be told where their channels lie, though they could be if all were laid anew. */
function newlyUntellable(plan: LaidShow, tidyPlan: LaidShow): number[] {
  const troubles = (of: LaidShow, controller: number) =>
    untellableOf(of, controller).flatMap(({ is }) => (is === 'gap' || is === 'size' ? [is] : []));
  return plan.show.controllers.flatMap((_, controller) => {
    const [own, ofTidy] = [troubles(plan, controller), troubles(tidyPlan, controller)];
    return own.length > ofTidy.length || own.some((each) => !ofTidy.includes(each)) ? [controller] : [];
  });
}

/** A run by its prop and number, whatever else the show holds. */
function runKey({ show, runs }: LaidShow, index: number): string {
  const { prop, number } = itemAt(runs, index);
  return `${itemAt(show.props, prop).id} ${number}`;
}

/** Channels that a run takes, those of its skipped pixels counted where they take some. */
function channelsOf(plan: LaidShow, index: number): number {
  return spansOfRun(plan, index).reduce((sum, span) => sum + span.channelCount, 0);
}

/** Pairs of runs that share a channel. Of many that share one, each is named with the one that reaches furthest. */
function overlaps(plan: LaidShow): Set<string> {
  const sorted = plan.spans
    .filter((span) => span.universe !== null)
    .sort((a, b) => a.universe! - b.universe! || a.startChannel - b.startChannel);
  const pairs = new Set<string>();
  let furthest: Span | null = null;
  for (const span of sorted) {
    if (furthest?.universe !== span.universe) furthest = null;
    if (furthest && furthest.run !== span.run && endOf(furthest) >= span.startChannel)
      pairs.add([runKey(plan, furthest.run), runKey(plan, span.run)].sort().join('|'));
    if (!furthest || endOf(span) > endOf(furthest)) furthest = span;
  }
  return pairs;
}
