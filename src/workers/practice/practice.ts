import type { GameState, Move } from '@/core/practice/game';
import { startThread } from '../thread';
import type { PracticeWorker } from './practice.worker';

/** Plays in a thread of its own; `stop` ends it. */
export interface Practice {
  game: (level: number, seed: number, moves: readonly Move[]) => Promise<GameState>;
  stop: () => void;
}

export function startPractice(): Practice {
  const { remote, answer, stop } = startThread<PracticeWorker>(
    new Worker(new URL('./practice.worker.ts', import.meta.url), { type: 'module' }),
  );
  return {
    game: (level, seed, moves) => answer(remote.game(level, seed, moves) as unknown as Promise<GameState>),
    stop,
  };
}
