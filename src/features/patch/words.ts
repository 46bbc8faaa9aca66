import { PROTOCOL_NAMES, type Controller } from '@/core/catalogue/controller';
import { countOf, groupDigits } from '@/core/units/number';

export function controllerWords(controller: Controller): string {
  return `${countOf(controller.ports, 'port')} · ${groupDigits(controller.mostPixelsPerPort)} px each · ${PROTOCOL_NAMES[controller.protocol]}`;
}
