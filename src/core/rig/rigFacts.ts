import { z } from 'zod';
import type { Facts, Note } from '../show/facts';
import { readFault, type Fault } from './faults/registry';

const FIELD = 'rig';

const rigFact = (facts: Facts) => facts.ofKind('test').findLast((each) => each.field === FIELD);

/**
 * What is the matter with the display that stands in for the real one, as it is kept with the show: one fact, outside of undo. A show that
 * was read from a file has another id than the fact that came with it, whose place is taken all the same.
 */
export function rigNote(facts: Facts, showId: string, faults: readonly Fault[]): Note {
  return {
    kind: 'test',
    list: 'show',
    recordId: rigFact(facts)?.recordId ?? showId,
    field: FIELD,
    value: faults.length === 0 ? null : ({ faults: [...faults] } as unknown as Note['value']),
  };
}

/** The same as it was noted; what is no fault is left out. */
export function rigFaults(facts: Facts): Fault[] {
  const read = z.looseObject({ faults: z.array(z.unknown()) }).safeParse(rigFact(facts)?.value);
  return (read.data?.faults ?? []).flatMap((each) => {
    try {
      return [readFault(each)];
    } catch {
      return [];
    }
  });
}
