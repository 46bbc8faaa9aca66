import type { Fact, FactKind } from '../show/facts';
import { withoutAnswered } from '../patch/locks';
import type { Show } from '../show/schema';
import { isRevisionName } from './named';

/** Facts that stay true from one season to the next; ticks, tests and what devices held do not. */
const STAYS: ReadonlySet<FactKind> = new Set(['measurement', 'photo', 'decision'] as const);

/** Firmware and care are noted as tests; what was updated over the summer is found again when it is looked at. */
const OPENED_AGAIN = /^(bringUp\.|care\.|firmware$)/;

interface SeasonStart {
  show: Show;
  facts: Fact[];
}

/**
 * The beginning of another season: the plan and all reasons stay, every tick and test is open again, and values to type are gone, since all
 * of them are to be typed or looked at.
 *
 * @param facts all that were ever noted, oldest first
 * @param name of the new show
 * @param from what it is made of, and when: kept as a decision
 * @param keepsLocks whether addresses stay locked that an answer locked; all is typed anew, so they need not
 */
export function seasonStart(
  show: Show,
  facts: readonly Fact[],
  name: string,
  from: { showId: string; show: string; sequence: number; at: string; changed: readonly string[] },
  keepsLocks: boolean,
): SeasonStart {
  return {
    show: { ...show, name, tasks: [], patch: keepsLocks ? show.patch : withoutAnswered(show.patch) },
    facts: [
      ...facts.filter(
        (fact) => STAYS.has(fact.kind) && !isRevisionName(fact) && !OPENED_AGAIN.test(fact.field),
      ),
      {
        id: `season-from-${from.sequence}`,
        kind: 'decision',
        list: 'show',
        recordId: from.showId,
        field: 'season.from',
        value: {
          words: `Copied from ${from.show} at revision ${from.sequence} for another season.`,
          ...(from.changed.length > 0 && {
            reason: `Changed since: ${from.changed.join('; ')}`.slice(0, 4000),
          }),
        },
        at: from.at,
      },
    ],
  };
}
