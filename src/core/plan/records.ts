import type { Controller } from '../catalogue/controller';
import type { PixelType } from '../catalogue/pixelType';
import { isOf, type Prop, type PropKindName, type PropOf } from '../props/registry';
import type { Show } from '../show/schema';
import { byId, itemAt } from '../units/there';
import type { RunOnWire } from '../patch/plug';
import type { LaidShow, PlannedProp, PlannedRun } from './planned';

type OfShow = Pick<LaidShow, 'show'>;

/** The records behind the indices of a plan. Each throws a RangeError for an index that leads nowhere. */
export const propAt = ({ show }: OfShow, index: number): Prop => itemAt(show.props, index);
/** A prop that is of one kind, for what only that kind has. @throws RangeError where it is of another */
export function propOfKind<Kind extends PropKindName>(of: OfShow, index: number, kind: Kind): PropOf<Kind> {
  const prop = propAt(of, index);
  if (!isOf(prop, kind)) throw new RangeError(`${prop.name} is no ${kind}.`);
  return prop;
}
export const controllerAt = ({ show }: OfShow, index: number): Controller => itemAt(show.controllers, index);
export const plannedAt = ({ props }: Pick<LaidShow, 'props'>, prop: number): PlannedProp =>
  itemAt(props, prop);
export const runAt = ({ runs }: Pick<LaidShow, 'runs'>, run: number): PlannedRun => itemAt(runs, run);

/** The prop that a run is part of. @param run index in the plan */
export const propOfRun = (plan: Pick<LaidShow, 'show' | 'runs'>, run: number): Prop =>
  propAt(plan, runAt(plan, run).prop);

/** The type of a prop's pixels: a show has no prop without one of its own. */
export const pixelTypeOf = ({ pixelTypes }: Pick<Show, 'pixelTypes'>, prop: Prop): PixelType =>
  byId(pixelTypes, prop.pixelTypeId);

/** The place of a run on its port. @throws RangeError where it is on none */
export function wireOfRun(plan: Pick<LaidShow, 'runs'>, run: number): RunOnWire {
  const { wire } = runAt(plan, run);
  if (!wire) throw new RangeError(`Run ${run} is on no port.`);
  return wire;
}
