import { boardPowerOf } from '../catalogue/boardPower';
import { standingWords } from '../figures/figure';
import { standingReports } from '../power/report';
import { formatAmps } from '../units/electric';
import { defineCheck, type Finding } from './check';
import { itemAt } from '../units/there';

export const boardPasses = defineCheck(
  'board-passes',
  'No board passes on more than its sockets, its copper and the fuses of its ports carry.',
  (plan) => {
    const { show } = plan;
    const { leads } = standingReports(plan).worst;
    return show.controllers.flatMap((controller): Omit<Finding, 'check'>[] => {
      const own = leads.filter(({ feed }) => {
        const { from } = itemAt(show.feeds, feed);
        return from.kind === 'port' && from.controllerId === controller.id;
      });
      if (own.length === 0) return [];
      const { passesAmps, portFuseAmps } = boardPowerOf(controller);
      const about = { stage: 'power' as const, controllerId: controller.id, mends: [] };
      const found: Omit<Finding, 'check'>[] = [];
      const amps = own.reduce((sum, lead) => sum + lead.amps, 0);
      if (amps > passesAmps.value + 1e-9)
        found.push({
          ...about,
          rank: 'canBurn',
          message: `${controller.name} passes on ${formatAmps(amps)} at full white, and carries ${formatAmps(passesAmps.value)} (${standingWords(passesAmps)}). Its copper or its socket gets hot: feed the pixels from the supply itself, or type a limiter into the device.`,
        });
      const ofPort = new Map<number, number>();
      for (const lead of own) {
        const { from } = itemAt(show.feeds, lead.feed);
        if (from.kind === 'port') ofPort.set(from.port, (ofPort.get(from.port) ?? 0) + lead.amps);
      }
      for (const [port, portAmps] of ofPort)
        if (portFuseAmps && portAmps > portFuseAmps.value + 1e-9)
          found.push({
            ...about,
            rank: 'willNotLight',
            message: `${controller.label}${port} of ${controller.name} gives ${formatAmps(portAmps)} at full white, and its fuse is ${formatAmps(portFuseAmps.value)}: it opens. Feed part of it from the supply itself, or type a limiter into the device.`,
          });
      return found;
    });
  },
);
