import { portName } from '../catalogue/controller';
import { SHIPPED_CONTROLLER_TYPES, limitsOfType, type ControllerType } from '../catalogue/controllerType';
import { classOf } from '../catalogue/controllers/registry';
import { drivenPixels } from '../devices/drivenPixels';
import { drives, freePorts } from '../answers/ports/freePorts';
import type { Plan } from '../plan/planned';
import { runName } from '../plan/runName';
import { isPanelled, kindOf } from '../props/registry';
import { newController } from '../show/newController';
import { fewestRuns } from '../threading/split';
import { countOf, groupDigits } from '../units/number';
import type { Mend } from './check';
import { portsWords } from './moveElsewhere';
import { itemAt, lastOf } from '../units/there';
import { propAt, plannedAt, runAt, controllerAt, propOfRun } from '../plan/records';

/** Runs of one prop that are on no port, and that no free port takes as they are. */
interface Homeless {
  plan: Plan;
  /** Index of the prop. */
  prop: number;
  /** Indices of its runs on no port, in order. */
  loose: readonly number[];
}

const needsPanels = ({ plan, prop }: Homeless) => isPanelled(propAt(plan, prop));

function largestOf({ plan, loose }: Homeless): number {
  return Math.max(...loose.map((run) => drivenPixels(plan, run)));
}

/** Why no free port takes them, as the end of a sentence. */
export function whyHomeless(homeless: Homeless): string {
  const { plan, loose } = homeless;
  const { controllers } = plan.show;
  if (controllers.length === 0) {
    const own = propAt(plan, homeless.prop);
    const usual = kindOf(own).usualControllers?.(own.threading) ?? [];
    return usual.length > 1
      ? 'there is no controller yet. Choose what lights it'
      : 'there is no controller yet';
  }
  const panelled = needsPanels(homeless);
  const free = freePorts(plan);
  if (free.length === 0)
    return `all ${countOf(ports(plan), 'port')} of the controllers hold something or are reserved`;
  const suited = suitedPorts(plan, panelled);
  if (suited.length === 0)
    return panelled
      ? 'the free ports are for strings, and panels need a card or a player for panels'
      : 'the free ports are for panels, and strings need a controller for strings';
  const largest = largestOf(homeless);
  const best = itemAt(suited, 0);
  if (limitAt(plan, best) < largest)
    return `it takes ${countOf(largest, 'pixel')}, and the free ports drive at most ${groupDigits(limitAt(plan, best))} (${nameOf(plan, best)})`;
  return `${countOf(loose.length, 'port')} would be needed, and only ${groupDigits(suited.length)} that ${suited.length === 1 ? 'is' : 'are'} free drive${suited.length === 1 ? 's' : ''} as much`;
}

/** Alternatives, the least trouble first: behind another run, in more runs, with the limit of its kind, on another controller. */
export function homesElsewhere(homeless: Homeless): Mend[] {
  return [
    ...behindAnother(homeless),
    ...inMoreRuns(homeless),
    ...withLimitOfKind(homeless),
    ...onNewController(homeless),
  ];
}

/** At the end of a port that has room and pixels of the same type. */
function behindAnother({ plan, prop, loose }: Homeless): Mend[] {
  const [run] = loose;
  if (loose.length !== 1 || isPanelled(propAt(plan, prop))) return [];
  const { pixelTypeId, id } = propAt(plan, prop);
  const pixels = drivenPixels(plan, run!);
  const home = plan.ports.find(
    ({ controller, port, places, runs }) =>
      drives(plan, controller, false) &&
      !isReserved(plan, controller, port) &&
      places + pixels <= controllerAt(plan, controller).mostPixelsPerPort &&
      runs.every((each) => {
        const other = propOfRun(plan, each);
        return other.pixelTypeId === pixelTypeId && !isPanelled(other);
      }),
  );
  if (!home) return [];
  const device = controllerAt(plan, home.controller);
  return [
    {
      label: `Put behind ${runName(plan, lastOf(home.runs))} on ${portName(device, home.port)}`,
      edit: {
        type: 'putRun',
        propId: id,
        run: runAt(plan, run!).number,
        controllerId: device.id,
        port: home.port,
      },
    },
  ];
}

/** Split into the fewest runs that the free ports take, each on a port of its own. */
function inMoreRuns({ plan, prop: index, loose }: Homeless): Mend[] {
  const prop = propAt(plan, index);
  const planned = plannedAt(plan, index);
  // With some runs on ports, a new split would change their contents.
  if (isPanelled(prop) || loose.length !== planned.runCount) return [];
  if (plan.show.patch.some((entry) => entry.propId === prop.id)) return [];
  const free = suitedPorts(plan, false);
  const limits = [...new Set(free.map((place) => limitAt(plan, place)))].sort((a, b) => b - a);
  const lengths = planned.strands.map((strand) => strand.pixelCount);
  for (const limit of limits) {
    const runs = fewestRuns(lengths, limit);
    const homes = free.filter((place) => limitAt(plan, place) >= limit).slice(0, runs ?? 0);
    if (runs === null || runs <= planned.runCount || homes.length < runs) continue;
    return [
      {
        label: `Split into ${runs} runs, on ${portsWords(homes.map((place) => nameOf(plan, place)))}`,
        edit: {
          type: 'batch',
          label: `Split ${prop.name} into ${runs} runs and put them on ports`,
          edits: [
            { type: 'setThreading', propId: prop.id, threading: { ...prop.threading, runs } },
            {
              type: 'putRuns',
              runs: homes.map(({ controller, port }, i) => ({
                propId: prop.id,
                run: i + 1,
                controllerId: controllerAt(plan, controller).id,
                port,
              })),
            },
          ],
        },
      },
    ];
  }
  return [];
}

/** A controller may be set to less than its kind drives on a port. */
function withLimitOfKind(homeless: Homeless): Mend[] {
  const { plan, prop, loose } = homeless;
  const [run] = loose;
  if (loose.length !== 1) return [];
  const pixels = drivenPixels(plan, run!);
  for (const place of freePorts(plan)) {
    const device = controllerAt(plan, place.controller);
    const type = plan.show.controllerTypes.find((each) => each.id === device.typeId);
    if (!type || !drives(plan, place.controller, needsPanels(homeless))) continue;
    const most = mostAt(type, device.ports);
    if (most < pixels || most <= device.mostPixelsPerPort) continue;
    const source = type.pixelsPerPort.source ?? type.pixelsPerPort.basis;
    return [
      {
        label: `Let ${device.name} drive ${groupDigits(most)} pixels a port (${type.name}: ${source}), and put it on ${nameOf(plan, place)}`,
        edit: {
          type: 'batch',
          label: `${device.name}: ${groupDigits(most)} pixels a port`,
          edits: [
            { type: 'changeController', controllerId: device.id, change: { mostPixelsPerPort: most } },
            {
              type: 'putRun',
              propId: propAt(plan, prop).id,
              run: runAt(plan, run!).number,
              controllerId: device.id,
              port: place.port,
            },
          ],
        },
      },
    ];
  }
  return [];
}

/** The usual kinds for such a prop, else the one with the fewest ports that takes all of its runs. */
function onNewController(homeless: Homeless): Mend[] {
  const { plan, prop, loose } = homeless;
  const panelled = needsPanels(homeless);
  const largest = largestOf(homeless);
  const own = propAt(plan, prop);
  const usual: readonly string[] = kindOf(own).usualControllers?.(own.threading) ?? [];
  const known = plan.show.controllerTypes;
  const types = [
    ...known,
    ...SHIPPED_CONTROLLER_TYPES.filter((type) => !known.some(({ id }) => id === type.id)),
  ].filter((type) => {
    const { ports: has, mostPixelsPerPort } = limitsOfType(type);
    return (
      (classOf(type).drivesPanels ?? false) === panelled &&
      // An Ethernet controller takes any string; other kinds are for what is usually driven by them.
      (panelled || known.includes(type) || type.class === 'ethernet' || usual.includes(type.id)) &&
      has >= loose.length &&
      mostPixelsPerPort >= largest
    );
  });
  const offered = usual.flatMap((id) => types.find((type) => type.id === id) ?? []);
  const smallest = types.reduce<ControllerType | null>(
    (best, each) => (best === null || limitsOfType(each).ports < limitsOfType(best).ports ? each : best),
    null,
  );
  return (offered.length > 0 ? offered : smallest ? [smallest] : []).map((type) => {
    const { controller, edits } = newController(plan.show, type);
    return {
      label: `Add a controller: ${type.name}`,
      edit: {
        type: 'batch',
        label: `Add ${controller.name} for ${propAt(plan, prop).name}`,
        edits: [
          ...edits,
          {
            type: 'putRuns',
            runs: loose.map((run, i) => ({
              propId: propAt(plan, prop).id,
              run: runAt(plan, run).number,
              controllerId: controller.id,
              port: i + 1,
            })),
          },
        ],
      },
    };
  });
}

interface Place {
  controller: number;
  port: number;
}

/** Free ports of each plan for strings and for panels, those that drive most first: they are asked for with every prop. */
const known = new WeakMap<Plan, Map<boolean, readonly Place[]>>();

function suitedPorts(plan: Plan, panelled: boolean): readonly Place[] {
  const ofPlan = known.get(plan) ?? new Map<boolean, readonly Place[]>();
  known.set(plan, ofPlan);
  let suited = ofPlan.get(panelled);
  if (!suited) {
    suited = freePorts(plan)
      .filter(({ controller }) => drives(plan, controller, panelled))
      .sort((a, b) => limitAt(plan, b) - limitAt(plan, a));
    ofPlan.set(panelled, suited);
  }
  return suited;
}

const limitAt = (plan: Plan, { controller }: Place) => controllerAt(plan, controller).mostPixelsPerPort;
const nameOf = (plan: Plan, { controller, port }: Place) => portName(controllerAt(plan, controller), port);
const ports = ({ show }: Plan) => show.controllers.reduce((sum, each) => sum + each.ports, 0);

function isReserved(plan: Plan, controller: number, port: number): boolean {
  return (
    controllerAt(plan, controller).portOptions?.some((each) => each.port === port && each.reserved) ?? false
  );
}

/** Pixels a port of a kind with so many ports switched on; 0 with more than it has. */
function mostAt(type: ControllerType, portsOn: number): number {
  return type.pixelsPerPort.value.find(({ upToPorts }) => portsOn <= upToPorts)?.pixels ?? 0;
}
