import { z } from 'zod';
import { nameSchema } from '../fields/fields';
import type { Facts, Note } from '../show/facts';

const FIELD = /^revision\.(\d{1,9})$/;
const valueSchema = z.strictObject({ name: nameSchema });

/** A state of a show that somebody gave a name: `as hung`, `opening night`. */
interface NamedRevision {
  sequence: number;
  name: string;
  at: string;
}

/** The states that have a name, the latest first. */
export function namedRevisions(facts: Facts): NamedRevision[] {
  return facts
    .ofKind('decision')
    .flatMap(({ list, field, value, at }) => {
      const sequence = list === 'show' ? FIELD.exec(field)?.[1] : undefined;
      const read = valueSchema.safeParse(value);
      return sequence !== undefined && read.success
        ? [{ sequence: Number(sequence), name: read.data.name, at }]
        : [];
    })
    .sort((a, b) => b.sequence - a.sequence);
}

/** Gives the state after a change a name. @param name null takes it away */
export function nameRevision(showId: string, sequence: number, name: string | null): Note {
  return {
    kind: 'decision',
    list: 'show',
    recordId: showId,
    field: `revision.${sequence}`,
    value: name === null ? null : { name },
  };
}

/** Whether a fact gives a revision its name: it means nothing in another show. */
export function isRevisionName({ kind, list, field }: Pick<Note, 'kind' | 'list' | 'field'>): boolean {
  return kind === 'decision' && list === 'show' && FIELD.test(field);
}
