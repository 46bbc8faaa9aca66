import { useLocalStorage } from '@mantine/hooks';
import { useCallback } from 'react';

/** Results of rounds, kept in this browser. */
interface PlayedRound {
  level: number;
  seed: number;
  points: number;
  tests: number;
  at: string;
}

const MOST_KEPT = 200;

/** The best of each round is kept, the latest rounds first. */
export function useProgress(): [readonly PlayedRound[], (round: PlayedRound) => void] {
  const [rounds, setRounds] = useLocalStorage<readonly PlayedRound[]>({
    key: 'rapid-lantern.practice',
    defaultValue: [],
    deserialize: (text) => {
      try {
        const read: unknown = JSON.parse(text ?? '[]');
        return Array.isArray(read) ? read.filter(isRound) : [];
      } catch {
        return [];
      }
    },
  });
  const keep = useCallback(
    (round: PlayedRound) =>
      setRounds((before) => {
        const known = before.find(({ level, seed }) => level === round.level && seed === round.seed);
        if (known && known.points >= round.points) return before;
        return [round, ...before.filter((each) => each !== known)].slice(0, MOST_KEPT);
      }),
    [setRounds],
  );
  return [rounds, keep];
}

function isRound(value: unknown): value is PlayedRound {
  if (typeof value !== 'object' || value === null) return false;
  const { level, seed, points, tests, at } = value as Record<string, unknown>;
  return (
    [level, seed, points, tests].every((each) => typeof each === 'number' && Number.isFinite(each)) &&
    typeof at === 'string'
  );
}
