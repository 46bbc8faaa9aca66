import { portName } from '../catalogue/controller';
import { FUSE_SHARE } from '../catalogue/fuse';
import { standingWords } from '../figures/figure';
import { controllerAt } from '../plan/records';
import { passedOn } from '../power/passedOn';
import { standingReports } from '../power/report';
import { formatAmps } from '../units/electric';
import { defineCheck, type Finding } from './check';

export const boardPasses = defineCheck(
  'board-passes',
  'No board passes on more than its sockets, its copper and the fuses of its ports carry.',
  (plan) =>
    passedOn(plan, standingReports(plan).worst).flatMap(
      ({ controller, amps, passesAmps, ports }): Omit<Finding, 'check'>[] => {
        const device = controllerAt(plan, controller);
        const about = { stage: 'power' as const, controllerId: device.id, mends: [] };
        const found: Omit<Finding, 'check'>[] = [];
        if (amps > passesAmps.value + 1e-9)
          found.push({
            ...about,
            rank: 'canBurn',
            message: `${device.name} passes on ${formatAmps(amps)} at full white, and carries ${formatAmps(passesAmps.value)} (${standingWords(passesAmps)}). Its copper or its socket gets hot: feed the pixels from the supply itself, or type a limiter into the device.`,
          });
        for (const { port, amps: portAmps, fuseAmps } of ports) {
          if (fuseAmps === undefined || portAmps <= fuseAmps * FUSE_SHARE + 1e-9) continue;
          const opens = portAmps > fuseAmps + 1e-9;
          found.push({
            ...about,
            rank: opens ? 'willNotLight' : 'worthKnowing',
            message: `${portName(device, port)} of ${device.name} gives ${formatAmps(portAmps)} at full white, and its fuse is ${formatAmps(fuseAmps)}${opens ? ': it opens' : `, which carries ${formatAmps(fuseAmps * FUSE_SHARE)} for hours`}. Feed part of it from the supply itself, or type a limiter into the device.`,
          });
        }
        return found;
      },
    ),
);
