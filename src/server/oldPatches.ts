import { isObject } from '@/core/fields/json';

/** A change as versions before the second kept them: what to write at which path. */
interface OldPatch {
  op: 'add' | 'replace' | 'remove';
  path: (string | number)[];
  value?: unknown;
}

/** The document after changes of the first version, oldest first. The document is written to. */
export function applyOldPatches(document: unknown, changes: Iterable<string>): unknown {
  for (const change of changes)
    for (const { op, path, value } of JSON.parse(change) as OldPatch[]) {
      if (path.length === 0) {
        document = value;
        continue;
      }
      const last = path.at(-1)!;
      const holder = path
        .slice(0, -1)
        .reduce<unknown>((inner, step) => (inner as Record<string, unknown>)[step], document);
      if (Array.isArray(holder)) {
        if (op === 'add') holder.splice(Number(last), 0, value);
        else if (op === 'remove') holder.splice(Number(last), 1);
        else if (last === 'length') holder.length = Number(value);
        else holder[Number(last)] = value;
      } else if (isObject(holder)) {
        if (op === 'remove') delete holder[last];
        else holder[last] = value;
      }
    }
  return document;
}
