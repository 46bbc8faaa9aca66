import { often } from '../prior';
import { z } from 'zod';
import type { Plan } from '../../plan/planned';
import {
  controllerIndex,
  defineFault,
  nameOfPort,
  ofController,
  onPort,
  portsOf,
  type OnPort,
} from '../fault';
import { controllerAt } from '../../plan/records';

interface SwappedPorts extends OnPort {
  kind: 'swappedPorts';
  other: number;
}

export const swappedPorts = defineFault<SwappedPorts>({
  kind: 'swappedPorts',
  name: 'Two plugs exchanged',
  layer: 'place',
  prior: often('plugs look alike'),
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
  everywhere: (plan, propId) => {
    const ports = portsOf(plan);
    const own = ownPorts(plan, propId);
    return ports.flatMap((place, i) =>
      ports
        .slice(i + 1)
        .filter(
          (other) =>
            other.controllerId === place.controllerId && (own.has(portKey(place)) || own.has(portKey(other))),
        )
        .map((other) => ({ kind: 'swappedPorts' as const, ...place, other: other.port })),
    );
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

const portKey = ({ controllerId, port }: OnPort) => `${controllerId} ${port}`;

function ownPorts(plan: Plan, propId: string): Set<string> {
  const prop = plan.show.props.findIndex(({ id }) => id === propId);
  return new Set(
    plan.runs.flatMap(({ prop: of, wire }) =>
      of === prop && wire
        ? [portKey({ controllerId: controllerAt(plan, wire.controller).id, port: wire.port })]
        : [],
    ),
  );
}
