import { z } from 'zod';
import { ShowError } from '../../fields/problem';
import { capitalised } from '../../units/words';
import type { Plan } from '../../plan/planned';
import type { FaultKind } from '../fault';
import type { Rig } from '../rig';
import { blockingPixel } from './blockingPixel';
import { blownFuse } from './blownFuse';
import { brokenJoint } from './brokenJoint';
import { channelsWrong } from './channelsWrong';
import { colourOrder } from './colourOrder';
import { countWrong } from './countWrong';
import { darkPixel } from './darkPixel';
import { deviceGain } from './deviceGain';
import { devicePacking } from './devicePacking';
import { extraPixel } from './extraPixel';
import { lowLevel } from './lowLevel';
import { mirrored } from './mirrored';
import { missingPixel } from './missingPixel';
import { noGround } from './noGround';
import { noPower } from './noPower';
import { notEnabled } from './notEnabled';
import { notReached } from './notReached';
import { ownTestRuns } from './ownTestRuns';
import { panelsExchanged } from './panelsExchanged';
import { panelTurned } from './panelTurned';
import { portOff } from './portOff';
import { reversedRun } from './reversedRun';
import { senderGain } from './senderGain';
import { senderOff } from './senderOff';
import { senderPacking } from './senderPacking';
import { serpentineWrong } from './serpentineWrong';
import { startOff } from './startOff';
import { strandsExchanged } from './strandsExchanged';
import { swappedPorts } from './swappedPorts';
import { universeOff } from './universeOff';
import { wrongVolts } from './wrongVolts';

/** Everything that may be the matter, layer by layer. A new one is a file and a line here. */
const KINDS = [
  noPower,
  blownFuse,
  noGround,
  lowLevel,
  wrongVolts,
  notReached,
  senderOff,
  notEnabled,
  portOff,
  ownTestRuns,
  countWrong,
  brokenJoint,
  blockingPixel,
  darkPixel,
  missingPixel,
  extraPixel,
  colourOrder,
  channelsWrong,
  deviceGain,
  senderGain,
  swappedPorts,
  reversedRun,
  serpentineWrong,
  strandsExchanged,
  mirrored,
  panelTurned,
  panelsExchanged,
  devicePacking,
  senderPacking,
  startOff,
  universeOff,
] as const;

export type Fault = Parameters<(typeof KINDS)[number]['apply']>[1];

/** A kind that is given a fault of its own. */
type AnyKind = FaultKind<Fault>;
const ALL = KINDS as unknown as readonly AnyKind[];

export const FAULT_KINDS: readonly Pick<AnyKind, 'kind' | 'name' | 'layer'>[] = ALL;

const kindOf = (fault: { kind: string }) => ALL.find(({ kind }) => kind === fault.kind);

/** @throws ShowError with what is wrong and what is allowed */
export function readFault(value: unknown): Fault {
  const kind = kindOf(z.looseObject({ kind: z.string() }).safeParse(value).data ?? { kind: '' });
  if (!kind) throw new ShowError(`A fault has a kind, one of ${ALL.map((each) => each.kind).join(', ')}.`);
  const read = kind.schema.safeParse(value);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new ShowError(`${kind.name}: ${issue!.path.join('.') || 'it'} is not right (${issue!.message}).`);
}

export const sentenceOf = (plan: Plan, fault: Fault) => capitalised(kindOf(fault)!.sentence(plan, fault));
export const layerOf = (fault: Fault) => kindOf(fault)!.layer;
export const controllersTouchedBy = (plan: Plan, fault: Fault) => kindOf(fault)!.touches(plan, fault);

/** Every fault that a show can have, of one kind or of all. */
export function faultsOf(plan: Plan, kind?: string): Fault[] {
  return ALL.filter((each) => kind === undefined || each.kind === kind).flatMap((each) => each.places(plan));
}

/** A display in which some things are the matter, the one after the other. */
export function withFaults(rig: Rig, faults: readonly Fault[]): Rig {
  return faults.reduce((changed, fault) => kindOf(fault)!.apply(changed, fault), rig);
}
