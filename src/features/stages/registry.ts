import type { StageId } from '@/core/stages/stages';
import type { StageParts } from '../sheets/stageParts';

/** Fetches the parts of each stage. This is the only place of the interface that knows all stages. */
export const LOADERS: Record<StageId, () => Promise<StageParts>> = {
  build: async () => (await import('../build/parts')).parts,
  route: async () => (await import('../route/parts')).parts,
  patch: async () => (await import('../patch/parts')).parts,
  power: async () => (await import('../power/parts')).parts,
  test: async () => (await import('../testing/parts')).parts,
  print: async () => (await import('../print/parts')).parts,
  log: async () => (await import('../log/parts')).parts,
};
