import { z } from 'zod';
import { Diagnosis, MOST_ANSWERS } from '../diagnose/diagnosis';
import { isSure } from '../diagnose/play';
import { Scope } from '../diagnose/scope';
import { ShowError } from '../fields/problem';
import { planShow } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { readFault, sentenceOf, type Fault } from '../rig/faults/registry';
import { parseJson, readShow } from '../show/read';

const askedSchema = z.strictObject({
  show: z.unknown(),
  propId: z.string(),
  evidence: z
    .array(
      z.strictObject({
        trial: z.string(),
        /** It looks as it would with these faults: none where it is as planned. Left out where nobody can tell. */
        looksLike: z.array(z.unknown()).max(3).optional(),
        /** None of the answers that were shown was right: this was said instead. */
        isOther: z.boolean().optional(),
      }),
    )
    .max(40),
});

const words = (plan: Plan, faults: readonly Fault[]) =>
  faults.map((fault) => ({ ...fault, sentence: sentenceOf(plan, fault) }));

/**
 * What is suspected after what was seen, and what to try next.
 *
 * @param text `{"show": a show file, "propId": "...", "evidence": [{"trial": "red", "looksLike": []}]}`
 * @throws ShowError with a sentence for each thing that is wrong
 */
export function diagnoseAnswer(text: string) {
  const read = askedSchema.safeParse(parseJson(text, 'This is not JSON'));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new ShowError(
      `Send {"show": a show file, "propId": "...", "evidence": [{"trial": "red", "looksLike": [faults]}]}; “${issue!.path.join('.')}” is not right (${issue!.message}).`,
    );
  }
  const { propId, evidence } = read.data;
  const plan = planShow(readShow(read.data.show));
  const prop = plan.show.props.findIndex(({ id }) => id === propId);
  if (prop === -1) throw new ShowError(`There is no prop “${propId}”.`);
  const scope = new Scope(plan, prop);
  if (scope.controllers.size === 0)
    throw new ShowError(`${plan.show.props[prop]!.name} is on no port, so nothing of it can be tried.`);
  const diagnosis = new Diagnosis(scope);
  for (const { trial, looksLike, isOther } of evidence) {
    const found = scope.trial(trial);
    if (!found)
      throw new ShowError(
        `There is no trial “${trial}” for this prop; there are ${scope.trials.map(({ id }) => id).join(', ')}.`,
      );
    const seen = looksLike ? scope.see(scope.rigWith(looksLike.map(readFault)), found) : null;
    diagnosis.answer(trial, seen, !isOther);
  }
  const next = diagnosis.next();
  return {
    isSure: evidence.length > 0 && isSure(diagnosis),
    thoughtOf: diagnosis.count,
    /** The likeliest first; those of a class nothing that can be tried tells apart. */
    classes: diagnosis.classes().map(({ share, ways }) => ({
      share,
      ways: ways.slice(0, MOST_ANSWERS).map((faults) => words(plan, faults)),
    })),
    suspects: diagnosis.ranking().map(({ faults, share, against }) => ({
      share,
      faults: words(plan, faults),
      doesNotExplain: against,
    })),
    next: next && {
      trial: next.trial.id,
      name: next.trial.name,
      says: next.trial.says,
      blindTo: next.trial.blindTo,
      bits: next.bits,
      effort: next.trial.effort,
      answers: next.answers.slice(0, MOST_ANSWERS).map(({ faults, share, isAsPlanned }) => ({
        share,
        isAsPlanned,
        looksLike: words(plan, faults),
      })),
      more: Math.max(0, next.answers.length - MOST_ANSWERS),
    },
  };
}
