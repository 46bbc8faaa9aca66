// Pixels a second that the rig lights, of a picture that is sent and through packets; and how long one fault on one controller takes.
import { middleMs, sized, table } from './report';
import { painted, patternById } from '../src/core/patterns/registry';
import { stretchesOf } from '../src/core/patterns/selection';
import { planShow } from '../src/core/plan/plan';
import { withFaults } from '../src/core/rig/faults/registry';
import { packetsOf, Receiver } from '../src/core/rig/packets';
import { lightOfReceived, lightOfSent, plannedRig } from '../src/core/rig/rig';
import { PLANNED_SENDER, send } from '../src/core/rig/sending';
import { aController, aLine, aShow } from '../tests/unit/shows';

const rows = sized([20_000, 100_000], [20_000]).map((pixels) => {
  const lines = pixels / 500;
  const plan = planShow(
    aShow({
      props: Array.from({ length: lines }, (_, i) => aLine(`line-${i}`, 500)),
      controllers: Array.from({ length: lines / 4 }, (_, i) =>
        aController({
          id: `c${i}`,
          name: `Box ${i}`,
          label: `A${String.fromCharCode(65 + (i % 26))}${String.fromCharCode(65 + Math.floor(i / 26))}`,
          firstUniverse: i === 0 ? 1 : null,
        }),
      ),
      patch: Array.from({ length: lines }, (_, i) => ({
        propId: `line-${i}`,
        run: 1,
        controllerId: `c${Math.floor(i / 4)}`,
        port: 1 + (i % 4),
        skippedPixels: 0,
      })),
    }),
  );
  const rig = plannedRig(plan);
  const wanted = painted(patternById('white')!, {
    plan,
    stretches: stretchesOf(plan, { on: 'show' }),
    timeS: 0,
    step: null,
    level: 1,
    colour: [0, 0, 0, 0],
  });
  const direct = middleMs(9, () => lightOfSent(rig, wanted));
  const overPackets = middleMs(9, () => {
    const receiver = new Receiver(plan);
    for (const packet of packetsOf(plan, send(plan, PLANNED_SENDER, wanted), 0)) receiver.hear(packet);
    lightOfReceived(rig, receiver.sentTo);
  });
  const one = middleMs(9, () =>
    lightOfSent(
      withFaults(rig, [{ kind: 'brokenJoint', controllerId: 'c0', port: 1, place: 99 }]),
      wanted,
      0,
      new Set([0]),
    ),
  );
  return {
    pixels,
    'a picture, ms': Number(direct.toFixed(1)),
    'pixels a second': Math.round((1000 * pixels) / direct),
    'through packets, ms': Number(overPackets.toFixed(1)),
    'one fault on one controller, ms': Number(one.toFixed(2)),
  };
});
table('rig', rows);
