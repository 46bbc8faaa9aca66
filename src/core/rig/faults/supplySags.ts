import { seldom } from '../prior';
import { defineFault, runIndex } from '../fault';
import {
  fedBy,
  nameOfSupply,
  suppliesInUse,
  supplySchemaOf,
  touchedBySupply,
  type OnSupply,
} from '../supplies';
import { runAt } from '../../plan/records';

interface SupplySags extends OnSupply {
  kind: 'supplySags';
}

/** A share of full white: a supply of two thirds of what is wanted shuts down above this. */
const SHARE = 0.66;

export const supplySags = defineFault<SupplySags>({
  kind: 'supplySags',
  name: 'A supply that gives out',
  layer: 'power',
  prior: seldom('supplies shut down only where they are too small for what is shown'),
  schema: supplySchemaOf('supplySags'),
  sentence: (plan, fault) =>
    `${nameOfSupply(plan, fault)} gives two thirds of what white wants: it shuts down and comes back, over and over.`,
  places: (plan) => suppliesInUse(plan).map((place) => ({ kind: 'supplySags', ...place })),
  touches: touchedBySupply,
  apply: (rig, fault) => {
    const wires = fedBy(rig.plan, fault).runs.map((place) => runAt(rig.plan, runIndex(rig.plan, place)).wire);
    return {
      ...rig,
      chains: rig.chains.map((chain) =>
        wires.some((wire) => wire?.controller === chain.controller && wire.port === chain.port)
          ? { ...chain, sagsAbove: SHARE }
          : chain,
      ),
    };
  },
});
