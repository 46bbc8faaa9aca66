import { toldUniverse } from '@/core/addressing/numbering';
import { universesOfController } from '@/core/devices/universeSizes';
import type { Plan } from '@/core/plan/planned';
import { portsOfController } from '@/core/plan/planIndex';
import { safeLevel } from '@/core/power/safeLevel';
import { linkOf } from '@/core/rig/links';
import { listensToGroups, protocolOf, universesOf } from '@/core/protocols/registry';
import { countOf } from '@/core/units/number';
import { answerAll } from './answering';
import type { SenderAsks } from './asks';
import { OpenedShow } from './openedShow';
import { RIG_ADDRESS } from './rigListener';
import { SenderLoop, type Target } from './senderLoop';
import { controllerAt } from '@/core/plan/records';

const shows = new OpenedShow();
let loop: SenderLoop | null = null;
let ended: Promise<void> = Promise.resolve();

async function stop(isHandedOver = false): Promise<void> {
  loop?.stop(isHandedOver);
  loop = null;
  await ended;
}

/** Devices at their addresses; those without one, and those that no network feeds, get nothing. */
function deviceTargets(plan: Plan): (Target | null)[] {
  return plan.show.controllers.map((device, controller) =>
    device.network && linkOf(plan, controller) === 'network' && portsOfController(plan, controller).length > 0
      ? { address: device.network.ip, port: protocolOf(device).port }
      : null,
  );
}

answerAll<SenderAsks>({
  look: ({ showId, wish }) => {
    const plan = shows.plan(showId);
    return {
      addresses: deviceTargets(plan).flatMap((target, controller) => {
        if (!target) return [];
        const device = controllerAt(plan, controller);
        const own = [...universesOfController(plan, controller).keys()];
        const universes = own.length;
        const what = universes === 0 ? 'a picture' : countOf(universes, 'universe');
        const groupOf = listensToGroups(device) ? universesOf(device)?.groupOf : null;
        const groups = groupOf && own.map((universe) => groupOf(toldUniverse(device, universe)));
        return [
          {
            // Groups that come later are others.
            address: groups ? `${groups.join(', ')} and ${target.address}` : target.address,
            words: `${device.name}: ${what} by ${protocolOf(device).name}${groups ? ', to their groups' : ''}, ${wish.rateHz} times a second`,
          },
        ];
      }),
    };
  },
  safeLevel: ({ showId }) => {
    const plan = shows.plan(showId);
    return plan.show.feeds.length === 0 ? null : safeLevel(plan, { light: 'white', whiteBy: 'all' });
  },
  start: async ({ showId, test, wish, rig: to, from }) => {
    await stop(true);
    const rig = shows.rig(showId);
    const { plan } = rig;
    const indexOf = new Map(plan.show.controllers.map(({ id }, index) => [id, index]));
    loop = new SenderLoop(
      plan,
      rig.sender,
      {
        targets: to
          ? to.ports.map((port) => (port === null ? null : { address: RIG_ADDRESS, port }))
          : deviceTargets(plan),
        mostGroups: to ? to.groups : Infinity,
        from,
        withLinks: to !== null,
        isSynced: wish.isSynced,
        rateHz: wish.rateHz,
        rates: new Map(
          (wish.rates ?? []).flatMap(({ controllerId, rateHz }) => {
            const index = indexOf.get(controllerId);
            return index === undefined ? [] : [[index, rateHz] as const];
          }),
        ),
      },
      test,
    );
    // An error on the way is told by its report; it is over then.
    ended = loop.run().catch(() => {
      loop = null;
    });
    return null;
  },
  change: (test) => {
    loop?.setTest(test);
    return null;
  },
  stop: async () => {
    await stop();
    return null;
  },
  report: () => loop?.report() ?? null,
});
