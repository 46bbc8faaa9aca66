import { plainOrder, type CorrectedAt } from '../colours/order';
import type { Controller } from '../catalogue/controller';
import type { Addressing } from '../catalogue/packing';
import { kindOf } from '../props/registry';
import type { LaidShow } from '../plan/planned';
import { itemAt } from '../units/there';
import { pixelTypeOf } from '../plan/records';

/** The way of the colours of a run into the order of its chips. */
export interface ColourPlan {
  /** The orders of its chips, the usual one first; more than one where panels of a wall differ. */
  chips: readonly string[];
  correctedAt: CorrectedAt;
  /** Order to set at the controller and in the sender: one of them the plain order. */
  controller: string;
  sender: string;
}

/** The orders of the chips of a prop, the usual one first. */
export function chipOrders({ show }: Pick<LaidShow, 'show'>, prop: number): readonly string[] {
  const own = itemAt(show.props, prop);
  return kindOf(own).chipOrders?.(own.shape) ?? [pixelTypeOf(show, own).colourOrder];
}

/** The end that corrects: as the controller says it, or the show; the controller where nobody said it. */
function correctedAt(addressing: Addressing, controller?: Controller): CorrectedAt {
  return controller?.coloursAt ?? addressing.coloursAt ?? 'controller';
}

/** The colour order of a run at each place. Only one end corrects, or two colours are exchanged. */
export function colourPlan(plan: Pick<LaidShow, 'show' | 'runs'>, run: number): ColourPlan {
  const { prop, wire } = itemAt(plan.runs, run);
  const chips = chipOrders(plan, prop);
  const at = correctedAt(plan.show.addressing, wire ? plan.show.controllers[wire.controller] : undefined);
  const plain = plainOrder(itemAt(chips, 0));
  return {
    chips,
    correctedAt: at,
    controller: at === 'controller' ? itemAt(chips, 0) : plain,
    sender: at === 'sender' ? itemAt(chips, 0) : plain,
  };
}
