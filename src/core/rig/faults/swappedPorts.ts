import { z } from 'zod';
import {
  controllerIndex,
  defineFault,
  nameOfPort,
  ofController,
  onPort,
  portsOf,
  type OnPort,
} from '../fault';

export interface SwappedPorts extends OnPort {
  kind: 'swappedPorts';
  other: number;
}

export const swappedPorts = defineFault<SwappedPorts>({
  kind: 'swappedPorts',
  name: 'Two plugs exchanged',
  layer: 'place',
  schema: z.strictObject({ kind: z.literal('swappedPorts'), ...onPort, other: onPort.port }),
  sentence: (plan, fault) =>
    `The plugs of ${nameOfPort(plan, fault)} and ${nameOfPort(plan, { ...fault, port: fault.other })} are exchanged.`,
  places: (plan) => {
    const ports = portsOf(plan);
    return ports.flatMap((place, i) => {
      const next = ports[i + 1];
      return next?.controllerId === place.controllerId
        ? [{ kind: 'swappedPorts' as const, ...place, other: next.port }]
        : [];
    });
  },
  touches: ofController,
  apply: (rig, fault) => {
    const index = controllerIndex(rig.plan, fault);
    const isOf = (port: number) => (chain: (typeof rig.chains)[number]) =>
      chain.controller === index && chain.port === port;
    if (!rig.chains.some(isOf(fault.port)) || !rig.chains.some(isOf(fault.other))) return rig;
    return {
      ...rig,
      chains: rig.chains.map((chain) =>
        isOf(fault.port)(chain)
          ? { ...chain, port: fault.other }
          : isOf(fault.other)(chain)
            ? { ...chain, port: fault.port }
            : chain,
      ),
    };
  },
});
