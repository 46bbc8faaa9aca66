import { portName } from '../catalogue/controller';
import { pixelCountOf } from '../props/registry';
import { countOf, groupDigits } from '../units/number';
import type { Problem } from '../fields/problem';
import type { Show } from './schema';

/** The most pixels one show may hold; a plan of this size still fits in a browser's memory. */
const MOST_PIXELS_PER_SHOW = 5_000_000;

/**
 * The rules that span several parts of a show: ids and names that must be unique, and references that must lead
 * somewhere. An empty list means that the show holds together.
 */
export function problemsAcross(show: Show): Problem[] {
  return [
    ...repeated(show.places, 'places', 'id'),
    ...repeated(show.pixelTypes, 'pixelTypes', 'id'),
    ...repeated(show.props, 'props', 'id'),
    ...repeated(show.controllers, 'controllers', 'id'),
    ...repeated(show.controllerTypes, 'controllerTypes', 'id'),
    ...repeated(show.tasks, 'tasks', 'id'),
    ...repeated(show.supplies, 'supplies', 'id'),
    ...repeated(show.feeds, 'feeds', 'id'),
    ...repeated(show.cuts, 'cuts', 'id'),
    ...repeated(show.joints, 'joints', 'id'),
    ...repeated(show.places, 'places', 'name'),
    ...repeated(show.props, 'props', 'name'),
    ...repeated(show.controllers, 'controllers', 'label'),
    ...repeated(show.supplies, 'supplies', 'name'),
    ...repeated(show.feeds, 'feeds', 'name'),
    ...repeated(show.joints, 'joints', 'name'),
    ...propProblems(show),
    ...patchProblems(show),
    ...deviceProblems(show),
    ...powerProblems(show),
  ];
}

function repeated<Key extends 'id' | 'name' | 'label', Item extends Partial<Record<Key, string>>>(
  items: readonly Item[],
  list: string,
  key: Key,
): Problem[] {
  const firstAt = new Map<string, number>();
  const problems: Problem[] = [];
  items.forEach((item, i) => {
    const value = item[key] as string;
    const first = firstAt.get(value.toLowerCase());
    if (first === undefined) firstAt.set(value.toLowerCase(), i);
    else
      problems.push({
        path: `${list}[${i}].${key}`,
        message: `The ${key} “${value}” is used twice, by ${list}[${first}] and ${list}[${i}]; each ${key} is used once.`,
      });
  });
  return problems;
}

function propProblems(show: Show): Problem[] {
  const problems: Problem[] = [];
  const places = new Set(show.places.map((place) => place.id));
  const types = new Set(show.pixelTypes.map((type) => type.id));
  let pixels = 0;
  show.props.forEach((prop, i) => {
    pixels += pixelCountOf(prop);
    if (!places.has(prop.placeId))
      problems.push({
        path: `props[${i}].placeId`,
        message: `${prop.name} is at the place “${prop.placeId}”, which the show does not have. ${listed('Its places are', places)}`,
      });
    if (!types.has(prop.pixelTypeId))
      problems.push({
        path: `props[${i}].pixelTypeId`,
        message: `${prop.name} uses the pixel type “${prop.pixelTypeId}”, which the show does not have. ${listed('Its pixel types are', types)}`,
      });
  });
  if (pixels > MOST_PIXELS_PER_SHOW)
    problems.push({
      path: 'props',
      message: `The props have ${groupDigits(pixels)} pixels together; a show holds at most ${groupDigits(MOST_PIXELS_PER_SHOW)}.`,
    });
  return problems;
}

/** Settings of devices must be about devices, and ports, that are there. */
function deviceProblems(show: Show): Problem[] {
  const controllers = new Set(show.controllers.map((controller) => controller.id));
  const types = new Set(show.controllerTypes.map((type) => type.id));
  const problems: Problem[] = [];
  show.tasks.forEach((task, i) => {
    if (!controllers.has(task.controllerId))
      problems.push({
        path: `tasks[${i}].controllerId`,
        message: `tasks[${i}] names the controller “${task.controllerId}”, which the show does not have. ${listed('Its controllers are', controllers)}`,
      });
  });
  show.controllers.forEach((controller, i) => {
    if (controller.typeId !== undefined && !types.has(controller.typeId))
      problems.push({
        path: `controllers[${i}].typeId`,
        message: `${controller.name} is of the kind “${controller.typeId}”, which the show does not have. ${listed('Its kinds are', types)}`,
      });
    const ports = new Set<number>();
    controller.portOptions?.forEach(({ port }, at) => {
      const path = `controllers[${i}].portOptions[${at}].port`;
      if (port > controller.ports)
        problems.push({
          path,
          message: `${controller.name} has options for port ${portName(controller, port)}, but has ${countOf(controller.ports, 'port')}, ${portName(controller, 1)} to ${portName(controller, controller.ports)}.`,
        });
      else if (ports.has(port))
        problems.push({
          path,
          message: `${controller.name} has options for port ${portName(controller, port)} twice; each port is named once.`,
        });
      ports.add(port);
    });
  });
  return problems;
}

/** Leads come from something and go to something that the show has. */
function powerProblems(show: Show): Problem[] {
  const problems: Problem[] = [];
  const places = new Set(show.places.map((place) => place.id));
  const supplies = new Set(show.supplies.map((supply) => supply.id));
  const props = new Set(show.props.map((prop) => prop.id));
  const controllers = new Map(show.controllers.map((controller) => [controller.id, controller]));
  const missing = (path: string, what: string, id: string, all: Iterable<string>) =>
    problems.push({
      path,
      message: `${path} names the ${what} “${id}”, which the show does not have. ${listed('It has', all)}`,
    });
  show.supplies.forEach(({ placeId }, i) => {
    if (placeId !== undefined && !places.has(placeId))
      missing(`supplies[${i}].placeId`, 'place', placeId, places);
  });
  show.feeds.forEach(({ from, pieces }, i) => {
    if (from.kind === 'supply') {
      if (!supplies.has(from.supplyId))
        missing(`feeds[${i}].from.supplyId`, 'supply', from.supplyId, supplies);
    } else {
      const controller = controllers.get(from.controllerId);
      if (!controller)
        missing(`feeds[${i}].from.controllerId`, 'controller', from.controllerId, controllers.keys());
      else if (from.port > controller.ports)
        problems.push({
          path: `feeds[${i}].from.port`,
          message: `feeds[${i}] comes from port ${portName(controller, from.port)}, but ${controller.name} has ${countOf(controller.ports, 'port')}.`,
        });
    }
    pieces.forEach(({ to }, at) => {
      const path = `feeds[${i}].pieces[${at}].to`;
      if (to.kind === 'controller') {
        if (!controllers.has(to.controllerId))
          missing(`${path}.controllerId`, 'controller', to.controllerId, controllers.keys());
      } else if (!props.has(to.propId)) missing(`${path}.propId`, 'prop', to.propId, props);
    });
  });
  show.cuts.forEach(({ propId }, i) => {
    if (!props.has(propId)) missing(`cuts[${i}].propId`, 'prop', propId, props);
  });
  show.joints.forEach(({ propId }, i) => {
    if (propId !== undefined && !props.has(propId)) missing(`joints[${i}].propId`, 'prop', propId, props);
  });
  return problems;
}

function patchProblems(show: Show): Problem[] {
  const problems: Problem[] = [];
  const props = new Map(show.props.map((prop) => [prop.id, prop]));
  const controllers = new Map(show.controllers.map((controller) => [controller.id, controller]));
  const firstAt = new Map<string, number>();
  show.patch.forEach((entry, i) => {
    const prop = props.get(entry.propId);
    const controller = controllers.get(entry.controllerId);
    if (!prop)
      problems.push({
        path: `patch[${i}].propId`,
        message: `patch[${i}] names the prop “${entry.propId}”, which the show does not have.`,
      });
    if (!controller)
      problems.push({
        path: `patch[${i}].controllerId`,
        message: `patch[${i}] names the controller “${entry.controllerId}”, which the show does not have. ${listed('Its controllers are', controllers.keys())}`,
      });
    else if (entry.port > controller.ports)
      problems.push({
        path: `patch[${i}].port`,
        message: `${prop?.name ?? entry.propId} run ${entry.run} is on port ${portName(controller, entry.port)}, but ${controller.name} has ${countOf(controller.ports, 'port')}, ${portName(controller, 1)} to ${portName(controller, controller.ports)}.`,
      });
    const key = `${entry.propId} ${entry.run}`;
    const first = firstAt.get(key);
    if (first === undefined) firstAt.set(key, i);
    else
      problems.push({
        path: `patch[${i}]`,
        message: `${prop?.name ?? entry.propId} run ${entry.run} is put on a port twice, by patch[${first}] and patch[${i}]; a run is fed by one port.`,
      });
  });
  return problems;
}

function listed(lead: string, ids: Iterable<string>): string {
  const all = [...ids];
  if (all.length === 0) return 'It has none yet.';
  return `${lead} ${all.slice(0, 8).join(', ')}${all.length > 8 ? ` and ${all.length - 8} more` : ''}.`;
}
