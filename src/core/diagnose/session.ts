import type { Plan } from '../plan/planned';
import { sentenceOf, type Fault } from '../rig/faults/registry';
import { rigOf, type RigSetup } from '../rig/rigFacts';
import { Diagnosis, type PossibleAnswer } from './diagnosis';
import { MOST_ANSWERS } from './evidence';
import { isSure } from './play';
import { raisedBy, type Raise } from './raised';
import { Scope, type Seen } from './scope';
import { seenWords } from './seenWords';
import type { Trial } from './trials';

/** Lights of a prop that look the same: from one to another in data order, counted from 1. */
export interface Stretch {
  from: number;
  to: number;
  /** One of what a person can name. */
  code: number;
}

/** Observations, one after another. */
export type Told =
  /** A trial looks as it would with these faults: none of them where it is as planned. */
  | { trial: string; looksLike: readonly Fault[]; isOther?: boolean }
  /** None of the pictures was right: this is what was seen, stretch by stretch. Of what is not named nothing is said. */
  | { trial: string; described: readonly Stretch[] }
  /** Nobody could tell. */
  | { trial: string; cantTell: true }
  /** The rig on this machine answered, as it was then. */
  | { trial: string; byRig: RigSetup }
  /** The named faults are fixed. */
  | { mended: readonly Fault[] };

/** Faults with a sentence each. */
interface NamedWay {
  faults: readonly Fault[];
  sentences: string[];
}

interface AnswerOffered extends NamedWay {
  share: number;
  isAsPlanned: boolean;
  /** The picture in a few words; for values that are read, those that differ. */
  words: string;
  /** Codes of what is seen, at the moment that shows most. */
  seen: Seen;
}

export interface SessionState {
  /** Number of observations that it takes in. */
  toldCount: number;
  isSure: boolean;
  /** Ways that are thought of. */
  thoughtOf: number;
  /** The likeliest first; those of a class nothing that can be tried tells apart. */
  classes: { share: number; ways: NamedWay[]; against: string[] }[];
  /** Number of answers that suspects are compared with. */
  evidenceCount: number;
  /** Since something was mended last. */
  isAfterMending: boolean;
  next: {
    trial: Pick<Trial, 'id' | 'name' | 'says' | 'blindTo' | 'how' | 'pattern' | 'level'>;
    bits: number;
    answers: AnswerOffered[];
    /** It can be described: it does not move, and nothing is read. */
    isStill: boolean;
    /** The picture to expect; null where something is read. */
    planned: Seen | null;
    /** Answers that are too unlikely to be shown. */
    more: number;
  } | null;
}

const named = (plan: Plan, faults: readonly Fault[]): NamedWay => ({
  faults,
  sentences: faults.map((fault) => sentenceOf(plan, fault)),
});

interface SearchWish {
  /** A trial that is asked for before all others, as long as nothing was said of it. */
  first?: string | null;
  /** Faults that are suspected more than usual, or less. */
  raises?: readonly Raise[];
  /** Told how much is done, from 0 to 1. */
  progress?: (part: number) => void;
}

/** Scopes take a while; that of the prop that was asked about last is kept. */
const scopes = new WeakMap<Plan, Scope>();

/** Null where the prop is on no port: nothing of it can be tried. */
export function scopeOf(plan: Plan, prop: number): Scope | null {
  let scope = scopes.get(plan);
  if (scope?.prop !== prop) scopes.set(plan, (scope = new Scope(plan, prop)));
  return scope.controllers.size === 0 || scope.count === 0 ? null : scope;
}

/** The state of a search, from all observations so far. */
export function sessionState(
  scope: Scope,
  told: readonly Told[],
  { first = null, raises = [], progress }: SearchWish = {},
): SessionState {
  const { plan } = scope;
  let diagnosis = new Diagnosis(scope, { raised: raisedBy(raises) });
  let isAfterMending = false;
  let isAsked = false;
  for (const each of told) {
    if ('mended' in each) {
      diagnosis = diagnosis.mended(each.mended);
      [isAfterMending, isAsked] = [true, false];
      continue;
    }
    const trial = scope.trial(each.trial);
    if (!trial) continue;
    isAsked = true;
    if ('cantTell' in each) diagnosis.answer(each.trial, null);
    // The rig presses no picture beside the right one.
    else if ('byRig' in each) diagnosis.answer(each.trial, scope.see(rigOf(plan, each.byRig), trial), false);
    else if ('described' in each) diagnosis.answer(each.trial, scope.described(trial, each.described), false);
    else diagnosis.answer(each.trial, scope.see(scope.rigWith(each.looksLike), trial), each.isOther !== true);
  }
  const wanted = told.some((each) => 'trial' in each && each.trial === first)
    ? undefined
    : scope.trial(first ?? '');
  const next = wanted ? diagnosis.asking(wanted) : diagnosis.next(progress);
  return {
    toldCount: told.length,
    isSure: isAsked && isSure(diagnosis),
    thoughtOf: diagnosis.count,
    classes: diagnosis.classes().map(({ share, ways, against }) => ({
      share,
      against: against.map((id) => scope.trial(id)!.name),
      ways: ways.slice(0, MOST_ANSWERS).map((faults) => named(plan, faults)),
    })),
    evidenceCount: diagnosis.evidenceCount,
    isAfterMending,
    next: next && {
      trial: next.trial,
      bits: next.bits,
      answers: next.answers.slice(0, MOST_ANSWERS).map((answer) => ({
        ...named(plan, answer.faults),
        share: answer.share,
        isAsPlanned: answer.isAsPlanned,
        words: wordsOf(scope, next.trial, answer),
        seen: momentOf(scope, next.trial, answer.seen),
      })),
      isStill: next.trial.how !== 'look' && next.trial.moments.length === 1,
      planned: next.trial.how === 'look' ? null : scope.see(scope.planned, next.trial).slice(0, scope.count),
      more: Math.max(0, next.answers.length - MOST_ANSWERS),
    },
  };
}

function wordsOf(scope: Scope, trial: Trial, { seen, faults, isAsPlanned }: PossibleAnswer): string {
  if (isAsPlanned) return 'As planned';
  if (trial.how === 'look') return faults.map((fault) => sentenceOf(scope.plan, fault)).join(' ');
  const planned = scope.see(scope.planned, trial);
  return seenWords(momentOf(scope, trial, seen), momentOf(scope, trial, planned));
}

/** The moment of a moving trial at which it looks least as planned; of a look, every value. */
function momentOf(scope: Scope, trial: Trial, seen: Seen): Seen {
  if (trial.how === 'look' || trial.moments.length === 1) return seen;
  const planned = scope.see(scope.planned, trial);
  let [best, most] = [0, -1];
  trial.moments.forEach((_, moment) => {
    let differs = 0;
    for (let i = moment * scope.count; i < (moment + 1) * scope.count; i += 1)
      if (seen[i] !== planned[i]) differs += 1;
    if (differs > most) [best, most] = [moment, differs];
  });
  return seen.slice(best * scope.count, (best + 1) * scope.count);
}
