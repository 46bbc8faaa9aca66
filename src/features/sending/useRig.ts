import { useCallback, useMemo } from 'react';
import { rigNote, rigSetup, type RigSetup } from '@/core/rig/rigFacts';
import { useNote, useShow } from '../show/ShowProvider';

/** Differences of the simulator from the plan, and a function that changes them. */
export function useRig(): readonly [setup: RigSetup, change: (change: Partial<RigSetup>) => void] {
  const facts = useShow((state) => state.facts);
  const id = useShow((state) => state.id);
  const note = useNote();
  const setup = useMemo(() => rigSetup(facts), [facts]);
  const change = useCallback(
    (next: Partial<RigSetup>) => note(rigNote(facts, id, { ...setup, ...next })),
    [note, facts, id, setup],
  );
  return [setup, change];
}
