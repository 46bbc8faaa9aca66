import { z } from 'zod';
import type { Controller } from './controller';
import { capabilitySchema } from './controllers/class';
import { CONTROLLER_CLASSES } from './controllers/registry';
import { lastOf } from '../units/there';

const CLASS_IDS = CONTROLLER_CLASSES.map(({ id }) => id);

/** A kind of controller by its class and what it can do. */
export const controllerTypeSchema = capabilitySchema.extend({ class: z.enum(CLASS_IDS) });
export type ControllerType = z.infer<typeof controllerTypeSchema>;

/** Kinds to start from. */
export const SHIPPED_CONTROLLER_TYPES: readonly ControllerType[] = CONTROLLER_CLASSES.flatMap(
  ({ id, starters }) => starters.map((starter) => ({ ...starter, class: id })),
);

/** Usual limits of a controller of a kind: its ports, and the load of each with all of them switched on. */
export function limitsOfType(type: ControllerType): Pick<Controller, 'ports' | 'mostPixelsPerPort'> {
  return { ports: type.ports, mostPixelsPerPort: pixelsPerPortWith(type, type.ports) };
}

/** The most pixels on a port when so many ports are switched on. */
export function pixelsPerPortWith(type: ControllerType, portsOn: number): number {
  const steps = [...type.pixelsPerPort.value].sort((a, b) => a.upToPorts - b.upToPorts);
  return (steps.find((step) => step.upToPorts >= portsOn) ?? lastOf(steps)).pixels;
}
