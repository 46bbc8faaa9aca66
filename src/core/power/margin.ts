import type { Network } from './network';
import type { PowerWiring } from './wiring';

/** A hot evening: copper at 60 °C, each joint of a lead by so much worse, and a supply that gives a little less. */
const MARGIN = { copperTimes: 1.157, jointOhm: 0.01, supplyTimes: 0.98 };

/** The same network with all of that at once. */
export function withMargin({ network, pieces }: PowerWiring): Omit<Network, 'kinds'> {
  const ohm = network.wires.ohm.map((each) => each * MARGIN.copperTimes);
  for (const { plusWire, minusWire } of pieces)
    for (const wire of [plusWire, minusWire]) if (wire >= 0) ohm[wire] = (ohm[wire] ?? 0) + MARGIN.jointOhm;
  return {
    ...network,
    wires: { ...network.wires, ohm },
    supplies: network.supplies.map((each) => ({ ...each, volts: each.volts * MARGIN.supplyTimes })),
  };
}
