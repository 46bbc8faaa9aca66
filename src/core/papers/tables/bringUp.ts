import { seenOf, stateOf, type StepState } from '../../bringUp/record';
import { STAGE_WORDS, type BringUpStep } from '../../bringUp/step';
import type { Facts } from '../../show/facts';
import { formatVolts } from '../../units/electric';
import type { Table } from '../../pages/table';

const STATE_WORDS: Record<StepState, string | null> = {
  open: null,
  asPlanned: 'as planned',
  otherwise: 'otherwise',
  again: 'to be done again',
};

/** Each step of bringing a prop up, with what was seen of it. */
export function bringUpTable(
  propName: string,
  steps: readonly BringUpStep[],
  facts: Facts,
): Table<BringUpStep> {
  return {
    name: `Test and bring-up log of ${propName}`,
    rows: steps,
    keyOf: ({ thing, id }) => `${thing.recordId} ${id}`,
    columns: [
      { id: 'stage', head: 'Stage', meaning: 'of bringing up', of: ({ stage }) => STAGE_WORDS[stage] },
      { id: 'step', head: 'Step', meaning: 'what is tried', as: 'key', of: ({ name }) => name },
      { id: 'do', head: 'Do', meaning: 'how it is tried', of: ({ does }) => does },
      { id: 'expect', head: 'Expect', meaning: 'what is to be seen or read', of: ({ expect }) => expect },
      {
        id: 'otherwise',
        head: 'Otherwise',
        meaning: 'what it means where it is not so',
        of: ({ otherwise }) => otherwise,
      },
      {
        id: 'seen',
        head: 'Seen',
        meaning: 'what was noted of it',
        of: (step) => STATE_WORDS[stateOf(facts, step)],
      },
      {
        id: 'read',
        head: 'Read',
        meaning: 'volts, where they are read',
        as: 'figure',
        of: (step) => {
          const volts = seenOf(facts, step)?.value.volts;
          return volts === undefined ? null : formatVolts(volts);
        },
      },
      {
        id: 'at',
        head: 'When',
        unit: 'by whom',
        meaning: 'when it was noted, and by whom where that was said',
        of: (step) => {
          const fact = seenOf(facts, step)?.fact;
          return fact
            ? { text: fact.at.slice(0, 16).replace('T', ' '), ...(fact.by && { note: fact.by }) }
            : null;
        },
      },
    ],
  };
}
