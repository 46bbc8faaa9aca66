import { nowAndThen } from '../prior';
import { UNPOWERED } from '../chain';
import { changeDevice, defineFault, markRun } from '../fault';
import {
  fedBy,
  nameOfSupply,
  suppliesInUse,
  supplySchemaOf,
  touchedBySupply,
  type OnSupply,
} from '../supplies';

interface SupplyOff extends OnSupply {
  kind: 'supplyOff';
}

export const supplyOff = defineFault<SupplyOff>({
  kind: 'supplyOff',
  name: 'A switch upstream is off',
  layer: 'power',
  prior: nowAndThen('extension leads with a switch are kicked'),
  schema: supplySchemaOf('supplyOff'),
  sentence: (plan, fault) =>
    `A switch before ${nameOfSupply(plan, fault)} is off: all that it feeds is dark.`,
  places: (plan) => suppliesInUse(plan).map((place) => ({ kind: 'supplyOff', ...place })),
  touches: touchedBySupply,
  apply: (rig, fault) => {
    const { runs, controllers } = fedBy(rig.plan, fault);
    const dark = runs.reduce((changed, place) => markRun(changed, place, UNPOWERED), rig);
    return controllers.reduce((changed, index) => {
      const device = rig.plan.show.controllers[index];
      return device
        ? changeDevice(changed, { controllerId: device.id }, () => ({ isPowered: false }))
        : changed;
    }, dark);
  },
});
