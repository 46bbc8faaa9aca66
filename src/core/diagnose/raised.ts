import { deviceSettings } from '../devices/deviceSettings';
import { keptValues, valuesToTick } from '../devices/settings/typed';
import { controllersOfProp } from '../plan/planIndex';
import { powerGroups } from '../power/groups';
import type { Plan } from '../plan/planned';
import type { Fault } from '../rig/faults/registry';
import type { Facts } from '../show/facts';
import { itemAt } from '../units/there';
import { propAt, controllerAt } from '../plan/records';

/** A fault that is suspected more than usual, or less, by what the show says. */
export interface Raise {
  kind: Fault['kind'];
  /** Only where the fault is on these; anywhere where both are left out. */
  controllerId?: string;
  propId?: string;
  factor: number;
  why: string;
}

/** The findings of a show that are of interest here. */
interface Finding {
  check: string;
  propId?: string;
  controllerId?: string;
  supplyId?: string;
}

/** Faults that findings of a check point at, by the id of the check. */
export const BY_CHECK: Readonly<Record<string, { kinds: readonly Fault['kind'][]; why: string }>> = {
  'starved-pixels': { kinds: ['starvedEnd'], why: 'Power says that too few volts reach some of its pixels' },
  'data-lines': {
    kinds: ['lowLevel', 'noGround'],
    why: 'its data line is long, low, or its ground is lifted',
  },
  'supply-loads': { kinds: ['supplySags', 'supplyOff'], why: 'its supply is asked for more than it gives' },
  'supply-volts': { kinds: ['wrongVolts'], why: 'its supply has other volts than its pixels' },
  'lead-fuses': { kinds: ['blownFuse'], why: 'a fuse of its leads is not as it is to be' },
  network: { kinds: ['notReached'], why: 'its address does not suit the network' },
  'frame-rate': { kinds: ['slowLink'], why: 'it is sent more pictures than its port can show' },
  'shared-channels': { kinds: ['startOff', 'universeOff'], why: 'it shares channels with others' },
};
const FOUND = 4;

/** Settings without a tick are looked at first; those ticked after a look, last. */
const SETTINGS: readonly Fault['kind'][] = [
  'countWrong',
  'colourOrder',
  'universeOff',
  'startOff',
  'devicePacking',
];
const UNTICKED = 2.5;
const TICKED = 0.4;

/**
 * Hints in the show at what may be wrong with a prop.
 *
 * @param findings of the checks of the show
 * @param prop its index in the show
 */
export function raisesOf(plan: Plan, facts: Facts, findings: readonly Finding[], prop: number): Raise[] {
  const propId = propAt(plan, prop).id;
  const controllers = controllersOfProp(plan, prop);
  const controllerIds = new Set([...controllers].map((index) => controllerAt(plan, index).id));
  const supplyIds = suppliesOf(plan, prop, controllers);
  const found = findings.flatMap((finding): Raise[] => {
    const of = BY_CHECK[finding.check];
    const isOwn =
      finding.propId === undefined
        ? controllerIds.has(finding.controllerId ?? '') || supplyIds.has(finding.supplyId ?? '')
        : finding.propId === propId;
    return of && isOwn ? of.kinds.map((kind) => ({ kind, factor: FOUND, why: of.why })) : [];
  });
  const ticked = [...controllers].flatMap((controller): Raise[] => {
    const device = controllerAt(plan, controller);
    const settings = deviceSettings(plan, controller);
    const values = valuesToTick(settings, device);
    const typed = values.filter(({ field, value }) => facts.isTyped(device.id, field, value)).length;
    // Nobody ticks anything here: that says nothing.
    if (typed === 0) return [];
    const on = { controllerId: device.id };
    const isWhole = typed === values.length;
    const kept = keptValues(settings);
    const step = (name: 'saved' | 'restarted', kind: Fault['kind']): Raise =>
      facts.isStepDone(device.id, name, kept)
        ? { kind, ...on, factor: TICKED, why: `${device.name} is ticked as ${name}` }
        : { kind, ...on, factor: UNTICKED, why: `${device.name} is not ticked as ${name}` };
    return [
      ...SETTINGS.map((kind): Raise => ({
        kind,
        ...on,
        factor: isWhole ? TICKED : UNTICKED,
        why: isWhole
          ? `all values of ${device.name} are ticked`
          : `${values.length - typed} of ${values.length} values of ${device.name} are not ticked as typed`,
      })),
      step('saved', 'notSaved'),
      step('restarted', 'notRestarted'),
    ];
  });
  return [...found, ...ticked];
}

/** Ids of the supplies that feed a prop, by its own leads or through what is tied to it. */
function suppliesOf(plan: Plan, prop: number, controllers: ReadonlySet<number>): Set<string> {
  const groups = powerGroups(plan).filter(
    (group) => group.props.includes(prop) || group.controllers.some((each) => controllers.has(each)),
  );
  const feeds = groups.flatMap((group) => group.feeds.map((feed) => itemAt(plan.show.feeds, feed)));
  return new Set(feeds.flatMap(({ from }) => (from.kind === 'supply' ? [from.supplyId] : [])));
}

/** By how much more than usual a fault is suspected. */
export function raisedBy(raises: readonly Raise[]): (fault: Fault) => number {
  const byKind = new Map<string, Raise[]>();
  for (const raise of raises) byKind.set(raise.kind, [...(byKind.get(raise.kind) ?? []), raise]);
  return (fault) =>
    (byKind.get(fault.kind) ?? []).reduce((factor, raise) => {
      const isOn =
        (raise.controllerId === undefined ||
          !('controllerId' in fault) ||
          fault.controllerId === raise.controllerId) &&
        (raise.propId === undefined || !('propId' in fault) || fault.propId === raise.propId);
      return isOn ? factor * raise.factor : factor;
    }, 1);
}
