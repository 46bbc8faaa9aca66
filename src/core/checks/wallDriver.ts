import { SHIPPED_CONTROLLER_TYPES, limitsOfType, type ControllerType } from '../catalogue/controllerType';
import { classOf } from '../catalogue/controllers/registry';
import { portsOfController } from '../plan/planIndex';
import { controllerAt, plannedAt, runAt } from '../plan/records';
import { defineWallCheck } from './walls';

/** Cards are fed raw frames and own parts of a wall; a hat owns all of it: chains that are laid for one do not fit the other. */
export const wallDriver = defineWallCheck(
  'wall-driver',
  'A wall whose chains are laid for receiver cards is on receiver cards; one that is laid for a hat is on a computer with a hat.',
  ({ index, prop, finding }, plan) => {
    const { wire } = runAt(plan, plannedAt(plan, index).firstRun);
    if (!wire) return [];
    const device = controllerAt(plan, wire.controller);
    const type = plan.show.controllerTypes.find(({ id }) => id === device.typeId);
    if (!type) return [];
    const isForCards = prop.threading.driver.kind === 'cards';
    const fits = (each: ControllerType) => {
      const { drivesPanels = false, takesRawFrames = false } = classOf(each);
      return drivesPanels && takesRawFrames === isForCards;
    };
    if (fits(type)) return [];
    const known = plan.show.controllerTypes;
    const shipped = SHIPPED_CONTROLLER_TYPES.filter((each) => !known.some(({ id }) => id === each.id));
    const other = [...known, ...shipped].find(fits);
    const limits = other && limitsOfType(other);
    const isAlone = portsOfController(plan, wire.controller).every(({ runs }) =>
      runs.every((run) => runAt(plan, run).prop === index),
    );
    // Notes on its other ports, leads from them and what is on them stay.
    const named = [
      ...(device.portOptions ?? []),
      ...plan.show.patch.filter(({ controllerId }) => controllerId === device.id),
      ...plan.show.feeds.flatMap(({ from }) =>
        from.kind === 'port' && from.controllerId === device.id ? [from] : [],
      ),
    ].map(({ port }) => port);
    return [
      {
        ...finding(
          'willNotLight',
          `its chains are laid for ${isForCards ? 'receiver cards' : 'a computer with a hat'}, and ${device.name}, which drives it, is “${type.name}”. Choose the other driver in Route, or the kind of ${device.name} that is really there.`,
          isAlone && other && limits
            ? [
                {
                  label: `${device.name} is “${other.name}”`,
                  edit: {
                    type: 'batch',
                    label: `Set the kind of ${device.name}`,
                    edits: [
                      ...(known.includes(other)
                        ? []
                        : [{ type: 'setControllerType' as const, controllerType: other }]),
                      {
                        type: 'changeController',
                        controllerId: device.id,
                        change: { typeId: other.id, ...limits, ports: Math.max(limits.ports, ...named) },
                      },
                    ],
                  },
                },
              ]
            : [],
        ),
        controllerId: device.id,
      },
    ];
  },
);
