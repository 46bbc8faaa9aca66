import { LAST_UNIVERSE } from '../catalogue/controller';
import { countOf } from '../units/number';
import type { LaidShow, Plan, Span } from '../plan/planned';
import { defineCheck, type Mend } from './check';
import { loosened } from './loosened';
import { MOST_TRIED, thatHelps } from './thatHelps';
import { runName } from '../plan/runName';
import { itemAt } from '../units/there';
import { controllerAt, propOfRun } from '../plan/records';

export const sharedChannels = defineCheck(
  'shared-channels',
  'No channel is used by two pixels, unless one is meant to repeat the other.',
  (plan) => {
    const groups = groupsOf(plan);
    if (groups.length === 0) return [];
    const lastBeside = lastUniverses(plan);
    return groups.map(({ first, second, pairs, channels, from, to }, i) => {
      const others = pairs > 1 ? `, and ${countOf(pairs - 1, 'more pair')} of runs with them,` : '';
      const device = controllerAt(plan, second.controller);
      return {
        rank: 'willLookWrong' as const,
        stage: 'patch' as const,
        propId: propOfRun(plan, second.run).id,
        otherPropId: propOfRun(plan, first.run).id,
        controllerId: device.id,
        message: `${runName(plan, first.run)} and ${runName(plan, second.run)}${others} share ${countOf(channels, 'channel')} in ${from === to ? `universe ${from}` : `universes ${from} to ${to}`}, so they show the same picture there.${first.controller === second.controller ? '' : ` If that is not meant, give ${device.name} another first universe.`}`,
        mends: [
          ...followOn(plan, second.controller, lastBeside(second.controller)),
          ...(i < MOST_TRIED ? unlocked(plan, first, second) : []),
        ],
      };
    });
  },
);

/** The number of pairs of controllers that share channels; one may share with itself. */
export const countSharing = (plan: LaidShow): number => groupsOf(plan).length;

/** Channels that two controllers, or one with itself, share: the first two runs that meet, and the number shared by all. */
interface Group {
  first: Span;
  second: Span;
  pairs: number;
  channels: number;
  from: number;
  to: number;
}

/**
 * Goes once through the spans by where they start. Of all that began before, it is enough to know the one that reaches furthest and,
 * since a run does not share with itself, the one of another run that does. One partner is enough to tell: of ten controllers that
 * repeat each other, nine are named once.
 */
function groupsOf(plan: LaidShow): Group[] {
  const sorted = plan.spans
    .filter((span) => span.universe !== null)
    .sort((a, b) => a.universe! - b.universe! || a.startChannel - b.startChannel);
  const groups = new Map<number, Group>();
  const pairs = new Set<number>();
  const controllers = plan.show.controllers.length;
  const endOf = (span: Span) => span.startChannel + span.channelCount;
  let furthest: Span | null = null;
  let another: Span | null = null;
  for (const second of sorted) {
    const universe = second.universe!;
    if (furthest?.universe !== universe) furthest = another = null;
    const first = furthest?.run === second.run ? another : furthest;
    if (first && endOf(first) > second.startChannel) {
      const channels = Math.min(endOf(first), endOf(second)) - second.startChannel;
      const key = first.controller * controllers + second.controller;
      const pair = Math.min(first.run, second.run) * plan.runs.length + Math.max(first.run, second.run);
      const group = groups.get(key);
      if (!group) groups.set(key, { first, second, pairs: 1, channels, from: universe, to: universe });
      else {
        group.channels += channels;
        group.to = universe;
        if (!pairs.has(pair)) group.pairs += 1;
      }
      pairs.add(pair);
    }
    if (!furthest || endOf(second) > endOf(furthest)) {
      if (furthest && furthest.run !== second.run) another = furthest;
      furthest = second;
    } else if (second.run !== furthest.run && (!another || endOf(second) > endOf(another))) another = second;
  }
  return [...groups.values()];
}

/** For each controller the last universe that the others use. */
function lastUniverses(plan: Plan): (controller: number) => number {
  const last = new Array<number>(plan.show.controllers.length).fill(0);
  for (const { controller, universe } of plan.spans)
    if (universe !== null && universe > itemAt(last, controller)) last[controller] = universe;
  let [most, next, ofMost] = [0, 0, -1];
  last.forEach((universe, controller) => {
    if (universe > most) [most, next, ofMost] = [universe, most, controller];
    else if (universe > next) next = universe;
  });
  return (controller) => (controller === ofMost ? next : most);
}

/** Unlocks the addresses on either of them, where that parts them. */
function unlocked(plan: Plan, first: Span, second: Span): Mend[] {
  const controllers = [...new Set([second.controller, first.controller])];
  const sharedBy = (of: LaidShow) =>
    groupsOf(of).filter((group) =>
      controllers.some((each) => group.first.controller === each || group.second.controller === each),
    ).length;
  return thatHelps(
    plan,
    controllers.flatMap((each) => loosened(plan, each, 'pins')),
    (after) => sharedBy(after) === 0,
  );
}

function followOn(plan: Plan, index: number, lastOfOthers: number) {
  const controller = controllerAt(plan, index);
  if (controller.firstUniverse === null || index === 0 || lastOfOthers >= LAST_UNIVERSE) return [];
  return [
    {
      label: `Start ${controller.name} at universe ${lastOfOthers + 1}`,
      edit: {
        type: 'changeController' as const,
        controllerId: controller.id,
        change: { firstUniverse: lastOfOthers + 1 },
      },
    },
  ];
}
