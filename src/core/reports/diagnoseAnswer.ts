import { z } from 'zod';
import { PERCEIVED } from '../diagnose/perceive';
import { scopeOf, sessionState, type Told } from '../diagnose/session';
import { ShowError } from '../fields/problem';
import { planShow } from '../plan/plan';
import { readFault } from '../rig/faults/registry';
import { readOlderFile } from '../plan/keptAddresses';
import { parseJson } from '../fields/parseJson';
import { propAt } from '../plan/records';

const faults = z.array(z.unknown()).max(3);

const askedSchema = z.strictObject({
  show: z.unknown(),
  propId: z.string(),
  evidence: z
    .array(
      z.union([
        z.strictObject({
          trial: z.string(),
          /** It looks as it would with these faults: none where it is as planned. Left out where nobody can tell. */
          looksLike: faults.optional(),
          /** None of the answers that were shown was right: this was said instead. */
          isOther: z.boolean().optional(),
        }),
        /** None of the answers was right: this is seen, stretch by stretch. */
        z.strictObject({
          trial: z.string(),
          described: z
            .array(z.strictObject({ from: z.int().min(1), to: z.int().min(1), colour: z.enum(PERCEIVED) }))
            .min(1)
            .max(100),
        }),
        /** The named faults are mended; later evidence was seen after that. */
        z.strictObject({ mended: faults }),
      ]),
    )
    .max(60),
});

/**
 * The suspects after some evidence, and the next test.
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
  const plan = planShow(readOlderFile(read.data.show).show);
  const prop = plan.show.props.findIndex(({ id }) => id === propId);
  if (prop === -1) throw new ShowError(`There is no prop “${propId}”.`);
  const scope = scopeOf(plan, prop);
  if (!scope)
    throw new ShowError(`${propAt(plan, prop).name} is on no port, so nothing of it can be tried.`);
  const told = evidence.map((each): Told => {
    if ('mended' in each) return { mended: each.mended.map(readFault) };
    if (!scope.trial(each.trial))
      throw new ShowError(
        `There is no trial “${each.trial}” for this prop; there are ${scope.trials.map(({ id }) => id).join(', ')}.`,
      );
    if ('described' in each)
      return {
        trial: each.trial,
        described: each.described.map(({ from, to, colour }) => ({
          from,
          to,
          code: PERCEIVED.indexOf(colour),
        })),
      };
    return each.looksLike
      ? {
          trial: each.trial,
          looksLike: each.looksLike.map(readFault),
          ...(each.isOther && { isOther: true }),
        }
      : { trial: each.trial, cantTell: true };
  });
  const state = sessionState(scope, told);
  const { toldCount: _, ...found } = state;
  return {
    ...found,
    next: state.next && {
      trial: state.next.trial,
      bits: state.next.bits,
      more: state.next.more,
      answers: state.next.answers.map(({ faults: looksLike, sentences, share, isAsPlanned, words }) => ({
        share,
        isAsPlanned,
        words,
        looksLike,
        sentences,
      })),
    },
  };
}
