import { universesOf } from '../protocols/registry';
import type { PlannedPort } from '../patch/plug';
import { portsOfController } from '../plan/planIndex';
import { universesOfController, universesOfRun } from '../devices/universeSizes';
import { thatHelps } from './thatHelps';
import { drivenOnPort } from '../devices/drivenPixels';
import { portAddressOn } from '../addressing/numbering';
import { isPanelled } from '../props/registry';
import { usableChannels } from '../catalogue/packing';
import type { ControllerType } from '../catalogue/controllerType';
import { standingWords } from '../figures/figure';
import { classOf } from '../catalogue/controllers/registry';
import { pixelsPerPortWith } from '../catalogue/controllerType';
import type { Controller } from '../catalogue/controller';
import { portName } from '../catalogue/controller';
import { policyOfRun } from '../plan/plan';
import type { LaidShow, Plan } from '../plan/planned';
import { countOf, groupDigits } from '../units/number';
import { defineCheck, type Finding, type Mend } from './check';
import type { Rank } from './rank';
import { moveElsewhere } from './moveElsewhere';
import { packWholePixels } from './packWholePixels';
import { splitToFit } from './splitToFit';
import { itemAt } from '../units/there';
import { runAt, propOfRun } from '../plan/records';

/** Limits of a kind of controller, with their sources. */
export const deviceLimits = defineCheck(
  'device-limits',
  'A controller is asked for no more than its kind can do: pixels, universes, packing, straddling pixels, Art-Net nets.',
  (plan) =>
    plan.show.controllers.flatMap((controller, index) => {
      const type = plan.show.controllerTypes.find((each) => each.id === controller.typeId);
      return [
        ...(type ? limitsOfType(plan, controller, index, type) : []),
        ...ownRange(plan, controller, index),
      ];
    }),
);

function finding(controller: Controller, rank: Rank, message: string, mends: Mend[] = []) {
  return { rank, stage: 'patch' as const, controllerId: controller.id, message, mends };
}

function limitsOfType(
  plan: Plan,
  controller: Controller,
  index: number,
  type: ControllerType,
): Omit<Finding, 'check'>[] {
  const found: Omit<Finding, 'check'>[] = [];
  const ports = plan.ports.filter((port) => port.controller === index);
  const spans = plan.spans.filter((span) => span.controller === index && span.universe !== null);
  const universes = new Set(spans.map((span) => span.universe!));
  const total = drivenBy(plan, index);
  const policies = ports.flatMap((port) => port.runs.map((run) => policyOfRun(plan, run)));
  /** The last runs of the controller elsewhere, as many as it takes. */
  const lastElsewhere = (isGone: (after: LaidShow) => boolean) => {
    const runs = ports.flatMap((port) => port.runs);
    return thatHelps(
      plan,
      [1, 2, 4, 8, 16]
        .filter((count) => count < runs.length || count === 1)
        .flatMap((count) => moveElsewhere(plan, runs.slice(-count), index)),
      isGone,
    );
  };
  const perPort = pixelsPerPortWith(type, ports.length);
  const over = ports.find((port) => {
    const driven = drivenOnPort(plan, port);
    return driven > perPort && driven <= controller.mostPixelsPerPort;
  });
  const change = (words: string, to: Partial<Controller>): Mend => ({
    label: words,
    edit: { type: 'changeController', controllerId: controller.id, change: to },
  });
  if (over)
    found.push(
      finding(
        controller,
        'willNotLight',
        `Port ${portName(controller, over.port)} drives ${countOf(drivenOnPort(plan, over), 'pixel')}, but with ${countOf(ports.length, 'port')} switched on ${controller.name} drives ${groupDigits(perPort)} on each (${standingWords(type.pixelsPerPort)}). The rest stays dark.`,
        [change(`Count on ${groupDigits(perPort)} a port`, { mostPixelsPerPort: perPort })],
      ),
    );
  if (type.mostPixels && total > type.mostPixels.value)
    found.push(
      finding(
        controller,
        'willNotLight',
        `${controller.name} is to drive ${countOf(total, 'pixel')}, ${groupDigits(total - type.mostPixels.value)} more than it can (${standingWords(type.mostPixels)}). The last of them stay dark.`,
        lastElsewhere((after) => drivenBy(after, index) <= type.mostPixels!.value),
      ),
    );
  const fitsUniverses = (after: LaidShow) =>
    universesOfController(after, index).size <= type.mostUniverses!.value;
  if (type.mostUniverses && universes.size > type.mostUniverses.value)
    found.push(
      finding(
        controller,
        'willNotLight',
        `${controller.name} needs ${countOf(universes.size, 'universe')}, and takes ${type.mostUniverses.value} (${standingWords(type.mostUniverses)}). What lies beyond stays dark.`,
        [
          ...(policies.some(({ packing }) => packing.kind === 'custom')
            ? thatHelps(plan, packWholePixels(plan, index), fitsUniverses)
            : []),
          ...lastElsewhere(fitsUniverses),
        ],
      ),
    );
  const refused =
    universes.size > 0 &&
    policies.some(({ packing }) => type.packings?.value.includes(packing.kind) === false);
  if (type.packings && refused)
    found.push(
      finding(
        controller,
        'willNotLight',
        `${controller.name} does not take this packing (${standingWords(type.packings)}). Colours rotate from the second universe on.`,
        type.packings.value.includes('wholePixels') ? packWholePixels(plan, index) : [],
      ),
    );
  const straddles = spans.some(
    ({ run, runChannel }) => runChannel > 0 && runChannel % runAt(plan, run).channelsPerPixel !== 0,
  );
  if (type.straddles?.value === false && straddles)
    found.push(
      finding(
        controller,
        'willNotLight',
        `Pixels lie across two universes on ${controller.name}, which does not take that (${standingWords(type.straddles)}). One pixel at each border shows wrong colours.`,
        packWholePixels(plan, index),
      ),
    );
  if (type.severalUniversesPerPort?.value === false)
    for (const port of ports) {
      const own = new Set(spans.filter((span) => port.runs.includes(span.run)).map((span) => span.universe));
      if (own.size > 1) {
        found.push(
          finding(
            controller,
            'willNotLight',
            `Port ${portName(controller, port.port)} needs ${own.size} universes, and reads one (${standingWords(type.severalUniversesPerPort)}). Everything after the first stays dark.`,
            port.runs.length > 1
              ? moveElsewhere(plan, beyondFirstUniverse(plan, port))
              : splitToFit(plan, port, pixelsOfUniverse(plan, itemAt(port.runs, 0))),
          ),
        );
        break;
      }
    }
  if (universesOf(controller)?.partsOf && type.artNetNets?.value === false) {
    const high = [...universes].find((universe) => portAddressOn(controller, universe) > 255);
    if (high !== undefined)
      found.push(
        finding(
          controller,
          'willNotLight',
          `Universe ${high} is Art-Net port-address ${portAddressOn(controller, high)}, and ${controller.name} speaks a version without nets: it reaches 0 to 255 (${standingWords(type.artNetNets)}). It hears nothing there, or what is meant for another.`,
          [change(`Send it E1.31 instead`, { protocol: 'e131' })],
        ),
      );
  }
  const hasWall = ports.some((port) => port.runs.some((run) => isRunPanelled(plan, run)));
  const drivesPanels = classOf(type).drivesPanels ?? false;
  if (ports.length > 0 && hasWall !== drivesPanels)
    found.push(
      finding(
        controller,
        'willNotLight',
        hasWall
          ? `${controller.name} is a ${classOf(type).label}, which drives no panels.`
          : `${controller.name} is a ${classOf(type).label}, which drives panels, not strings of pixels.`,
        takeOff(plan, ports, hasWall),
      ),
    );
  return found;
}

/** Runs of a port that do not lie in the universe of its first one; none where that lies in several itself. */
function beyondFirstUniverse(plan: Plan, { runs }: PlannedPort): number[] {
  const [first, more] = [...universesOfRun(plan, itemAt(runs, 0)).keys()];
  if (more !== undefined) return [];
  return runs.filter((run) => [...universesOfRun(plan, run).keys()].some((universe) => universe !== first));
}

/** Pixels that a controller has to drive on all its ports. */
function drivenBy(plan: LaidShow, index: number): number {
  return portsOfController(plan, index).reduce((sum, port) => sum + drivenOnPort(plan, port), 0);
}

/** Pixels of a run that go into one universe. */
function pixelsOfUniverse(plan: Plan, index: number): number {
  const { channelsPerPixel } = runAt(plan, index);
  return Math.floor(usableChannels(policyOfRun(plan, index).packing, channelsPerPixel) / channelsPerPixel);
}

/** Takes off what a controller cannot drive: panels, or what is none. */
function takeOff(plan: Plan, ports: Plan['ports'], panels: boolean): Mend[] {
  const runs = ports.flatMap((port) => port.runs).filter((run) => isRunPanelled(plan, run) === panels);
  return [
    {
      label: `Take ${runs.length === 1 ? propOfRun(plan, itemAt(runs, 0)).name : `${runs.length} runs`} off it`,
      edit: {
        type: 'putRuns',
        runs: [],
        takenOff: runs.map((run) => ({
          propId: propOfRun(plan, run).id,
          run: runAt(plan, run).number,
        })),
      },
    },
  ];
}

function ownRange(plan: Plan, controller: Controller, index: number): Omit<Finding, 'check'>[] {
  if (controller.lastUniverse === undefined) return [];
  const highest = plan.spans.reduce(
    (most, span) =>
      span.controller === index && span.universe !== null ? Math.max(most, span.universe) : most,
    0,
  );
  if (highest <= controller.lastUniverse) return [];
  return [
    finding(
      controller,
      'willLookWrong',
      `${controller.name} is to stay within universe ${controller.lastUniverse}, but its runs go on to universe ${highest}. Another device may listen there.`,
      [
        {
          label: `Let it have universes up to ${highest}`,
          edit: { type: 'changeController', controllerId: controller.id, change: { lastUniverse: highest } },
        },
      ],
    ),
  ];
}

function isRunPanelled(plan: Plan, run: number): boolean {
  return isPanelled(propOfRun(plan, run));
}
