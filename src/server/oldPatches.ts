import { isObject } from '@/core/fields/json';
import { applyChanges, type ShowChange } from '@/core/show/changes';
import { readOlderFile } from '@/core/plan/keptAddresses';
import type { ShowFile } from '@/core/show/read';
import { SHOW_VERSION, type Show } from '@/core/show/schema';
import { lastOf } from '@/core/units/there';
import { ownJson } from '@/core/fields/parseJson';

/** A change as versions before the second kept them: what to write at which path. */
interface OldPatch {
  op: 'add' | 'replace' | 'remove';
  path: (string | number)[];
  value?: unknown;
}

/** The first version whose changes are of records, as those of today are. */
export const OF_RECORDS = 2;

/**
 * The show file after the changes that follow a copy, brought up to date, with the notes that an old one held.
 *
 * @param document of the copy; it may be written to
 * @param version in which the copy and the changes are written
 * @param changes JSON, oldest first
 * @throws ShowError where it is no show
 */
export function fileAfter(document: unknown, version: number, changes: readonly string[]): ShowFile {
  if (version < OF_RECORDS) return readOlderFile(applyOldPatches(document, changes));
  const show = applyChanges(
    document as Show,
    changes.map((change) => ownJson<ShowChange>(change)),
  );
  // A document of this version was checked when it was kept.
  return version < SHOW_VERSION ? readOlderFile(show) : { show, facts: [] };
}

/** The document after changes of the first version, oldest first. The document is written to. */
function applyOldPatches(document: unknown, changes: Iterable<string>): unknown {
  for (const change of changes)
    for (const { op, path, value } of ownJson<OldPatch[]>(change)) {
      if (path.length === 0) {
        document = value;
        continue;
      }
      const last = lastOf(path);
      const holder = path.slice(0, -1).reduce<unknown>((inner, step) => own(inner, step), document);
      if (Array.isArray(holder)) {
        if (op === 'add') holder.splice(Number(last), 0, value);
        else if (op === 'remove') holder.splice(Number(last), 1);
        else if (last === 'length') holder.length = Number(value);
        else holder[Number(last)] = value;
      } else if (isObject(holder) && last !== '__proto__') {
        if (op === 'remove') delete holder[last];
        else holder[last] = value;
      }
    }
  return document;
}

/** Only what the document itself has: what every object has besides is shared by all of them. */
function own(holder: unknown, step: string | number): unknown {
  return Object.hasOwn(Object(holder) as object, step)
    ? (holder as Record<string, unknown>)[step]
    : undefined;
}
