import { z } from 'zod';
import { digestOf, stepOf, type Fact, type Facts, type Note } from '../show/facts';
import type { BringUpStep } from './step';

/** The result of a step, as it stands in the facts about its thing. */
const seenSchema = z.strictObject({
  seen: z.enum(['asPlanned', 'otherwise']),
  /** A short word for what it was checked with. */
  with: z.string().max(40),
  volts: z.number().min(-600).max(600).optional(),
  words: z.string().max(300).optional(),
});
type StepSeen = z.infer<typeof seenSchema>;

export type StepState = 'open' | 'asPlanned' | 'otherwise' | 'again';

const fieldOf = ({ id }: BringUpStep) => `bringUp.${id}`;

/** The note on a step; null where none was made, or one of another program. */
export function seenOf(facts: Facts, step: BringUpStep): { value: StepSeen; fact: Fact } | null {
  const fact = facts.find('test', step.thing.list, step.thing.recordId, fieldOf(step));
  const read = seenSchema.safeParse(fact?.value);
  return fact && read.success ? { value: read.data, fact } : null;
}

/** Progress of a step. A check with other values is done again. */
export function stateOf(facts: Facts, step: BringUpStep): StepState {
  const seen = seenOf(facts, step);
  if (seen && seen.value.seen === 'otherwise') return 'otherwise';
  // Those steps are ticked on other pages too: they are one.
  if (step.deviceStep)
    return facts.isStepDone(step.thing.recordId, step.deviceStep, step.holds) ? 'asPlanned' : 'open';
  if (!seen) return 'open';
  return seen.value.with === digestOf(step.holds) ? 'asPlanned' : 'again';
}

/** The answer to a step. */
export type Said = Omit<StepSeen, 'with'> & {
  /** Which lead it was: it is kept against that too. */
  leadId?: string;
};

/**
 * The notes that a step leaves.
 *
 * @param said null takes back what was noted
 * @param by who looked
 */
export function notesOf(step: BringUpStep, said: Said | null, by?: string): Note[] {
  const { list, recordId } = step.thing;
  const { leadId, ...seen } = said ?? {};
  const who = by ? { by } : {};
  const test: Note = {
    kind: 'test',
    list,
    recordId,
    field: fieldOf(step),
    value: said && { ...seen, with: digestOf(step.holds) },
    ...(said?.volts !== undefined && { unit: 'V' }),
    ...who,
  };
  if (leadId) return [test, { ...test, list: 'feeds', recordId: leadId }];
  if (!step.deviceStep) return [test];
  const isDone = said?.seen === 'asPlanned';
  return [test, { ...stepOf(recordId, step.deviceStep, isDone ? step.holds : null), ...who }];
}

/** Whether volts that were read are those that a step wants: below zero plus and ground are exchanged. */
export function readsAsPlanned({ volts }: BringUpStep, read: number): boolean {
  return volts !== null && read >= volts.least && read <= volts.most;
}

interface Progress {
  done: number;
  all: number;
  /** Some step was seen otherwise than planned. */
  isWrong: boolean;
  /** Some step is to be done again. */
  isAgain: boolean;
}

export function progressOf(facts: Facts, steps: readonly BringUpStep[]): Progress {
  const states = steps.map((step) => stateOf(facts, step));
  return {
    done: states.filter((state) => state === 'asPlanned').length,
    all: steps.length,
    isWrong: states.includes('otherwise'),
    isAgain: states.includes('again'),
  };
}

/** The step at which work goes on: one that was seen otherwise, else the first that is not as planned; null where all are. */
export function nextStep(facts: Facts, steps: readonly BringUpStep[]): BringUpStep | null {
  return (
    steps.find((step) => stateOf(facts, step) === 'otherwise') ??
    steps.find((step) => stateOf(facts, step) !== 'asPlanned') ??
    null
  );
}

/** The step that stops work before another: it was seen otherwise, and nothing behind it is gone on with. */
export function stoppedBy(
  facts: Facts,
  steps: readonly BringUpStep[],
  step: BringUpStep,
): BringUpStep | null {
  return (
    steps
      .slice(0, steps.indexOf(step))
      .find((before) => before.isStop && stateOf(facts, before) === 'otherwise') ?? null
  );
}
