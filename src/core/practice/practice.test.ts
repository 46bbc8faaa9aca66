import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { play } from '../diagnose/play';
import type { Fault } from '../rig/faults/registry';
import { gameOf, type Move } from './game';
import { LEVELS, roundOf } from './round';
import { scoreOf } from './score';

const level = fc.constantFrom(...LEVELS);

it('hides as many faults as the level says, of its layers, the same for the same seed', () => {
  fc.assert(
    fc.property(level, fc.integer({ min: 1, max: 400 }), (of, seed) => {
      const round = roundOf(of, seed);
      expect(round.hidden).toHaveLength(of.faults);
      expect(new Set(round.hidden.map(({ kind }) => kind)).size).toBe(of.faults);
      const { show, choices, placed, isWon } = gameOf(of, seed, []);
      expect(isWon).toBe(false);
      expect(gameOf(of, seed, []).show).toEqual(show);
      // Every hidden fault can be chosen.
      for (const fault of round.hidden)
        expect(
          choices.some((each) => JSON.stringify(each.fault) === JSON.stringify(fault)) ||
            placed.some(({ kind }) => kind === fault.kind),
        ).toBe(true);
    }),
    { numRuns: tries(25) },
  );
});

it('is won by mending what is hidden, and scored against the engine', () => {
  fc.assert(
    fc.property(level, fc.integer({ min: 1, max: 200 }), (of, seed) => {
      const { hidden, scope } = roundOf(of, seed);
      const moves: Move[] = [{ test: 'red' }, ...hidden.map((mend) => ({ mend }))];
      const game = gameOf(of, seed, moves);
      expect(game.isWon).toBe(true);
      expect(game.left).toBe(0);
      expect(game.score!.tests).toBe(1);
      expect(game.score!.engineTests).toBe(play(scope, hidden, 14).questions);
      expect(game.hidden).toHaveLength(of.faults);
      expect(game.solution!.filter((step) => 'spent' in step).length).toBeGreaterThanOrEqual(
        game.score!.engineTests,
      );
    }),
    { numRuns: tries(10) },
  );
});

it('counts tests that could tell nothing and mends that were wrong', () => {
  const [easy] = LEVELS as [(typeof LEVELS)[number]];
  const { choices } = gameOf(easy, 3, []);
  const { hidden } = roundOf(easy, 3);
  const wrong = choices.find(({ layer }) => layer === 'packing')!.fault;
  const game = gameOf(easy, 3, [{ test: 'red' }, { test: 'red' }, { mend: wrong }, { giveUp: true }]);
  expect(game.isOver).toBe(true);
  expect(game.isWon).toBe(false);
  expect(game.score).toMatchObject({ points: 0, tests: 2, wrong: 1 });
  // The same once more tells nothing new unless somebody slipped.
  expect(game.done.map((each) => ('trial' in each ? each.isBlind : null))[0]).toBe(false);
  const won = gameOf(easy, 3, [...hidden.map((mend) => ({ mend })), { test: 'off' }]);
  expect(won.score!.lines[0]!.points).toBe(100);
});

it('is won by a fault at a place of a wire, whichever of those that look alike is named', () => {
  const [easy] = LEVELS as [(typeof LEVELS)[number]];
  const seed = Array.from({ length: 400 }, (_, i) => i + 1).find(
    (each) => roundOf(easy, each).hidden[0]!.kind === 'brokenJoint',
  )!;
  const { hidden } = roundOf(easy, seed);
  const joint = hidden[0] as Extract<Fault, { kind: 'brokenJoint' }>;
  const { placed } = gameOf(easy, seed, []);
  const at = placed.findIndex(({ kind, port }) => kind === 'blockingPixel' && port === joint.port);
  const mendAt = (place: number) => gameOf(easy, seed, [{ mendAt: { placed: at, place } }]);
  expect(mendAt(joint.place).isWon).toBe(true);
  expect(mendAt(joint.place === 1 ? 2 : joint.place - 1).isWon).toBe(false);
  expect(mendAt(100_000).done).toEqual([]);
});

it('takes off points for more tests, blind ones and wrong mends, and none below zero', () => {
  const won = { tests: 4, blind: 1, wrong: 1, engineTests: 3, isWon: true };
  expect(scoreOf(won).points).toBe(100 - 5 - 5 - 15);
  expect(scoreOf({ ...won, tests: 60 }).points).toBe(0);
  expect(scoreOf({ ...won, isWon: false }).points).toBe(0);
  expect(scoreOf({ ...won, tests: 3, blind: 0, wrong: 0 }).points).toBe(100);
});
