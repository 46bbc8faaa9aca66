import type { Controller } from '../catalogue/controller';
import type { Prop } from '../props/registry';
import type { PatchEntry } from '../show/schema';
import type { Addressing, NewUniverse, Packing } from '../catalogue/packing';

/**
 * The rule by which the channels of a run fill universes. It can be set at every level, and what is nearer to the run counts: the run itself, its
 * prop, its port, its controller, the show.
 */
export function policyOf(
  addressing: Addressing,
  controller: Controller,
  port: number,
  prop: Prop,
  entry: Pick<PatchEntry, 'packing'>,
): { packing: Packing; newUniverse: NewUniverse } {
  const ofPort = controller.portOptions?.find((options) => options.port === port);
  return {
    packing: entry.packing ?? prop.packing ?? ofPort?.packing ?? controller.packing ?? addressing.packing,
    newUniverse: prop.newUniverse ?? ofPort?.newUniverse ?? controller.newUniverse ?? addressing.newUniverse,
  };
}
