import { z } from 'zod';
import type { Plan } from '../plan/planned';
import type { Facts, Note } from '../show/facts';
import { deviceSetupSchema, isAsPlanned, withSetups, type DeviceSetup } from './deviceSetup';
import { readFault, withFaults, type Fault } from './faults/registry';
import { plannedRig, type Rig } from './rig';

const FIELD = 'rig';

/** Differences between the plan and the display that stands in for the real one. */
export interface RigSetup {
  faults: readonly Fault[];
  /** Devices that hold other settings, at most one entry each. */
  devices: readonly DeviceSetup[];
}

export const AS_PLANNED: RigSetup = { faults: [], devices: [] };

const rigFact = (facts: Facts) => facts.ofKind('test').findLast((each) => each.field === FIELD);

/**
 * The setup of the rig as it is kept with the show: one fact, outside of undo. A show that was read from a file has another id than the fact
 * that came with it, whose place is taken all the same.
 */
export function rigNote(facts: Facts, showId: string, { faults, devices }: RigSetup): Note {
  const other = devices.filter((device) => !isAsPlanned(device));
  const value = {
    ...(faults.length > 0 && { faults: [...faults] }),
    ...(other.length > 0 && { devices: other }),
  };
  return {
    kind: 'test',
    list: 'show',
    recordId: rigFact(facts)?.recordId ?? showId,
    field: FIELD,
    value: Object.keys(value).length === 0 ? null : (value as unknown as Note['value']),
  };
}

/** The same as it was noted; what is no fault and no setup is left out. */
export function rigSetup(facts: Facts): RigSetup {
  const read = z
    .looseObject({ faults: z.array(z.unknown()).optional(), devices: z.array(z.unknown()).optional() })
    .safeParse(rigFact(facts)?.value).data;
  return {
    faults: (read?.faults ?? []).flatMap((each) => {
      try {
        return [readFault(each)];
      } catch {
        return [];
      }
    }),
    devices: (read?.devices ?? []).flatMap((each) => {
      const device = deviceSetupSchema.safeParse(each);
      return device.success ? [device.data] : [];
    }),
  };
}

/** The display as it is. */
export const rigOf = (plan: Plan, { faults, devices }: RigSetup): Rig =>
  withFaults(withSetups(plannedRig(plan), devices), faults);
