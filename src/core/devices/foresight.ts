import type { Controller } from '../catalogue/controller';
import { spansOfRun } from '../plan/planIndex';
import { valuesToType, type ValueToType } from './deviceSettings';
import { layShow } from '../plan/plan';
import type { LaidShow, Span } from '../plan/planned';
import type { PlanCache } from '../plan/cache';
import { groupDigits } from '../units/number';
import type { RunPin } from '../show/edits/patch';
import { applyEdit, type Edit } from '../show/edits/registry';

/** A run whose channels are not where they were. */
export interface Moved {
  propId: string;
  name: string;
  run: number;
  /** `U5 ch 1 – U7 ch 492`; what is new or gone has nothing on one side. */
  old: string | null;
  new: string | null;
}

export interface Foresight {
  moved: Moved[];
  /** Runs that stay where they are, though the count of the show gives them other channels: a sender may hold those. */
  renumbered: Moved[];
  /** Ids of controllers that somebody has to go to. */
  visits: string[];
  values: ValueToType[];
}

/** What one plan changes against another. */
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
  return { moved, renumbered, values, visits: [...new Set(values.map((value) => value.controllerId))] };
}

/** Where a run begins and ends. */
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
    const { id, name } = plan.show.props[run.prop]!;
    const device = first.universe === null ? plan.show.controllers[first.controller]! : null;
    found.set(`${id} ${run.number}`, { of: { propId: id, name, run: run.number }, device, first, last });
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
  /** The edit as it is: everything is laid anew. */
  tidy: { edit: Edit; foresight: Foresight };
  /** All runs whose size stays are kept where they are; what changes goes to its old place or to the first gap that holds it. */
  least: { edit: Edit; foresight: Foresight };
}

/**
 * Both ways of making a change, each planned; null where it moves nothing.
 *
 * @param before the plan of the show as it is
 * @param tidyPlan the plan of the show with the edit
 * @throws ShowError when the edit does not fit the show
 */
export function foresee(before: LaidShow, edit: Edit, tidyPlan: LaidShow, cache?: PlanCache): Choices | null {
  const tidy = comparePlans(before, tidyPlan);
  if (tidy.moved.length + tidy.renumbered.length + tidy.values.length === 0) return null;
  const least = leastChange(before, tidyPlan, edit);
  return {
    tidy: { edit, foresight: tidy },
    least:
      least === edit
        ? { edit, foresight: tidy }
        : {
            edit: least,
            foresight: comparePlans(before, layShow(applyEdit(before.show, least), cache)),
          },
  };
}

/**
 * Pins every run that would move, though its own size stays, to where it was. A run that changed keeps its start where its old
 * place and the gap behind it hold it; otherwise it is left to find a gap.
 */
function leastChange(before: LaidShow, tidyPlan: LaidShow, edit: Edit): Edit {
  const pins: RunPin[] = [];
  const taken = occupied(before);
  const key = (plan: LaidShow, index: number) =>
    `${plan.show.props[plan.runs[index]!.prop]!.id} ${plan.runs[index]!.number}`;
  const oldIndex = new Map(before.runs.map((_, index) => [key(before, index), index]));
  const entries = new Map(tidyPlan.show.patch.map((entry) => [`${entry.propId} ${entry.run}`, entry]));
  tidyPlan.runs.forEach((run, index) => {
    const was = oldIndex.get(key(tidyPlan, index));
    if (was === undefined || !run.wire) return;
    const first = spansOfRun(before, was)[0];
    const entry = entries.get(key(tidyPlan, index));
    if (!first || first.universe === null || !entry || entry.pin) return;
    const old = before.runs[was]!;
    const sameSize = old.pixelCount === run.pixelCount && old.channelsPerPixel === run.channelsPerPixel;
    if (!sameSize && !fitsAtOldPlace(before, was, run.pixelCount * run.channelsPerPixel, taken)) return;
    pins.push({
      propId: entry.propId,
      run: entry.run,
      pin: { universe: first.universe, channel: first.startChannel },
    });
  });
  if (pins.length === 0) return edit;
  const edits = edit.type === 'batch' ? edit.edits : [edit];
  const label = edit.type === 'batch' ? edit.label : 'Change with the least walking';
  return { type: 'batch', label, edits: [...edits, { type: 'pinRuns', pins }] };
}

/** Channels in use by universe: for each the starts and ends of what is there. */
function occupied(plan: LaidShow): Map<number, { run: number; from: number; to: number }[]> {
  const byUniverse = new Map<number, { run: number; from: number; to: number }[]>();
  for (const span of plan.spans) {
    if (span.universe === null) continue;
    const list = byUniverse.get(span.universe) ?? [];
    list.push({ run: span.run, from: span.startChannel, to: span.startChannel + span.channelCount - 1 });
    byUniverse.set(span.universe, list);
  }
  return byUniverse;
}

/** Whether a run of another size still fits where it starts, without reaching what comes after it. */
function fitsAtOldPlace(
  plan: LaidShow,
  run: number,
  channels: number,
  taken: Map<number, { run: number; from: number; to: number }[]>,
): boolean {
  const first = spansOfRun(plan, run)[0]!;
  let left = channels;
  for (let universe = first.universe!; left > 0; universe += 1) {
    const from = universe === first.universe ? first.startChannel : 1;
    const space = plan.spaces.find((each) => each.universe === universe);
    const end = space?.channelCount ?? 510;
    const next = (taken.get(universe) ?? [])
      .filter((each) => each.run !== run && each.to >= from)
      .reduce((least, each) => Math.min(least, each.from), Infinity);
    const room = Math.min(end, next - 1) - from + 1;
    if (room <= 0 && universe !== first.universe) return false;
    left -= Math.max(0, room);
    if (next !== Infinity && left > 0) return false;
    if (universe > first.universe! + 4000) return false;
  }
  return true;
}
