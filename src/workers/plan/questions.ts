import { comparePolicies } from '@/core/answers/comparePolicies';
import { effectOf } from '@/core/devices/effect';
import { foresee } from '@/core/devices/foresight';
import type { PlanCache } from '@/core/plan/cache';
import { layShow } from '@/core/plan/plan';
import type { LaidShow } from '@/core/plan/planned';
import { applyEdit, type Edit } from '@/core/show/edits/registry';

/** With what a question is answered. */
export interface Known {
  /** The plan of the show that is asked about. */
  plan: LaidShow;
  /** The plan of the show as edited, where that is shown already. */
  edited: LaidShow | null;
  /** Geometry that is threaded already. */
  cache: PlanCache;
}

/** What can be asked of a show that takes other plans to answer. The thread that plans answers it. */
export const QUESTIONS = {
  /** What an edit would do, in a few lines. */
  effect: ({ plan, cache }: Known, edit: Edit) => effectOf(plan, edit, cache),
  /** Both ways of making an edit; null where it moves nothing. */
  foresight: ({ plan, edited, cache }: Known, edit: Edit) =>
    foresee(plan, edit, edited ?? layShow(applyEdit(plan.show, edit), cache), cache),
  /** What the whole show takes under each policy. */
  policies: ({ plan, cache }: Known, rateHz: number) => comparePolicies(plan.show, rateHz, cache),
};

type Questions = typeof QUESTIONS;
export type Question = keyof Questions;
export type Asked<Name extends Question> = Parameters<Questions[Name]>[1];
export type Answer<Name extends Question> = ReturnType<Questions[Name]>;

export function answer<Name extends Question>(name: Name, known: Known, asked: Asked<Name>): Answer<Name> {
  const of = QUESTIONS[name] as (known: Known, asked: Asked<Name>) => Answer<Name>;
  return of(known, asked);
}
