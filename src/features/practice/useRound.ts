import { useCallback, useSyncExternalStore } from 'react';
import { LEVELS, MOST_SEED } from '@/core/practice/round';
import { moveTo, onMove } from '../view/browserAddress';

/** Which round is played: in the address, so that two people can play the same one. */
export interface RoundAddress {
  level: number;
  seed: number;
}

function roundOfAddress(search: string): RoundAddress | null {
  const query = new URLSearchParams(search);
  const [level, seed] = [Number(query.get('level')), Number(query.get('seed'))];
  const isThere = LEVELS.some((each) => each.level === level);
  return isThere && Number.isInteger(seed) && seed >= 1 && seed <= MOST_SEED ? { level, seed } : null;
}

export const anySeed = () => 1 + Math.floor(Math.random() * MOST_SEED);

/** Null where the address names no round. */
export function useRound(): [RoundAddress | null, (round: RoundAddress | null) => void] {
  const search = useSyncExternalStore(
    onMove,
    () => window.location.search,
    () => '',
  );
  const go = useCallback((round: RoundAddress | null) => {
    moveTo(round ? `/practice?level=${round.level}&seed=${round.seed}` : '/practice');
  }, []);
  return [roundOfAddress(search), go];
}
