import { z } from 'zod';
import { ShowError } from '../../fields/problem';
import { capitalised } from '../../units/words';
import type { Plan } from '../../plan/planned';
import type { FaultKind } from '../fault';
import type { Rig } from '../rig';
import { allOnOutput1 } from './allOnOutput1';
import { batches } from './batches';
import { blockingPixel } from './blockingPixel';
import { blownFuse } from './blownFuse';
import { bootStateLost } from './bootStateLost';
import { brokenJoint } from './brokenJoint';
import { canvasDefault } from './canvasDefault';
import { channelsWrong } from './channelsWrong';
import { colourOrder } from './colourOrder';
import { countWrong } from './countWrong';
import { darkPixel } from './darkPixel';
import { depthLow } from './depthLow';
import { deviceDim } from './deviceDim';
import { deviceGain } from './deviceGain';
import { devicePacking } from './devicePacking';
import { extraPixel } from './extraPixel';
import { interleaveWrong } from './interleaveWrong';
import { limiterLow } from './limiterLow';
import { lowLevel } from './lowLevel';
import { mirrored } from './mirrored';
import { missingPixel } from './missingPixel';
import { noGround } from './noGround';
import { noPower } from './noPower';
import { notEnabled } from './notEnabled';
import { notReached } from './notReached';
import { notRestarted } from './notRestarted';
import { notSaved } from './notSaved';
import { ownTestRuns } from './ownTestRuns';
import { panelsExchanged } from './panelsExchanged';
import { panelSizeWrong } from './panelSizeWrong';
import { panelTurned } from './panelTurned';
import { pictureCorner } from './pictureCorner';
import { pinoutWrong } from './pinoutWrong';
import { pinTaken } from './pinTaken';
import { portOff } from './portOff';
import { profileDefault } from './profileDefault';
import { protocolOff } from './protocolOff';
import { quarterTurn } from './quarterTurn';
import { reversedRun } from './reversedRun';
import { scanWrong } from './scanWrong';
import { senderGain } from './senderGain';
import { senderOff } from './senderOff';
import { senderPacking } from './senderPacking';
import { serialChatter } from './serialChatter';
import { serpentineWrong } from './serpentineWrong';
import { slowDownWrong } from './slowDownWrong';
import { slowLink } from './slowLink';
import { startOff } from './startOff';
import { starvedEnd } from './starvedEnd';
import { strandsExchanged } from './strandsExchanged';
import { supplyOff } from './supplyOff';
import { supplySags } from './supplySags';
import { swappedPorts } from './swappedPorts';
import { twoSenders } from './twoSenders';
import { universeOff } from './universeOff';
import { widthExchanged } from './widthExchanged';
import { wrongChip } from './wrongChip';
import { wrongPin } from './wrongPin';
import { wrongVolts } from './wrongVolts';

/** Everything that may be the matter, layer by layer. A new one is a file and a line here. */
const KINDS = [
  noPower,
  supplyOff,
  blownFuse,
  supplySags,
  noGround,
  lowLevel,
  wrongVolts,
  starvedEnd,
  bootStateLost,
  notReached,
  protocolOff,
  senderOff,
  notEnabled,
  notSaved,
  portOff,
  wrongPin,
  pinTaken,
  serialChatter,
  ownTestRuns,
  twoSenders,
  countWrong,
  notRestarted,
  brokenJoint,
  blockingPixel,
  darkPixel,
  missingPixel,
  extraPixel,
  colourOrder,
  channelsWrong,
  wrongChip,
  deviceGain,
  senderGain,
  deviceDim,
  limiterLow,
  batches,
  depthLow,
  swappedPorts,
  reversedRun,
  serpentineWrong,
  strandsExchanged,
  mirrored,
  panelTurned,
  quarterTurn,
  panelsExchanged,
  allOnOutput1,
  pictureCorner,
  widthExchanged,
  panelSizeWrong,
  scanWrong,
  interleaveWrong,
  pinoutWrong,
  slowDownWrong,
  devicePacking,
  senderPacking,
  startOff,
  universeOff,
  profileDefault,
  canvasDefault,
  slowLink,
] as const;

export type Fault = Parameters<(typeof KINDS)[number]['apply']>[1];

/** A kind that is given a fault of its own. */
type AnyKind = FaultKind<Fault>;
const ALL = KINDS as unknown as readonly AnyKind[];

export const FAULT_KINDS: readonly Pick<AnyKind, 'kind' | 'name' | 'layer' | 'prior' | 'alongWire'>[] = ALL;

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
export const priorOf = (kind: Fault['kind']) => kindOf({ kind })!.prior;
export const layerOf = (fault: Fault) => kindOf(fault)!.layer;
export const controllersTouchedBy = (plan: Plan, fault: Fault) => kindOf(fault)!.touches(plan, fault);

/** Every fault that a show can have, of one kind or of all. */
export function faultsOf(plan: Plan, kind?: string): Fault[] {
  return ALL.filter((each) => kind === undefined || each.kind === kind).flatMap((each) => each.places(plan));
}

/** Every fault that what drives a prop can have, at each place where it can be. */
export const faultsEverywhere = (plan: Plan, propId: string): Fault[] =>
  ALL.flatMap(({ everywhere, places }) => everywhere?.(plan, propId) ?? places(plan));

/** A display in which some things are the matter, the one after the other. */
export function withFaults(rig: Rig, faults: readonly Fault[]): Rig {
  return faults.reduce((changed, fault) => kindOf(fault)!.apply(changed, fault), rig);
}
