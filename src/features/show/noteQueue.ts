import { newId } from '@/core/fields/fields';
import { subjectOf, type Fact } from '@/core/show/facts';
import type { FactClash, Late, Noted } from '@/core/show/lateFacts';
import { NotesClashed, Refused, type ShowClient } from './client';
import type { Outbox, WaitingNote } from './outbox';

/** Waiting notes, as the page shows them. */
export interface NotesState {
  waiting: readonly WaitingNote[];
  isUnreachable: boolean;
  /** Why nothing can be noted at the moment, where the server says so. */
  trouble: string | null;
  /** A fact that others noted differently meanwhile; it waits for an answer. */
  clashes: readonly FactClash[];
  /** Whether what waits outlasts this page. */
  isKept: boolean;
}

export const NO_NOTES: NotesState = {
  waiting: [],
  isUnreachable: false,
  trouble: null,
  clashes: [],
  isKept: true,
};

interface Surroundings {
  showId: string;
  client: Pick<ShowClient, 'note' | 'keepPhoto'>;
  outbox: Outbox | null;
  retryAfterMs: number;
  /** Number of facts of the server that this window has heard of. */
  heardOf: () => number;
  changed: (state: NotesState) => void;
  /** The server has them. */
  taken: (answer: Noted) => void;
  /** A photo has its id: it can be shown. */
  seen: (fact: Fact) => void;
  /** The server refused some for good. */
  refused: (message: string) => void;
  /** A fact of ours that is shown does not count: the facts are fetched anew. */
  anew: () => Promise<void>;
  removed: () => void;
}

/** A late note goes to the server together with the names of at most this many notes of its window, the latest. */
const MOST_OWN = 20_000;
/** Facts that go in one request; the server takes somewhat more. */
const MOST_AT_ONCE = 4000;

/**
 * Sends notes in the order in which they were made, each once, however often the line breaks or the page is closed. Notes are no edits: they
 * fit whatever the show has become, and are sent beside its changes.
 */
export class NoteQueue {
  private state: NotesState;
  private isSending = false;
  private wake: (() => void) | null = null;
  /** Refused together, notes are sent one by one: what is wrong with one is no fault of the others. */
  private atOnce = MOST_AT_ONCE;
  /** Ids of what this window noted. */
  private readonly own = new Set<string>();

  constructor(
    private readonly around: Surroundings,
    left: readonly WaitingNote[],
  ) {
    this.state = { ...NO_NOTES, waiting: left.map((each) => ({ ...each, isLate: true })) };
    for (const each of left)
      for (const id of [...each.own, ...factsOf(each).map((fact) => fact.id)]) this.own.add(id);
  }

  get now(): NotesState {
    return this.state;
  }

  /** Facts that are not on the server yet and can be shown. */
  get facts(): Fact[] {
    return this.state.waiting.flatMap(({ asked }) => (asked.kind === 'note' ? asked.facts : []));
  }

  add(asked: WaitingNote['asked']): void {
    const facts = factsOf({ asked });
    const subjects = new Set(facts.map(subjectOf));
    const note: WaitingNote = {
      id: newId('note'),
      heardOf: this.around.heardOf(),
      own: this.facts.filter((each) => subjects.has(subjectOf(each))).map(({ id }) => id),
      isLate: this.state.isUnreachable,
      asked,
    };
    for (const { id } of facts) this.own.add(id);
    this.become({ waiting: [...this.state.waiting, note] });
    void this.keep(note);
    void this.send();
  }

  /** The line may be there again: tries at once. */
  hurry(): void {
    this.wake?.();
    void this.send();
  }

  /** Decides between our notes and those made meanwhile. @param mine ids of our facts that do */
  resolve(mine: ReadonlySet<string>): void {
    const given = new Set(
      this.state.clashes.filter((each) => !mine.has(each.mine.id)).map((each) => subjectOf(each.mine)),
    );
    const gone: string[] = [];
    const waiting = this.state.waiting.flatMap((each): WaitingNote[] => {
      if (each.asked.kind === 'photo') return [each];
      const facts = each.asked.facts.filter((fact) => !given.has(subjectOf(fact)));
      // A note that was answered for is sent, whatever others noted.
      if (facts.length > 0) return [{ ...each, isLate: false, asked: { kind: 'note', facts } }];
      gone.push(each.id);
      return [];
    });
    this.become({ waiting, clashes: [] });
    void this.around.outbox?.forget(gone);
    for (const each of waiting) void this.keep(each);
    if (given.size > 0) void this.around.anew();
    void this.send();
  }

  async send(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    try {
      while (this.state.waiting.length > 0 && this.state.clashes.length === 0)
        if (!(await this.sendNext())) return;
    } finally {
      this.isSending = false;
    }
  }

  private async sendNext(): Promise<boolean> {
    const [first] = this.state.waiting;
    const batch = first!.asked.kind === 'photo' ? [first!] : this.nextNotes();
    try {
      if (first!.asked.kind === 'photo') await this.sendPhoto(first!, first!.asked);
      else await this.sendNotes(batch);
      this.become({ isUnreachable: false, trouble: null });
      return true;
    } catch (error) {
      return this.recovered(error, batch);
    }
  }

  private nextNotes(): WaitingNote[] {
    const { waiting } = this.state;
    let facts = 0;
    const end = waiting.findIndex((each, i) => {
      facts += factsOf(each).length;
      return each.asked.kind === 'photo' || (i > 0 && facts > this.atOnce);
    });
    return waiting.slice(0, end === -1 ? waiting.length : end);
  }

  private async sendNotes(batch: readonly WaitingNote[]): Promise<void> {
    const facts = batch.flatMap(factsOf);
    const answer = await this.around.client.note(this.around.showId, facts, this.lateness(batch));
    this.around.taken(answer);
    this.drop(batch);
    this.atOnce = MOST_AT_ONCE;
  }

  private lateness(batch: readonly WaitingNote[]): Late | null {
    if (!batch.some(({ isLate }) => isLate)) return null;
    const heardOf = batch.flatMap((each) => factsOf(each).map(() => (each.isLate ? each.heardOf : null)));
    return { heardOf, own: [...this.own].slice(-MOST_OWN) };
  }

  /** The photo itself first; then it is a note like any other. */
  private async sendPhoto(note: WaitingNote, { photo, fact }: { photo: Blob; fact: Fact }): Promise<void> {
    const photoId = await this.around.client.keepPhoto(photo);
    const seen: Fact = { ...fact, value: { ...(fact.value as object), photoId } };
    const sent: WaitingNote = { ...note, asked: { kind: 'note', facts: [seen] } };
    this.become({ waiting: this.state.waiting.map((each) => (each.id === note.id ? sent : each)) });
    this.around.seen(seen);
    await this.keep(sent);
  }

  /** Whether to go on after something was not taken. */
  private async recovered(error: unknown, batch: readonly WaitingNote[]): Promise<boolean> {
    if (error instanceof NotesClashed) {
      this.become({ clashes: error.clashes, isUnreachable: false, trouble: null });
      return false;
    }
    // A phone that has to enter the code again keeps what it has.
    if (error instanceof Refused && error.status < 500 && error.status !== 401) {
      if (error.status === 404) {
        this.drop(this.state.waiting);
        this.around.removed();
        return false;
      }
      if (batch.length > 1) {
        this.atOnce = 1;
        return true;
      }
      this.drop(batch);
      this.around.refused(error.message);
      await this.around.anew();
      return true;
    }
    this.become({
      isUnreachable: true,
      trouble: error instanceof Refused ? error.message : null,
      waiting: this.state.waiting.map((each) => ({ ...each, isLate: true })),
    });
    await new Promise<void>((resume) => {
      this.wake = resume;
      setTimeout(resume, this.around.retryAfterMs);
    });
    this.wake = null;
    return true;
  }

  private async keep(note: WaitingNote): Promise<void> {
    if (!this.around.outbox) return;
    const isKept = await this.around.outbox.keep(this.around.showId, note);
    if (isKept !== this.state.isKept) this.become({ isKept });
  }

  private drop(gone: readonly WaitingNote[]): void {
    const ids = new Set(gone.map(({ id }) => id));
    this.become({ waiting: this.state.waiting.filter(({ id }) => !ids.has(id)) });
    void this.around.outbox?.forget([...ids]);
  }

  private become(change: Partial<NotesState>): void {
    this.state = { ...this.state, ...change };
    this.around.changed(this.state);
  }
}

function factsOf({ asked }: Pick<WaitingNote, 'asked'>): readonly Fact[] {
  return asked.kind === 'note' ? asked.facts : [asked.fact];
}
