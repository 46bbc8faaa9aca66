import { applyChanges, changeBetween } from '@/core/show/changes';
import { applyEdit, labelOf, type Edit } from '@/core/show/edits/registry';
import type { ShowMessage } from '@/core/show/events';
import { Facts, type Fact, type Note } from '@/core/show/facts';
import { newId } from '@/core/fields/fields';
import { same } from '@/core/fields/json';
import { ShowError } from '@/core/fields/problem';
import type { Confirmation, MadeChange } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import { Clashed, Refused, type Change, type Opened, type ShowClient } from './client';
import { NoteQueue } from './noteQueue';
import { JustHeard } from './justHeard';
import type { WaitingNote } from './outbox';
import type { Outbox } from './outbox';
import { lastOf, byId } from '@/core/units/there';

import type { Asked, Saving, ShowState, Waiting } from './showState';

const RETRY_AFTER_MS = 2000;

/** Surroundings of the store of a show. */
export interface Surroundings {
  client: ShowClient;
  /** Tells the builder something that needs no answer. */
  notify: (message: string) => void;
  /** Id of this window, by which its own changes are known. */
  window: string;
  retryAfterMs?: number;
  /** The outbox for notes that outlast this page; null keeps them nowhere. */
  outbox?: Outbox | null;
  /** Notes that an earlier page left in the outbox. */
  left?: readonly WaitingNote[];
}

/**
 * A window's copy of a show, in step with the server. Edits appear at once and are sent one after another. The server lays them on what
 * others did meanwhile; whatever comes back, from here or elsewhere, is laid under what still waits. Undo and redo are the server's, so
 * they appear when it has answered.
 */
export class ShowSync {
  readonly queue: NoteQueue;
  private sending = false;
  private readonly justHeard = new JustHeard();
  private removed = false;
  private editsFail = false;
  private editsTrouble: string | null = null;
  private wake: (() => void) | null = null;
  /** The change after which the server last said what can be undone. */
  private stepsOf: number;
  /** Number of facts of the server that this window has heard of. */
  private noted: number;
  /** Steps that cannot be taken back, since others went on from there. */
  private readonly passedOver = new Set<string>();

  constructor(
    opened: Opened,
    private readonly around: Surroundings,
    private readonly set: (change: Partial<ShowState>) => void,
    private readonly get: () => ShowState,
  ) {
    this.stepsOf = opened.sequence;
    this.noted = opened.noted;
    this.queue = this.noteQueue(opened.id);
    if (around.left?.length) queueMicrotask(() => this.queue.hurry());
  }

  private noteQueue(showId: string): NoteQueue {
    const { client, outbox = null, retryAfterMs = RETRY_AFTER_MS, notify, left = [] } = this.around;
    return new NoteQueue(
      {
        showId,
        client,
        outbox,
        retryAfterMs,
        heardOf: () => this.noted,
        changed: (notes) => {
          this.set({ notes });
          this.settle();
        },
        taken: (answer) => {
          // Facts that others noted in between come with the stream.
          if (answer.noted - answer.added === this.noted) this.noted = answer.noted;
        },
        seen: (fact) => this.set({ facts: this.get().facts.with([fact]) }),
        refused: notify,
        anew: () => this.reopen(),
        removed: () => {
          this.removed = true;
          this.settle();
        },
      },
      left,
    );
  }

  enqueue(asked: Asked, after: Show | null, held = false, base?: number): string {
    const id = newId('change');
    const own: Waiting = { id, asked, after, held, ...(base !== undefined && { base }) };
    this.set({ waiting: [...this.get().waiting, own] });
    void this.send();
    return id;
  }

  /** @returns null where the edit changes nothing: a double click, or what is there already, makes no entry in the history */
  make(edit: Edit, held: boolean): string | null {
    const show = applyEdit(this.get().show, edit);
    if (show === this.get().show) return null;
    const change = changeBetween(this.get().show, show);
    if (change.length === 0) return null;
    this.set({ show });
    return this.enqueue({ kind: 'edit', edit }, show, held, this.justHeard.baseBelow(change));
  }

  settle(): void {
    const { waiting, clash, notes } = this.get();
    const isIdle = waiting.every((each) => each.held) && notes.waiting.length === 0;
    const fails = this.editsFail || notes.isUnreachable;
    const saving: Saving = this.removed
      ? 'removed'
      : clash || notes.clashes.length > 0
        ? 'clash'
        : isIdle
          ? 'saved'
          : fails
            ? 'unreachable'
            : 'saving';
    this.set({ saving, trouble: fails && !isIdle ? (this.editsTrouble ?? notes.trouble) : null });
  }

  /** Edits get through, or they do not. */
  private reach(fails: boolean, trouble: string | null = null): void {
    this.editsFail = fails;
    this.editsTrouble = trouble;
    this.settle();
  }

  private retryLater(): Promise<void> {
    return new Promise<void>((resume) => {
      this.wake = resume;
      setTimeout(resume, this.around.retryAfterMs ?? RETRY_AFTER_MS);
    });
  }

  async send(): Promise<void> {
    if (this.sending || this.get().clash || this.removed) return;
    this.sending = true;
    try {
      for (let next = this.get().waiting[0]; next; next = this.get().waiting[0]) {
        this.settle();
        if (next.held) return;
        const change = this.changeOf(next);
        if (!change) continue;
        try {
          await this.take(
            await this.around.client.change(this.get().id, next.id, next.base ?? this.get().sequence, change),
          );
          this.drop(next);
          this.reach(false);
        } catch (error) {
          if (!(await this.recovered(error, next))) return;
        }
      }
    } finally {
      this.sending = false;
      this.settle();
    }
  }

  /** The change to send; undo and redo name the change that they take back, which is known only now. */
  private changeOf(next: Waiting): Change | null {
    const { asked } = next;
    if (asked.kind === 'edit') return asked;
    const step = this.get().steps[asked.kind].find(({ id }) => !this.passedOver.has(id));
    if (step) return { kind: asked.kind, takesBack: step.id };
    this.drop(next);
    this.around.notify(asked.kind === 'undo' ? 'There is nothing to undo.' : 'There is nothing to do again.');
    return null;
  }

  /** Whether to go on after a change was not taken. */
  private async recovered(error: unknown, next: Waiting): Promise<boolean> {
    const { asked } = next;
    if (error instanceof Clashed) {
      await this.catchUp();
      if (asked.kind === 'edit') {
        const mine = labelOf(this.get().confirmed, asked.edit);
        this.set({ clash: { mine, message: error.message, clash: error.clash } });
        this.settle();
        return false;
      }
      const step = this.get().steps[asked.kind].find(({ id }) => !this.passedOver.has(id));
      if (step) this.passedOver.add(step.id);
      this.drop(next);
      this.around.notify(error.message);
      return true;
    }
    if (error instanceof Refused && error.status === 409) {
      // The server cannot lay changes on what this window has: it is opened anew, below what still waits.
      this.set({ waiting: this.get().waiting.map(({ base: _, ...each }) => each) });
      await this.reopen();
      return true;
    }
    // A phone that has to enter the code again keeps what it has.
    if (error instanceof Refused && error.status < 500 && error.status !== 401) {
      if (error.status === 404) {
        this.removed = true;
        this.settle();
        return false;
      }
      this.drop(next);
      await this.catchUp();
      this.relay();
      this.around.notify(error.message);
      return true;
    }
    this.reach(true, error instanceof Refused ? error.message : null);
    await this.retryLater();
    return true;
  }

  private drop(gone: Waiting): void {
    this.set({ waiting: this.get().waiting.filter((each) => each.id !== gone.id) });
  }

  private adopt({ show, sequence, steps, facts, noted: count }: Opened): void {
    this.stepsOf = sequence;
    this.noted = count;
    this.set({ confirmed: show, sequence, steps, facts: new Facts(facts).with(this.queue.facts) });
    this.relay();
  }

  /** Fetches what this window is missing. Where the server cannot be reached, the next news or answer brings it. */
  async catchUp(): Promise<void> {
    try {
      await this.take(await this.around.client.since(this.get().id, this.get().sequence));
    } catch (error) {
      if (error instanceof Refused && error.status === 409) await this.reopen();
    }
  }

  /** Takes the show anew, below what still waits. */
  async reopen(): Promise<void> {
    try {
      this.adopt(await this.around.client.open(this.get().id));
    } catch {
      await this.retryLater();
    }
  }

  private async take({ sequence, steps, changes }: Confirmation): Promise<void> {
    if (sequence >= this.stepsOf) {
      this.stepsOf = sequence;
      this.set({ steps });
    }
    await this.absorb(changes);
  }

  /** Lays changes that the server has on what is confirmed, and what waits on top. Those that are known are passed over. */
  private async absorb(changes: readonly MadeChange[]): Promise<void> {
    const fresh = changes.filter((each) => each.sequence > this.get().sequence);
    const [first] = fresh;
    if (!first) return;
    if (first.sequence !== this.get().sequence + 1) return this.catchUp();
    const { confirmed, waiting } = this.get();
    const [own] = waiting;
    const last = lastOf(fresh);
    this.set({ sequence: last.sequence });
    if (
      fresh.length === 1 &&
      own?.id === first.id &&
      own.after &&
      same(changeBetween(confirmed, own.after), first.change)
    ) {
      // A picture already on screen need not be planned and drawn again.
      this.set({ confirmed: own.after, waiting: waiting.slice(1) });
      return;
    }
    const made = new Set(fresh.map((each) => each.id));
    for (const each of waiting)
      if (made.has(each.id) && (each.asked.kind === 'undo' || each.asked.kind === 'redo'))
        this.around.notify(
          `${each.asked.kind === 'undo' ? 'Undone' : 'Done again'}: ${byId(fresh, each.id).label}`,
        );
    const theirs = fresh.filter((each) => each.window !== this.around.window);
    this.justHeard.add(theirs);
    if (theirs.length > 0) this.around.notify(`Changed elsewhere: ${lastOf(theirs).label}.`);
    this.set({
      confirmed: applyChanges(
        confirmed,
        fresh.map((each) => each.change),
      ),
      waiting: waiting.filter((each) => !made.has(each.id)),
    });
    this.relay();
  }

  /** Puts what still waits on top of what is confirmed; what does not fit any more is named. */
  relay(): void {
    let show = this.get().confirmed;
    const kept: Waiting[] = [];
    this.get().waiting.forEach((each, i) => {
      if (each.asked.kind !== 'edit') return kept.push(each);
      try {
        const after = applyEdit(show, each.asked.edit);
        show = after;
        kept.push({ ...each, after });
      } catch (error) {
        if (!(error instanceof ShowError)) throw error;
        // The first may be on its way, and the server is the one to say what becomes of it.
        if (i === 0 && this.sending) kept.push({ ...each, after: null });
        else this.around.notify(`Not possible any more: ${labelOf(show, each.asked.edit)}. ${error.message}`);
      }
    });
    this.set({ show, waiting: kept });
  }

  /** The shows before and after an edit that is held; null when it is held no more. */
  aroundHeld(held: string): { before: Show; after: Show } | null {
    const { waiting, confirmed } = this.get();
    const index = waiting.findIndex((each) => each.id === held);
    const after = waiting[index]?.after;
    const before = waiting.slice(0, Math.max(0, index)).findLast((each) => each.after)?.after;
    return after ? { before: before ?? confirmed, after } : null;
  }

  /** Saves what was held, or another edit in its place, or takes it back. @returns false when it is held no more */
  decide(held: string, edit: Edit | null): boolean {
    const { waiting } = this.get();
    const own = waiting.find((each) => each.id === held);
    if (own?.asked.kind !== 'edit') return false;
    const decided: Waiting = { ...own, held: false, ...(edit && { asked: { kind: 'edit', edit } }) };
    this.set({ waiting: waiting.flatMap((each) => (each !== own ? [each] : edit ? [decided] : [])) });
    // An edit that stays as it was shown need not be planned and drawn again.
    if (edit !== own.asked.edit) this.relay();
    void this.send();
    return true;
  }

  note(notes: readonly Note[]): void {
    const at = new Date().toISOString();
    const facts = notes.map((note): Fact => ({ ...note, id: newId('fact'), at }));
    if (facts.length === 0) return;
    this.set({ facts: this.get().facts.with(facts) });
    this.queue.add({ kind: 'note', facts });
  }

  notePhoto(photo: Blob, note: Note): void {
    const fact: Fact = { ...note, id: newId('fact'), at: new Date().toISOString() };
    this.queue.add({ kind: 'photo', photo, fact });
  }

  /** The line may be there again. */
  hurry(): void {
    this.wake?.();
    this.queue.hurry();
  }

  /** Puts our change on top of the other one, or lets it go. What waits behind it stays either way. */
  async resolve(choice: 'mine' | 'theirs'): Promise<void> {
    const [first] = this.get().waiting;
    if (!this.get().clash || !first) return;
    this.set({ clash: null });
    this.settle();
    await this.catchUp();
    if (choice === 'theirs') this.drop(first);
    // Sent anew under another id, and made on what is there now.
    else {
      const { base: _, ...again } = first;
      this.set({ waiting: [{ ...again, id: newId('change') }, ...this.get().waiting.slice(1)] });
    }
    this.relay();
    await this.send();
  }

  /** Something happened to the show, here or elsewhere. */
  async heard(message: ShowMessage): Promise<void> {
    // A server that is not heard says nothing more.
    if (message.is === 'unheard') return this.set({ isHeard: false });
    if (!this.get().isHeard) {
      this.set({ isHeard: true });
      this.hurry();
    }
    if (message.is === 'removed') this.removed = true;
    else if (message.is === 'noted') {
      if (message.noted <= this.noted) return;
      if (message.noted - message.facts.length > this.noted) await this.reopen();
      else {
        this.noted = message.noted;
        // Facts that wait here come after those of the server.
        this.set({ facts: this.get().facts.with(message.facts).with(this.queue.facts) });
      }
    } else if (message.is === 'changed') await this.absorb(message.changes);
    // Between two streams something may have been missed.
    else if (message.noted > this.noted) await this.reopen();
    else if (message.sequence > this.get().sequence) await this.catchUp();
    this.settle();
  }
}
