import { electricOf } from '../catalogue/electric';
import { basesWords } from '../figures/figure';
import { pixelTypeOf, propAt } from '../plan/records';
import type { Plan } from '../plan/planned';
import { kindOf } from '../props/registry';
import { itemAt } from '../units/there';
import { wirePower } from './networkBuilder';
import { FULL_WHITE, litBy } from './shown';
import { rampsOfKinds } from './wiring';

/** Current of a prop at full white, before anything feeds it. */
export interface PropNeed {
  /** Index of the prop. */
  prop: number;
  volts: number;
  amps: number;
  watts: number;
  /** A limiter in the device that drives it holds it below what its pixels could draw. */
  isLimited: boolean;
  standsOn: string;
  /** By the load, in the order of the pixels of the prop; of a wall by its panels. */
  ampsOfLoads: Float64Array;
}

export function propNeed(plan: Plan, index: number): PropNeed {
  const prop = propAt(plan, index);
  const { kinds, network } = wirePower(plan, { props: [index], controllers: [], feeds: [] });
  const ampsOfKinds = rampsOfKinds(kinds, FULL_WHITE).map((ramps) =>
    ramps.reduce((sum, ramp) => sum + ramp.amps, 0),
  );
  const ampsOfLoads = Float64Array.from(network.loads.kind, (kind) => itemAt(ampsOfKinds, kind));
  const amps = ampsOfLoads.reduce((sum, each) => sum + each, 0);
  const panels = kindOf(prop).panelPower?.(prop.shape);
  const type = pixelTypeOf(plan.show, prop);
  const { draw } = electricOf(type);
  const figures = panels
    ? [panels.ampsFullWhite]
    : (['idle', ...litBy(FULL_WHITE, type.colourOrder)] as const).flatMap((part) => draw[part] ?? []);
  const volts = panels?.volts ?? type.volts;
  return {
    prop: index,
    volts,
    amps,
    watts: amps * volts,
    isLimited: kinds.some((kind) => kind.kind === 'pixel' && kind.limiter !== null),
    standsOn: basesWords(figures),
    ampsOfLoads,
  };
}
