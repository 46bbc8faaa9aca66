import type { Addressing } from '../catalogue/packing';
import type { Fact, FactKind, Facts, Note } from './facts';

/** The ways in which values leave the show: once out, they may have been typed somewhere. */
type WayOut = 'copied' | 'downloaded' | 'printed' | 'sent';

/** That values were handed out. @param what the table or file, as it is called */
export function handedOut(showId: string, way: WayOut, what: string): Note {
  return { kind: 'told', list: 'show', recordId: showId, field: way, value: what };
}

/** Kinds of facts by which somebody has, or a device holds, values of the show. */
const OUT: ReadonlySet<FactKind> = new Set(['told', 'tick', 'deviceStep', 'found'] as const);

/** The latest fact by which values of the show are out; null while they are only here. */
export function latestOut(facts: Facts): Fact | null {
  return facts.all.findLast((fact) => OUT.has(fact.kind)) ?? null;
}

/** Whether a change that moves addresses asks first: as the show says, or else once values are out. */
export function asksBeforeMoving({ askBeforeMoving }: Addressing, facts: Facts): boolean {
  return askBeforeMoving ?? latestOut(facts) !== null;
}

/** `Channel map was downloaded`, `values were ticked as typed`: why it asks. */
export function outWords({ kind, field, value }: Fact): string {
  switch (kind) {
    case 'told':
      return `${typeof value === 'string' ? value : 'A sheet'} was ${field}`;
    case 'tick':
      return 'values were ticked as typed';
    case 'deviceStep':
      return `a device was noted as ${field}`;
    default:
      return 'a device was read';
  }
}
