import { useCallback, useMemo } from 'react';
import type { Fault } from '@/core/rig/faults/registry';
import { rigFaults, rigNote } from '@/core/rig/rigFacts';
import { useNote, useShow } from '../show/ShowProvider';

/** What is the matter with the display that stands in for the real one, and how to change that. */
export function useRigFaults(): readonly [faults: readonly Fault[], set: (faults: readonly Fault[]) => void] {
  const facts = useShow((state) => state.facts);
  const id = useShow((state) => state.id);
  const note = useNote();
  const faults = useMemo(() => rigFaults(facts), [facts]);
  const set = useCallback((next: readonly Fault[]) => note(rigNote(facts, id, next)), [note, facts, id]);
  return [faults, set];
}
