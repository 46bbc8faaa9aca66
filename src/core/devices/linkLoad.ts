import { universeMbits } from '../catalogue/network';
import { computed, given, product, type Explained, type Place } from '../figures/explained';
import { spansOfController } from '../plan/planIndex';
import type { LaidShow } from '../plan/planned';

/** What the link of a controller carries, in megabits a second. */
export function linkLoad(plan: LaidShow, controller: number, rateHz: number): Explained {
  const { id } = plan.show.controllers[controller]!;
  const place: Place = { stage: 'patch', subject: { kind: 'controller', controllerId: id } };
  const universes = new Set(spansOfController(plan, controller).map((span) => span.universe));
  return computed(
    'load of the link',
    'mbits',
    product(
      given('universes', universes.size, 'number', { place }),
      given(`a universe at ${rateHz} pictures a second`, universeMbits(512, rateHz), 'mbits', {
        because:
          'A universe of 512 channels takes the time of 704 bytes on the wire, with all that goes around it.',
      }),
    ),
    { place },
  );
}
