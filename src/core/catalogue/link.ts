import { protocolOf, universesOf } from '../protocols/registry';
import { groupDigits } from '../units/number';
import type { Controller } from './controller';
import type { ControllerType } from './controllerType';
import { classOf } from './controllers/registry';

/**
 * The link that feeds a device: over the network, by raw frames straight from the port of the sender, over a serial line, or none, where a
 * program of its own makes the pictures.
 */
export type Link = 'network' | 'raw' | 'serial' | 'own';

/** The kinds of controllers of a show. */
interface Kinds {
  controllerTypes: readonly ControllerType[];
}

const kindOf = ({ controllerTypes }: Kinds, { typeId }: Pick<Controller, 'typeId'>) =>
  controllerTypes.find(({ id }) => id === typeId);

export function linkOf(kinds: Kinds, controller: Pick<Controller, 'typeId'>): Link {
  const kind = kindOf(kinds, controller);
  if (kind && classOf(kind).takesRawFrames) return 'raw';
  if (kind?.ownProgram) return 'own';
  return kind?.baud === undefined ? 'network' : 'serial';
}

/** Whether universes are typed into a device: over a network, where its protocol counts in them. */
export function isInUniverses(kinds: Kinds, controller: Controller): boolean {
  return linkOf(kinds, controller) === 'network' && universesOf(controller) !== null;
}

/** Bits a second of the serial line that feeds a device; null where it has none. */
export function baudOf(kinds: Kinds, controller: Controller): number | null {
  return linkOf(kinds, controller) === 'serial' ? (kindOf(kinds, controller)?.baud ?? null) : null;
}

/** The link of a device in words: `E1.31`, `raw frames`, `serial line, 115,200 baud`, `its own program`. */
export function linkWords(kinds: Kinds, controller: Controller): string {
  switch (linkOf(kinds, controller)) {
    case 'network':
      return protocolOf(controller).name;
    case 'raw':
      return 'raw frames';
    case 'own':
      return 'its own program';
    case 'serial':
      return `serial line, ${groupDigits(baudOf(kinds, controller) ?? 0)} baud`;
  }
}
