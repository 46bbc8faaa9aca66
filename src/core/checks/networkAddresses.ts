import { castOf } from '../protocols/registry';
import { standingWords } from '../figures/figure';
import { classOf } from '../catalogue/controllers/registry';
import { linkOf } from '../catalogue/link';
import { linkLoad } from '../devices/linkLoad';
import { freeAddress, ipNumber, reachOf, type NetworkAddress, type Reach } from '../catalogue/network';
import { defineCheck, type Finding, type Mend } from './check';
import type { Rank } from './rank';
import { wantedRateOf } from '../catalogue/packing';

export const networkAddresses = defineCheck(
  'network',
  'Addresses are used once and in one network with the sender, and no link is asked to carry more than it can.',
  (plan) => {
    const { controllers, sender, controllerTypes } = plan.show;
    const found: Omit<Finding, 'check'>[] = [];
    const add = (controllerId: string, rank: Rank, message: string, mends: Finding['mends'] = []) =>
      found.push({ rank, stage: 'patch', controllerId, message, mends });
    const byIp = new Map<number, string>();
    if (sender) byIp.set(ipNumber(sender.ip), sender.name);
    controllers.forEach((controller, index) => {
      const { network } = controller;
      const type = controllerTypes.find((each) => each.id === controller.typeId);
      if (network && linkOf(plan.show, controller) === 'raw')
        add(
          controller.id,
          'worthKnowing',
          `${controller.name} is a receiver card and has no IP address: it takes raw frames over a gigabit link, straight from the sender’s port.`,
          [
            {
              label: 'Take the address away',
              edit: { type: 'changeController', controllerId: controller.id, change: { network: null } },
            },
          ],
        );
      const link = type?.linkMbits;
      if (link) {
        const load = linkLoad(plan, index, wantedRateOf(plan.show.addressing)).mbits.value;
        if (load > link.value * 0.8)
          add(
            controller.id,
            'willLookWrong',
            `${controller.name} is sent ${load.toFixed(1)} Mbit/s, and its link carries ${link.value} (${standingWords(link)}). The picture stutters.`,
          );
      }
      if (!network) return;
      const reach: Reach = sender ? reachOf(sender, { name: controller.name, ...network }) : { by: 'itself' };
      const taken = byIp.get(ipNumber(network.ip));
      // Behind a router it belongs into a network of its own.
      const isRouted = sender?.gateway !== undefined && network.gateway !== undefined;
      const like = isRouted ? network : (sender ?? network);
      const free = freeAddress(
        like,
        [...controllers.flatMap((each) => each.network?.ip ?? []), like.gateway, sender?.ip].flatMap(
          (each) => each ?? [],
        ),
      );
      const another = free
        ? [
            {
              label: `Plan ${free} for ${controller.name}`,
              edit: {
                type: 'changeController' as const,
                controllerId: controller.id,
                change: { network: { ...network, ip: free, maskBits: like.maskBits } },
              },
            },
          ]
        : [];
      if (taken !== undefined)
        add(
          controller.id,
          'willNotLight',
          `${controller.name} and ${taken} both have the address ${network.ip}. One of the two drops out at random: give one another.`,
          another,
        );
      else {
        byIp.set(ipNumber(network.ip), controller.name);
        if (reach.by === 'nothing')
          add(
            controller.id,
            'willNotLight',
            `${reach.why} Until then ${controller.name} stays dark.`,
            // With a wrong router, or a network of its own, another address would only hide the mistake.
            network.gateway === undefined && sender!.gateway === undefined ? another : [],
          );
      }
      const cast = castOf(controller);
      if (reach.by === 'router' && cast !== 'unicast')
        add(
          controller.id,
          'willNotLight',
          `${controller.name} is behind a router and fed by ${cast}, which routers do not pass on unless they are set up for it.`,
          [feedByUnicast(controller.id, network)],
        );
      if (type && classOf(type).onWifi && cast !== 'unicast')
        add(
          controller.id,
          'worthKnowing',
          `${controller.name} is on Wi-Fi and fed by ${cast}, of which Wi-Fi carries far less than of unicast. It stutters with more than a few universes.`,
          [feedByUnicast(controller.id, network)],
        );
      if (network.given === 'leased')
        add(
          controller.id,
          'worthKnowing',
          `${controller.name} takes whatever address it is leased, so ${network.ip} may be another one after a power cut. Reserve the lease in the router.`,
          [
            {
              label: 'It is reserved now',
              edit: {
                type: 'changeController',
                controllerId: controller.id,
                change: { network: { ...network, given: 'reserved' } },
              },
            },
          ],
        );
    });
    return found;
  },
);

function feedByUnicast(controllerId: string, network: NetworkAddress): Mend {
  return {
    label: 'Feed it by unicast',
    edit: { type: 'changeController', controllerId, change: { network: { ...network, casting: 'unicast' } } },
  };
}
