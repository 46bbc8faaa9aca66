import { newLabel, type Controller } from '../catalogue/controller';
import { limitsOfType, type ControllerType } from '../catalogue/controllerType';
import { classOf } from '../catalogue/controllers/registry';
import { newId, newName } from '../fields/fields';
import { PROTOCOLS } from '../protocols/registry';
import type { SingleEdit } from './edits/registry';
import type { Show } from './schema';
import { itemAt } from '../units/there';

/** Ports and pixels assumed for a controller of no known kind. */
const UNKNOWN = { ports: 4, mostPixelsPerPort: 800 };

/**
 * A controller of a kind, with the ports and pixels that its kind has, and the edits that add it; its kind is copied into the show where
 * it is not there yet.
 *
 * @param type null where the kind is not known
 */
export function newController(
  show: Pick<Show, 'controllers' | 'controllerTypes'>,
  type: ControllerType | null,
): { controller: Controller; edits: SingleEdit[] } {
  const label = newLabel(show.controllers.map((each) => each.label));
  const name = newName(
    `Controller ${label}`,
    show.controllers.map((each) => each.name),
  );
  const controller: Controller = {
    id: newId(name),
    name,
    label,
    protocol: (type && classOf(type).protocol) ?? itemAt(PROTOCOLS, 0).id,
    ...UNKNOWN,
    firstUniverse: null,
    packing: null,
    artNetOffset: -1,
    firstLedIndex: 0,
    skippedPixelsTakeChannels: false,
    ...(type && { ...limitsOfType(type), typeId: type.id }),
  };
  return {
    controller,
    edits: [
      ...(type && !show.controllerTypes.some(({ id }) => id === type.id)
        ? [{ type: 'setControllerType' as const, controllerType: type }]
        : []),
      { type: 'addController', controller },
    ],
  };
}
