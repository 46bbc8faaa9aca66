import type { Controller } from '@/core/catalogue/controller';
import { protocolOf } from '@/core/protocols/registry';
import { countOf, groupDigits } from '@/core/units/number';

export function controllerWords(controller: Controller): string {
  return `${countOf(controller.ports, 'port')} · ${groupDigits(controller.mostPixelsPerPort)} px each · ${protocolOf(controller).name}`;
}
