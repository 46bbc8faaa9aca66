import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import { groupDigits } from '@/core/units/number';
import type { Subject } from './address';
import type { Selection } from './selection';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, runAt, controllerAt } from '@/core/plan/records';

/** Title of a view: `Net curtain, run 2, pixel 14`, `Port A1`. */
export function subjectWords(plan: Plan, selection: Selection, subject: Subject | null): string {
  if (!subject) return 'All props';
  const controller = selection.controller === undefined ? null : controllerAt(plan, selection.controller);
  if (controller && subject.kind === 'controller') return controller.name;
  if (controller && selection.port !== undefined) return `Port ${portName(controller, selection.port)}`;
  if (selection.prop === undefined) return 'All props';
  const { name } = propAt(plan, selection.prop);
  if (subject.kind !== 'prop' || subject.run === undefined || selection.run === undefined) return name;
  const run = `${name}, run ${subject.run}`;
  return selection.pixel === undefined ? run : `${run}, pixel ${groupDigits(subject.pixel!)}`;
}

/** The device, or the prop, that is chosen; null while it is the whole show. */
export function chosenName({ show }: Plan, { prop, controller }: Selection): string | null {
  if (controller !== undefined) return itemAt(show.controllers, controller).name;
  return prop === undefined ? null : itemAt(show.props, prop).name;
}

/** The part of an address that is not in the show, and its replacement. Null where all of it is there. */
export function missingWords(plan: Plan, selection: Selection, subject: Subject | null): string | null {
  if (!subject) return null;
  if (subject.kind === 'controller')
    return selection.controller === undefined
      ? 'This address names a controller that is not in the show.'
      : null;
  if (subject.kind === 'port') {
    if (selection.port === undefined)
      return `There is no port ${subject.port} in this show. Choose one of those listed.`;
    if (subject.place === undefined || selection.pixel !== undefined) return null;
    const planned = plan.ports.find(
      (each) => each.controller === selection.controller && each.port === selection.port,
    );
    // A skipped pixel is on the wire but belongs to no prop.
    if (planned && subject.place <= planned.pixels) return null;
    return `Port ${subject.port} has no pixel ${groupDigits(subject.place)}: ${
      planned ? `its wire ends with ${groupDigits(planned.pixels)}` : 'nothing is on it'
    }.`;
  }
  if (selection.prop === undefined)
    return 'This address names a prop that is not in the show: it was removed, or the address belongs to another show.';
  const { runCount } = plannedAt(plan, selection.prop);
  const { name } = propAt(plan, selection.prop);
  if (subject.run === undefined) return null;
  if (selection.run === undefined)
    return `${name} has no run ${groupDigits(subject.run)}: it has ${groupDigits(runCount)}.`;
  if (subject.pixel === undefined || selection.pixel !== undefined) return null;
  return `Run ${groupDigits(subject.run)} of ${name} has no pixel ${groupDigits(subject.pixel)}: it ends with ${groupDigits(
    runAt(plan, selection.run).pixelCount,
  )}.`;
}
