import { areAlike, play, withoutMended } from '../diagnose/play';
import { Diagnosis } from '../diagnose/diagnosis';
import type { Seen } from '../diagnose/scope';
import { faultAt, suspectsOf } from '../diagnose/suspects';
import type { Trial } from '../diagnose/trials';
import { FAULT_KINDS, layerOf, sentenceOf, type Fault } from '../rig/faults/registry';
import type { Layer } from '../rig/fault';
import { portName } from '../catalogue/controller';
import type { Show } from '../show/schema';
import { scoreOf, type Score } from './score';
import { roundOf, type Level, type Round } from './round';
import { controllerAt } from '../plan/records';

/** Acts of the player, one after another. */
export type Move =
  | { test: string }
  | { mend: Fault }
  /** A fault at a place of a wire: which of `placed`, and the place from 1. */
  | { mendAt: { placed: number; place: number } }
  | { giveUp: true };

/** A test that was spent. */
export interface Spent {
  trial: string;
  name: string;
  /** Codes by light, at the moment that shows most; null where something is read. */
  seen: Seen | null;
  planned: Seen | null;
  isAsPlanned: boolean;
  /** Whatever it had shown, nothing would have followed: all that was still possible looks the same in it. */
  isBlind: boolean;
}

export interface Mended {
  fault: Fault;
  sentence: string;
  isRight: boolean;
}

/** A test of the engine with what it suspects after it, the likeliest first; or what it names. */
export type SolvedStep = { spent: Spent; suspects: string[] } | { named: string };

/** A fault that may be chosen as the one that is mended. */
interface Choice {
  layer: Layer;
  sentence: string;
  fault: Fault;
}

/** A kind of fault that may be at any place of the wire of a port. */
interface PlacedChoice {
  name: string;
  kind: Fault['kind'];
  controllerId: string;
  port: number;
  portName: string;
  places: number;
}

export interface GameState {
  movesCount: number;
  show: Show;
  prop: number;
  trials: Pick<Trial, 'id' | 'name' | 'says' | 'blindTo' | 'how' | 'effort'>[];
  choices: Choice[];
  placed: PlacedChoice[];
  done: (Spent | Mended)[];
  /** Faults that are still hidden. */
  left: number;
  isOver: boolean;
  isWon: boolean;
  /** Once it is over. */
  score: Score | null;
  solution: SolvedStep[] | null;
  hidden: string[] | null;
}

const MOST_QUESTIONS = 14;
/** Less than this cannot be learned from a test. */
const BLIND_BITS = 0.01;

/** A game from its moves: the same for the same moves. */
export function gameOf(level: Level, seed: number, moves: readonly Move[]): GameState {
  const round = roundOf(level, seed);
  const { scope, plan, prop, hidden } = round;
  const done: (Spent | Mended)[] = [];
  let left = hidden;
  let diagnosis = new Diagnosis(scope);
  let isGivenUp = false;
  for (const move of moves) {
    if ('giveUp' in move) isGivenUp = true;
    else if ('mend' in move || 'mendAt' in move) {
      const fault = 'mend' in move ? move.mend : placedFault(round, move.mendAt);
      if (!fault) continue;
      const after = withoutMended(scope, left, [fault]);
      const isRight = after.length < left.length;
      done.push({ fault, sentence: sentenceOf(plan, fault), isRight });
      if (isRight) diagnosis = diagnosis.mended([fault]);
      left = after;
    } else {
      const trial = scope.trial(move.test);
      if (!trial) continue;
      const seen = scope.see(scope.rigWith(left), trial);
      const planned = scope.see(scope.planned, trial);
      const { bits } = diagnosis.asking(trial);
      diagnosis.answer(trial.id, seen, false);
      done.push(spentOf(round, trial, seen, planned, bits < BLIND_BITS));
    }
  }
  const isWon = areAlike(scope, scope.rigWith(left), scope.planned);
  const isOver = isWon || isGivenUp;
  return {
    movesCount: moves.length,
    show: plan.show,
    prop,
    trials: scope.trials.map(({ id, name, says, blindTo, how, effort }) => ({
      id,
      name,
      says,
      blindTo,
      how,
      effort,
    })),
    ...choicesOf(round),
    done,
    left: left.length,
    isOver,
    isWon,
    ...(isOver ? solved(round, done, isWon) : { score: null, solution: null, hidden: null }),
  };
}

function spentOf({ scope }: Round, trial: Trial, seen: Seen, planned: Seen, isBlind: boolean): Spent {
  const isAsPlanned = seen.every((code, i) => code === planned[i]);
  if (trial.how === 'look')
    return { trial: trial.id, name: trial.name, seen: null, planned: null, isAsPlanned, isBlind };
  // The moment of a moving trial at which it is least as planned.
  let [best, most] = [0, -1];
  trial.moments.forEach((_, moment) => {
    let differs = 0;
    for (let i = moment * scope.count; i < (moment + 1) * scope.count; i += 1)
      if (seen[i] !== planned[i]) differs += 1;
    if (differs > most) [best, most] = [moment, differs];
  });
  const at = (codes: Seen) => codes.slice(best * scope.count, (best + 1) * scope.count);
  return { trial: trial.id, name: trial.name, seen: at(seen), planned: at(planned), isAsPlanned, isBlind };
}

function placedFault({ scope }: Round, { placed, place }: { placed: number; place: number }): Fault | null {
  const of = suspectsOf(scope).anywhere[placed];
  return of && place >= 1 && place <= of.places ? faultAt(scope, of, place) : null;
}

function choicesOf({ scope, plan }: Round): Pick<GameState, 'choices' | 'placed'> {
  const { fixed, anywhere } = suspectsOf(scope);
  const nameOf = (kind: Fault['kind']) => FAULT_KINDS.find((each) => each.kind === kind)!.name;
  return {
    choices: fixed.map(({ fault }) => ({ layer: layerOf(fault), sentence: sentenceOf(plan, fault), fault })),
    placed: anywhere.map(({ kind, chain, places }) => {
      const controller = controllerAt(plan, chain.controller);
      return {
        name: nameOf(kind),
        kind,
        controllerId: controller.id,
        port: chain.port,
        portName: portName(controller, chain.port),
        places,
      };
    }),
  };
}

/** The questions and the result of the engine, beside those of the player. */
function solved(
  round: Round,
  done: readonly (Spent | Mended)[],
  isWon: boolean,
): Pick<GameState, 'score' | 'solution' | 'hidden'> {
  const { scope, plan, hidden } = round;
  const solution: SolvedStep[] = [];
  const words = (faults: readonly Fault[]) =>
    faults.map((fault) => sentenceOf(plan, fault)).join(' ') || 'Nothing: all as planned';
  const played = play(scope, hidden, MOST_QUESTIONS, {
    heard: (step) =>
      solution.push(
        'named' in step
          ? { named: words(step.named) }
          : {
              spent: spentOf(round, step.trial, step.seen, scope.see(scope.planned, step.trial), false),
              suspects: step.left.map(words),
            },
      ),
  });
  return {
    score: scoreOf({
      tests: done.filter((each) => 'trial' in each).length,
      blind: done.filter((each) => 'trial' in each && each.isBlind).length,
      wrong: done.filter((each) => 'fault' in each && !each.isRight).length,
      engineTests: played.questions,
      isWon,
    }),
    solution,
    hidden: hidden.map((fault) => sentenceOf(plan, fault)),
  };
}
