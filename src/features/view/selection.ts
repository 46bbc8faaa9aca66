import { findInRun, findOnWire } from '@/core/answers/lookup';
import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import type { SearchHit } from '@/core/search/query';
import { stageShowing, type StageId } from '@/core/stages/stages';
import type { Subject } from './address';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, runAt, controllerAt } from '@/core/plan/records';

/** Indices of the view's subject in a plan. Undefined where the plan has no such thing. */
export interface Selection {
  prop?: number;
  run?: number;
  pixel?: number;
  controller?: number;
  port?: number;
}

export function selectionOf(plan: Plan, subject: Subject | null): Selection {
  if (!subject) return {};
  const { show } = plan;
  if (subject.kind === 'controller') {
    const controller = show.controllers.findIndex((each) => each.id === subject.controllerId);
    return controller === -1 ? {} : { controller };
  }
  if (subject.kind === 'prop') {
    const prop = show.props.findIndex((each) => each.id === subject.propId);
    if (prop === -1) return {};
    const { firstRun, runCount } = plannedAt(plan, prop);
    if (subject.run === undefined || subject.run > runCount) return { prop };
    const pixel =
      subject.pixel === undefined ? undefined : findInRun(plan, subject.propId, subject.run, subject.pixel);
    return { prop, run: firstRun + subject.run - 1, pixel };
  }
  const controller = show.controllers.findIndex(({ label }) => subject.port.replace(/\d+$/, '') === label);
  const port = Number(/\d+$/.exec(subject.port)?.[0]);
  if (controller === -1 || !(port >= 1 && port <= itemAt(show.controllers, controller).ports)) return {};
  const planned = plan.ports.find((each) => each.controller === controller && each.port === port);
  const hit = subject.place === undefined ? undefined : findOnWire(plan, controller, port, subject.place);
  if (hit?.kind === 'pixel') return { controller, port, ...ofPixel(plan, hit.pixel) };
  const run = hit?.kind === 'skipped' ? hit.run : planned?.runs[0];
  return { controller, port, ...(run === undefined ? {} : { run, prop: runAt(plan, run).prop }) };
}

function ofPixel(plan: Plan, pixel: number): Selection {
  const run = plan.pixels.run[pixel]!;
  return { pixel, run, prop: runAt(plan, run).prop };
}

/** A pixel as the subject of a view. */
export function subjectOfPixel(plan: Plan, pixel: number): Subject {
  const run = runAt(plan, plan.pixels.run[pixel]!);
  return {
    kind: 'prop',
    propId: propAt(plan, run.prop).id,
    run: run.number,
    pixel: pixel - run.firstPixel + 1,
  };
}

/** Target of a search hit: the stage where one is, if that can show it, else one that can. */
export function viewOfHit(
  plan: Plan,
  hit: SearchHit,
  current: string,
): { stage: StageId; subject: Subject | null } {
  switch (hit.kind) {
    case 'prop':
      return {
        stage: stageShowing('prop', current).id,
        subject: { kind: 'prop', propId: propAt(plan, hit.prop).id },
      };
    case 'pixel':
      return { stage: stageShowing('pixel', current).id, subject: subjectOfPixel(plan, hit.pixel) };
    case 'port':
      return {
        stage: stageShowing('port', current).id,
        subject: { kind: 'port', port: portName(controllerAt(plan, hit.controller), hit.port) },
      };
    case 'controller':
      return {
        stage: stageShowing('controller', current).id,
        subject: { kind: 'controller', controllerId: controllerAt(plan, hit.controller).id },
      };
    case 'place': {
      // A place is seen at its first prop.
      const { id } = itemAt(plan.show.places, hit.place);
      const prop = plan.show.props.find((each) => each.placeId === id);
      return {
        stage: stageShowing('prop', current).id,
        subject: prop ? { kind: 'prop', propId: prop.id } : null,
      };
    }
    case 'supply':
      return { stage: 'power', subject: null };
    case 'lead': {
      const { to } = itemAt(itemAt(plan.show.feeds, hit.feed).pieces, 0);
      return {
        stage: 'power',
        subject: to.kind === 'controller' ? null : { kind: 'prop', propId: to.propId },
      };
    }
    case 'skipped': {
      const { prop, number } = runAt(plan, hit.run);
      // A pixel before the run is seen where its port is.
      return {
        stage: stageShowing('port', current).id,
        subject: { kind: 'prop', propId: propAt(plan, prop).id, run: number },
      };
    }
  }
}
