import { barePin } from './barePin';
import { ethernet } from './ethernet';
import { flight } from './flight';
import { hat } from './hat';
import { panelCard } from './panelCard';
import { panelPlayer } from './panelPlayer';
import { serial } from './serial';
import { tiles } from './tiles';
import { wifi } from './wifi';
import type { ControllerClass } from './class';
import { valueIn } from '../../units/there';

/** Every class of controllers, in the order in which they are offered. */
const CLASSES = [ethernet, wifi, hat, barePin, panelPlayer, panelCard, serial, flight, tiles] as const;

export type ControllerClassId = (typeof CLASSES)[number]['id'];
export const CONTROLLER_CLASSES: readonly ControllerClass<ControllerClassId>[] = CLASSES;

const BY_ID = new Map(CONTROLLER_CLASSES.map((each) => [each.id, each]));

export function classOf(type: { class: ControllerClassId }): ControllerClass<ControllerClassId> {
  return valueIn(BY_ID, type.class);
}
