import type { Feed } from '@/core/catalogue/feed';
import type { Show } from '@/core/show/schema';
import { lengthSystem } from '@/core/units/length';

/** The leads that go to a prop. */
export function leadsOfProp(show: Show, propId: string): Feed[] {
  return show.feeds.filter(({ pieces }) =>
    pieces.some(({ to }) => to.kind !== 'controller' && to.propId === propId),
  );
}

/** A length to start from: a round one in the units of the show. */
export function usualLeadMm(): number {
  return lengthSystem() === 'imperial' ? 3048 : 3000;
}
