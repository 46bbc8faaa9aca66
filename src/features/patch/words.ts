import type { Controller } from '@/core/catalogue/controller';
import { linkWords } from '@/core/catalogue/link';
import type { Show } from '@/core/show/schema';
import { countOf, groupDigits } from '@/core/units/number';

export function controllerWords(show: Pick<Show, 'controllerTypes'>, controller: Controller): string {
  return `${countOf(controller.ports, 'port')} · ${groupDigits(controller.mostPixelsPerPort)} px each · ${linkWords(show, controller)}`;
}
