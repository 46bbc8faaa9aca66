import { tellingOfController } from '../devices/tellingOn';
import {
  controllersTouchedBy,
  FAULT_KINDS,
  faultsEverywhere,
  priorOf,
  type Fault,
} from '../rig/faults/registry';
import type { AlongWire, OnPixel } from '../rig/fault';
import type { Chain } from '../rig/chain';
import type { Rig } from '../rig/rig';
import { isPanelled } from '../props/registry';
import type { Scope } from './scope';
import { itemAt, valueIn } from '../units/there';
import { propAt, plannedAt, controllerAt } from '../plan/records';

/** Shares of displays under suspicion with no fault, one, two or three. */
export const SHARE_OF_COUNT = [0.03, 0.72, 0.2, 0.05] as const;

/** Shares of displays after a fix with no further fault, or one. */
export const SHARE_AFTER_MENDING = [0.75, 0.22] as const;

/** Faults that sit at a place of a wire. */
type PlaceKind = Extract<Fault, OnPixel>['kind'];
/** Faults that may be anywhere on a wire: of its lights and joints, and a count that ends there. */
export type AnyKind = PlaceKind | 'countWrong';

const ALONG_WIRE = new Map<string, AlongWire | undefined>(
  FAULT_KINDS.map(({ kind, alongWire }) => [kind, alongWire]),
);
const isPlaceKind = (kind: string): kind is PlaceKind =>
  kind !== 'countWrong' && ALONG_WIRE.get(kind) !== undefined;

export const PLACE_KINDS: readonly PlaceKind[] = FAULT_KINDS.map(({ kind }) => kind).filter(isPlaceKind);

/** The look of a wire with such a fault. */
export const alongWireOf = (kind: AnyKind): AlongWire => ALONG_WIRE.get(kind)!;

/** A fault that may be anywhere on a wire. */
export interface AnyPlace {
  kind: AnyKind;
  chain: Chain;
  /** Places of the wire at which it would be seen on the prop: from 1 up to this. */
  places: number;
}

export interface Suspects {
  /** Faults with a fixed place, and their shares; all shares of one fault add up to 1. */
  fixed: readonly { fault: Fault; share: number }[];
  /** Faults anywhere on a wire; each of its places has the share. */
  anywhere: readonly (AnyPlace & { share: number })[];
}

/**
 * Everything that one thing may be the matter with what drives a prop.
 *
 * @param raised by how much more a fault is suspected than usual, by what the show says
 */
export function suspectsOf(scope: Scope, raised: (fault: Fault) => number = () => 1): Suspects {
  const { plan, prop, planned, controllers } = scope;
  const of = propAt(plan, prop);
  const { firstRun, runCount } = plannedAt(plan, prop);
  const ports = new Set(
    plan.runs
      .slice(firstRun, firstRun + runCount)
      .flatMap(({ wire }) => (wire ? [`${wire.controller} ${wire.port}`] : [])),
  );
  const isOwnPort = (controllerId: string, port: number) =>
    ports.has(`${plan.show.controllers.findIndex(({ id }) => id === controllerId)} ${port}`);
  // Panels have no wire from pixel to pixel.
  const wires = isPanelled(of)
    ? []
    : planned.chains.filter((chain) => ports.has(`${chain.controller} ${chain.port}`));
  const counted = new Set(
    wires
      .filter((chain) => pixelsCounted(planned, chain) <= MOST_COUNTED && isCountedPlainly(planned, chain))
      .map((chain) => portKey({ controllerId: controllerAt(plan, chain.controller).id, port: chain.port })),
  );
  const fixed = faultsEverywhere(plan, of.id).filter((fault) => {
    if (isPlaceKind(fault.kind)) return false;
    // A count that is too low may be any.
    if (fault.kind === 'countWrong' && fault.by < 0 && counted.has(portKey(fault))) return false;
    if ('propId' in fault && fault.propId !== of.id) return false;
    if ('port' in fault && 'controllerId' in fault) {
      const at = fault as { controllerId: string; port: number; other?: number };
      const isOwn =
        isOwnPort(at.controllerId, at.port) ||
        (at.other !== undefined && isOwnPort(at.controllerId, at.other));
      if (!isOwn) return false;
    }
    return controllersTouchedBy(plan, fault).some((controller) => controllers.has(controller));
  });
  const lastSeen = (chain: Chain) => {
    let last = 0;
    chain.pixel.forEach((pixel, place) => {
      if (scope.slotOf(pixel) >= 0) last = place + 1;
    });
    return last;
  };
  const anywhere = wires.flatMap((chain): AnyPlace[] => {
    const places = lastSeen(chain);
    const controllerId = controllerAt(plan, chain.controller).id;
    const kinds: AnyKind[] = [
      ...PLACE_KINDS,
      ...(counted.has(portKey({ controllerId, port: chain.port })) ? (['countWrong'] as const) : []),
    ];
    return kinds.map((kind) => ({ kind, chain, places }));
  });
  const countOfKind = new Map<string, number>();
  for (const { kind } of fixed) countOfKind.set(kind, (countOfKind.get(kind) ?? 0) + 1);
  for (const { kind, places } of anywhere) countOfKind.set(kind, (countOfKind.get(kind) ?? 0) + places);
  const weightOf = (kind: Fault['kind']) => priorOf(kind).weight / valueIn(countOfKind, kind);
  const placedWeight = (of: AnyPlace) => weightOf(of.kind) * raised(faultAt(scope, of, 1));
  const weights = fixed.map((fault) => weightOf(fault.kind) * raised(fault));
  const total =
    weights.reduce((sum, each) => sum + each, 0) +
    anywhere.reduce((sum, each) => sum + each.places * placedWeight(each), 0);
  return {
    fixed: fixed.map((fault, i) => ({ fault, share: itemAt(weights, i) / total })),
    anywhere: anywhere.map((each) => ({ ...each, share: placedWeight(each) / total })),
  };
}

/** The fault at a place of a wire. Of a count it is the first light that is not counted any more. */
export function faultAt(
  { plan, planned }: Pick<Scope, 'plan' | 'planned'>,
  { kind, chain }: Pick<AnyPlace, 'kind' | 'chain'>,
  place: number,
): Fault {
  const at = { controllerId: controllerAt(plan, chain.controller).id, port: chain.port };
  return kind === 'countWrong'
    ? { kind, ...at, by: place - 1 - pixelsCounted(planned, chain) }
    : { kind, ...at, place };
}

/** On longer wires only a few counts are suspected. */
const MOST_COUNTED = 5000;

const portKey = ({ controllerId, port }: { controllerId: string; port: number }) => `${controllerId} ${port}`;

const portOf = ({ devices }: Rig, { controller, port }: Pick<Chain, 'controller' | 'port'>) =>
  itemAt(devices, controller).ports.find((each) => each.port === port);

/** Number of pixels that a port counts. */
function pixelsCounted(rig: Rig, chain: Pick<Chain, 'controller' | 'port'>): number {
  return portOf(rig, chain)?.segments.reduce((sum, { pixels }) => sum + pixels, 0) ?? 0;
}

/** Pixels behind the end of a count are dark, and nothing else changes. */
function isCountedPlainly({ plan, devices }: Rig, chain: Pick<Chain, 'controller' | 'port'>): boolean {
  const { limiter, afterCut, ports } = itemAt(devices, chain.controller);
  const port = ports.find((each) => each.port === chain.port);
  return (
    port !== undefined &&
    limiter === null &&
    afterCut.ports === undefined &&
    port.pixels === null &&
    port.direction === 'forward' &&
    port.moreRows.length === 0 &&
    // A count on a device with one start moves the ports behind it.
    tellingOfController(plan, chain.controller).starts.value !== 'device' &&
    port.segments.every(({ hidden }) => hidden === 0)
  );
}

/** Number of places for a fault on a display with another fault. */
export function placesOn(rig: Rig, { kind, chain: { controller, port }, places }: AnyPlace): number {
  const chain = rig.chains.find((each) => each.controller === controller && each.port === port);
  // A pixel that is left out makes its wire shorter.
  const most = Math.min(places, chain?.pixel.length ?? 0);
  if (kind !== 'countWrong') return most;
  return chain && isCountedPlainly(rig, chain) ? Math.min(most, pixelsCounted(rig, chain)) : 0;
}
