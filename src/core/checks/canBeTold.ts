import { portName } from '../catalogue/controller';
import { UNIVERSES_PER_SUB_NET } from '../catalogue/controllers/telling';
import { UNIVERSE_SLOTS } from '../catalogue/packing';
import { toldUniverse, universeOfTold } from '../addressing/numbering';
import { standingWords } from '../figures/figure';
import { universesOf } from '../protocols/registry';
import { tellingOfController } from '../devices/tellingOn';
import { untellableOf, type Untellable } from '../devices/troubles';
import type { LaidShow, Plan } from '../plan/planned';
import { controllerAt, propOfRun, runAt, wireOfRun } from '../plan/records';
import { runName } from '../plan/runName';
import { portsOfController } from '../plan/planIndex';
import type { SingleEdit } from '../show/edits/registry';
import { countOf } from '../units/number';
import { itemAt } from '../units/there';
import { listOf } from '../units/words';
import { defineCheck, type Finding, type Mend } from './check';
import { loosened } from './loosened';
import { moveElsewhere } from './moveElsewhere';
import { packWholePixels } from './packWholePixels';
import { countSharing } from './sharedChannels';
import { MOST_TRIED, thatHelps } from './thatHelps';

export const canBeTold = defineCheck(
  'can-be-told',
  'Each controller can be told where its channels lie: a device knows nothing but the values that are typed into it.',
  (plan) =>
    plan.show.controllers
      .flatMap((_, index) => untellableOf(plan, index).map((each) => ({ index, each })))
      .map(({ index, each }, i) => findingOf(plan, index, each, i < MOST_TRIED)),
);

function findingOf(plan: Plan, index: number, each: Untellable, hasMends: boolean): Omit<Finding, 'check'> {
  const { id } = controllerAt(plan, index);
  return {
    rank: 'willNotLight',
    stage: 'patch',
    controllerId: id,
    ...propOf(plan, each),
    message: messageOf(plan, index, each),
    mends: hasMends ? mendsOf(plan, index, each) : [],
  };
}

/** The run at which it is seen first. */
function runOf(each: Untellable): number {
  switch (each.is) {
    case 'size':
      return each.conflict.run;
    case 'gap':
      return each.gap.run;
    case 'pixelSize':
      return itemAt(each.runs, 0);
    default:
      return each.run;
  }
}

function propOf(plan: Plan, each: Untellable): Pick<Finding, 'propId'> {
  return { propId: propOfRun(plan, runOf(each)).id };
}

function messageOf(plan: Plan, index: number, each: Untellable): string {
  const device = controllerAt(plan, index);
  const telling = tellingOfController(plan, index);
  const universeWords = (universe: number) =>
    `${universesOf(device)?.short ?? 'universe '}${toldUniverse(device, universe)}`;
  switch (each.is) {
    case 'gap': {
      const { run, after, from, to } = each.gap;
      const at = ({ universe, channel }: typeof from) =>
        universe === null ? `byte ${channel - 1}` : `${universeWords(universe)} channel ${channel}`;
      const reads =
        telling.starts.value === 'device'
          ? `${device.name} counts on from one start over all its ports`
          : `Port ${portName(device, wireOfRun(plan, run).port)} reads on from one start`;
      const lies =
        run === after
          ? `a part of ${runName(plan, run)}`
          : `${runName(plan, run)}, behind ${runName(plan, after)},`;
      return `${reads} and would find ${lies} at ${at(from)}, but it begins at ${at(to)}. No value brings the two together, so it shows the wrong part of the picture (${standingWords(telling.starts)}).`;
    }
    case 'size': {
      const { universe, channels, other } = each.conflict;
      const takes =
        other.universe === universe
          ? `${device.name} takes one size for each universe, but its runs need ${other.channels} and ${channels} channels in ${universeWords(universe)}`
          : other.universe === null
            ? `${device.name} counts ${other.channels} channels in ${universeWords(universe)} and cannot be told otherwise, but its runs need ${channels} there`
            : `${device.name} takes one universe size, but its runs need ${other.channels} in ${universeWords(other.universe)} and ${channels} in ${universeWords(universe)}`;
      return `${takes} (${standingWords(telling.universeSizes)}). Colours are wrong from there on.`;
    }
    case 'hidden':
      return `${countOf(wireOfRun(plan, each.run).skippedPixels, 'hidden pixel')} before ${runName(plan, each.run)} on port ${portName(device, each.port)}: ${device.name} puts hidden pixels ${telling.hides.value === 'never' ? 'nowhere' : 'before the first pixel of a port and nowhere else'} (${standingWords(telling.hides)}). Everything behind them is out of step.`;
    case 'subNet': {
      const parts = (universe: number) => {
        const told = toldUniverse(device, universe);
        const own = universesOf(device)?.partsOf?.(told);
        return `${universeWords(universe)}${own ? ` (net ${own.net}, sub-net ${own.subNet}, universe ${own.universe})` : ''}`;
      };
      return `${device.name} takes one net and sub-net ${telling.subNets.value === 'ofDevice' ? 'for all of its ports' : 'for each four of its ports'}, but ${runName(plan, each.run)} is at ${parts(each.universe)} where the first is at ${parts(each.first)} (${standingWords(telling.subNets)}). What lies in the other sub-net stays dark.`;
    }
    case 'pixelSize':
      return `${device.name} has pixels of ${listOf(each.channels.map(String))} channels on its ports, and takes one number of channels per pixel for all of them (${standingWords(telling.pixelSizes)}). Colours are wrong on the others.`;
    case 'pixelChannels':
      return `${runName(plan, each.run)} has pixels of ${countOf(runAt(plan, each.run).channelsPerPixel, 'channel')}, and ${device.name} takes pixels of ${listOf(telling.pixelChannels.value.map(String))} channels (${standingWords(telling.pixelChannels)}). Use another kind of controller for it, or plan pixels of a kind that it takes.`;
  }
}

/** Ways out, the gentlest first; the first that helps is offered. */
function mendsOf(plan: Plan, index: number, each: Untellable): Mend[] {
  const before = untellableOf(plan, index).length;
  const sharing = countSharing(plan);
  const isGone = (after: LaidShow) => {
    const left = untellableOf(after, index);
    return (
      left.length < before &&
      !left.some(({ is }) => is === each.is) &&
      // One problem is not exchanged for another.
      countSharing(after) <= sharing
    );
  };
  const device = controllerAt(plan, index);
  switch (each.is) {
    case 'gap':
    case 'size':
      return thatHelps(plan, laidOtherwise(plan, index, each), isGone);
    case 'subNet':
      return thatHelps(plan, inOneSubNet(plan, index), isGone);
    case 'hidden':
      return thatHelps(
        plan,
        [
          {
            label: 'Give hidden pixels channels of their own',
            edit: {
              type: 'changeController',
              controllerId: device.id,
              change: { skippedPixelsTakeChannels: true },
            },
          },
        ],
        isGone,
      );
    case 'pixelSize':
      return thatHelps(plan, moveElsewhere(plan, each.runs, index), isGone);
    case 'pixelChannels':
      return [];
  }
}

/** Other layouts of the runs of a controller, one after another: each is made when those before it were no help. */
function* laidOtherwise(plan: Plan, index: number, each: Untellable): Generator<Mend> {
  yield* loosened(plan, index, 'pins');
  yield* loosened(plan, index, 'all');
  yield* inOrderOfPorts(plan);
  yield* packWholePixels(plan, index);
  yield* onePolicy(plan, index);
  if (each.is === 'gap') yield* moveElsewhere(plan, [each.gap.run]);
}

/** A first universe at which a sub-net begins, behind what is locked. */
function* inOneSubNet(plan: Plan, index: number): Generator<Mend> {
  yield* loosened(plan, index, 'pins');
  const { id, name, ...device } = controllerAt(plan, index);
  const own = plan.spans.filter((span) => span.controller === index).map(({ universe }) => universe ?? 0);
  const lowest = toldUniverse(device, Math.min(...own));
  const begins = universeOfTold(device, Math.ceil(lowest / UNIVERSES_PER_SUB_NET) * UNIVERSES_PER_SUB_NET);
  yield {
    label: `Start ${name} at universe ${begins}`,
    edit: { type: 'changeController', controllerId: id, change: { firstUniverse: begins } },
  };
}

function inOrderOfPorts({ show }: Plan): Mend[] {
  return show.addressing.order === 'props'
    ? [
        {
          label: 'Number channels in the order of ports',
          edit: { type: 'setAddressing', change: { order: 'ports' } },
        },
      ]
    : [];
}

/**
 * One universe size for all of a controller that holds whole pixels of each number of channels on it, and no new universes but where it
 * is full.
 */
function onePolicy(plan: Plan, index: number): Mend[] {
  const device = controllerAt(plan, index);
  const runs = portsOfController(plan, index).flatMap((port) => port.runs);
  const whole = runs.map((run) => runAt(plan, run).channelsPerPixel).reduce(leastCommonMultiple, 1);
  const channelsPerUniverse = Math.floor(UNIVERSE_SLOTS / whole) * whole;
  const packing = { kind: 'custom' as const, channelsPerUniverse };
  const props = [...new Set(runs.map((run) => propOfRun(plan, run)))];
  const edits: SingleEdit[] = [
    {
      type: 'changeController',
      controllerId: device.id,
      change: {
        packing,
        newUniverse: 'controller',
        ...(device.portOptions && {
          portOptions: device.portOptions.map(({ packing: _, newUniverse: __, ...options }) => options),
        }),
      },
    },
    ...props.flatMap((prop): SingleEdit[] =>
      prop.packing || prop.newUniverse
        ? [{ type: 'changeProp', propId: prop.id, change: { packing: null, newUniverse: null } }]
        : [],
    ),
    ...plan.show.patch.flatMap(({ controllerId, propId, run, ...entry }): SingleEdit[] =>
      controllerId === device.id && (entry.packing || entry.pin || entry.spareChannels)
        ? [
            {
              type: 'setRunAddress',
              propId,
              run,
              change: { packing: null, pin: null, spareChannels: null },
            },
          ]
        : [],
    ),
  ];
  const label = `Use universe size ${channelsPerUniverse} for all`;
  return [
    {
      label,
      edit: { type: 'batch', label: `${device.name}: universe size ${channelsPerUniverse} for all`, edits },
    },
  ];
}

const leastCommonMultiple = (a: number, b: number): number => (a * b) / greatestCommonDivisor(a, b);
const greatestCommonDivisor = (a: number, b: number): number =>
  b === 0 ? a : greatestCommonDivisor(b, a % b);
