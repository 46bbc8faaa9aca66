import { applyChange, changeBetween, inverseOf, type ShowChange } from '@/core/show/changes';
import { applyEdit, labelOf } from '@/core/show/edits/registry';
import type { Fact } from '@/core/show/facts';
import type { Noted } from '@/core/show/lateFacts';
import { withOrder } from '@/core/show/read';
import type { Confirmation, MadeChange } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import type { Change, Opened, ShowClient } from '@/features/show/client';

/** A server of one show and one window, in memory: every change is answered at once, and nobody else makes any. */
export class SmallServer implements ShowClient {
  readonly facts: Fact[] = [];
  private readonly changes: MadeChange[] = [];
  private readonly done: MadeChange[] = [];
  private readonly undone: MadeChange[] = [];

  constructor(public show: Show) {
    this.show = withOrder(show);
  }

  opened(): Opened {
    return {
      id: 'quay',
      sequence: this.changes.length,
      show: this.show,
      steps: this.steps(),
      facts: this.facts,
      noted: this.facts.length,
    };
  }

  open = () => Promise.resolve(this.opened());
  since = (_id: string, sequence: number) => Promise.resolve(this.confirmation(sequence));

  note(_id: string, facts: readonly Fact[]): Promise<Noted> {
    this.facts.push(...facts);
    return Promise.resolve({ added: facts.length, noted: this.facts.length });
  }

  keepPhoto = () => Promise.resolve('a'.repeat(32));

  change(_id: string, changeId: string, base: number, change: Change): Promise<Confirmation> {
    if (change.kind === 'edit') {
      const after = applyEdit(this.show, change.edit);
      const made = this.append(
        changeId,
        'edit',
        labelOf(this.show, change.edit),
        changeBetween(this.show, after),
      );
      this.done.push(made);
      this.undone.length = 0;
    } else {
      const [from, to] = change.kind === 'undo' ? [this.done, this.undone] : [this.undone, this.done];
      const step = from.pop()!;
      to.push(this.append(changeId, change.kind, step.label, inverseOf(step.change)));
    }
    return Promise.resolve(this.confirmation(base));
  }

  private append(id: string, kind: MadeChange['kind'], label: string, change: ShowChange): MadeChange {
    this.show = applyChange(this.show, change);
    const made = { sequence: this.changes.length + 1, id, kind, label, window: 'here', change };
    this.changes.push(made);
    return made;
  }

  private steps() {
    const last = (list: readonly MadeChange[]) => list.slice(-1).map(({ id, label }) => ({ id, label }));
    return { undo: last(this.done), redo: last(this.undone) };
  }

  private confirmation(after: number): Confirmation {
    return { sequence: this.changes.length, steps: this.steps(), changes: this.changes.slice(after) };
  }
}
