import { expose } from 'comlink';
import { gameOf, type Move } from '@/core/practice/game';
import { LEVELS } from '@/core/practice/round';
import { itemAt } from '@/core/units/there';

const practice = {
  game(level: number, seed: number, moves: readonly Move[]) {
    return gameOf(LEVELS.find((each) => each.level === level) ?? itemAt(LEVELS, 0), seed, moves);
  },
};

export type PracticeWorker = typeof practice;

expose(practice);
