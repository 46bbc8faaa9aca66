import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { painted, PATTERNS } from '../patterns/registry';
import { stretchesOf } from '../patterns/selection';
import { planShow } from '../plan/plan';
import { wireOf } from './device';
import { withFaults } from './faults/registry';
import { PLACE_FAMILIES, WireFamilies } from './placeFamilies';
import { lightOfSent, plannedRig } from './rig';
import { PLANNED_SENDER, send } from './sending';

it('a family shows at any place just what the whole rig does', () => {
  fc.assert(
    fc.property(
      anyBusyShow,
      fc.nat(PATTERNS.length - 1),
      fc.constantFrom(...PLACE_FAMILIES),
      fc.nat(),
      (show, pattern, kind, where) => {
        const plan = planShow(show);
        const rig = plannedRig(plan);
        const wanted = painted(PATTERNS[pattern]!, {
          plan,
          stretches: stretchesOf(plan, { on: 'show' }),
          timeS: 0.3,
          step: 3,
          level: 1,
          colour: [10, 20, 30, 40],
        });
        const sent = send(plan, PLANNED_SENDER, wanted);
        for (const chain of rig.chains) {
          const device = rig.devices[chain.controller]!;
          const port = device.ports.find((each) => each.port === chain.port)!;
          const family = new WireFamilies(chain, wireOf(plan, device, port, sent), plan.pixelCount);
          if (family.places === 0) continue;
          const place = 1 + (where % family.places);
          const light = new Uint8Array(4 * family.places);
          family.write(kind, place, light);
          const controllerId = show.controllers[chain.controller]!.id;
          const whole = lightOfSent(
            withFaults(rig, [{ kind, controllerId, port: chain.port, place }]),
            wanted,
          );
          chain.pixel.forEach((pixel, i) => {
            if (pixel >= 0)
              expect([...light.subarray(4 * i, 4 * i + 4)]).toEqual([
                ...whole.subarray(4 * pixel, 4 * pixel + 4),
              ]);
          });
        }
      },
    ),
    { numRuns: tries(60), endOnFailure: true },
  );
}, 60_000);
