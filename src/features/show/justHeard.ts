import { fieldsTouchedBy, type ShowChange } from '@/core/show/changes';
import type { MadeChange } from '@/core/show/revision';

/** One who overwrites what others changed so shortly before has hardly seen it, and is asked. */
const HARDLY_SEEN_MS = 5000;

/** The latest changes of others, by the fields that they touched. */
export class JustHeard {
  private changes: { sequence: number; atMs: number; touched: ReadonlySet<string> }[] = [];

  add(theirs: readonly MadeChange[]): void {
    const atMs = Date.now();
    // A window that only looks on keeps nothing of yesterday.
    this.forget(atMs);
    for (const { sequence, change } of theirs)
      this.changes.push({ sequence, atMs, touched: fieldsTouchedBy(change) });
  }

  /**
   * The state before the first of them that touched the same field: laid on that, the server finds that the two meet. Undefined where
   * none did. Each is asked about once.
   */
  baseBelow(change: ShowChange): number | undefined {
    this.forget(Date.now());
    if (this.changes.length === 0) return undefined;
    const touched = [...fieldsTouchedBy(change)];
    const met = this.changes.filter((each) => touched.some((field) => each.touched.has(field)));
    this.changes = this.changes.filter((each) => !met.includes(each));
    return met[0] && met[0].sequence - 1;
  }

  private forget(nowMs: number): void {
    this.changes = this.changes.filter(({ atMs }) => nowMs - atMs < HARDLY_SEEN_MS);
  }
}
