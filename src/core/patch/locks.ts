import type { Edit } from '../show/edits/registry';
import type { PatchEntry } from '../show/schema';
import { countOf } from '../units/number';
import { dayWords } from '../units/words';

type Lock = NonNullable<PatchEntry['pin']>;

/** Runs whose addresses were locked in one way. */
interface LockGroup {
  /** `locked on 1 Dec 2026 by keeping addresses`. */
  words: string;
  isByAnswer: boolean;
  entries: PatchEntry[];
}

/** The way in which an address came to be locked. */
export function lockWords({ kept }: Pick<Lock, 'kept'>): string {
  if (kept === undefined) return 'locked by hand';
  return kept === true ? 'locked by keeping addresses' : `locked on ${dayWords(kept)} by keeping addresses`;
}

/** Locked runs by how they came to be locked: those of answers first, the latest before the others. */
export function locksIn(patch: readonly PatchEntry[]): LockGroup[] {
  const groups = new Map<string, LockGroup & { day: string }>();
  for (const entry of patch) {
    if (!entry.pin) continue;
    const words = lockWords(entry.pin);
    const { kept } = entry.pin;
    const known = groups.get(words);
    if (known) known.entries.push(entry);
    else
      groups.set(words, {
        words,
        isByAnswer: kept !== undefined,
        entries: [entry],
        day: typeof kept === 'string' ? kept : '',
      });
  }
  return [...groups.values()]
    .sort((a, b) => Number(b.isByAnswer) - Number(a.isByAnswer) || (a.day < b.day ? 1 : -1))
    .map(({ day: _, ...group }) => group);
}

/** Lets the addresses of some runs move again. */
export function unlock(entries: readonly PatchEntry[]): Edit {
  return {
    type: 'batch',
    label: `Unlock the addresses of ${countOf(entries.length, 'run')}`,
    edits: entries.map(({ propId, run }) => ({ type: 'setRunAddress', propId, run, change: { pin: null } })),
  };
}

/** The same runs with what answers locked unlocked: locks by hand stay. */
export function withoutAnswered(patch: readonly PatchEntry[]): PatchEntry[] {
  return patch.map((entry) => {
    if (entry.pin?.kept === undefined) return entry;
    const { pin: _, ...rest } = entry;
    return rest;
  });
}
