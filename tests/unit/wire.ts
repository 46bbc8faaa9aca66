import { applyChanges } from '@/core/show/changes';
import type { Fact } from '@/core/show/facts';
import type { Late, Noted } from '@/core/show/lateFacts';
import { ShowError } from '@/core/fields/problem';
import type { Confirmation } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import {
  Clashed,
  NotesClashed,
  Refused,
  type Change,
  type Opened,
  type ShowClient,
} from '@/features/show/client';
import { ShowClash } from '@/server/clash';
import { openDatabase } from '@/server/database';
import { FactsClash, MustReload, NoSuchShow, NothingThere } from '@/server/showErrors';
import { ShowRepository } from '@/server/shows';

export function aRepository(folder: string): ShowRepository {
  return new ShowRepository(openDatabase(folder));
}

export const pause = () => new Promise((resume) => setTimeout(resume, 2));

/** The server itself, behind a wire on which a window's requests wait until the test lets them through. */
export class Wire implements ShowClient {
  readonly held: { deliver: () => void; fail: (error: Error) => void; loseAnswer: () => void }[] = [];
  constructor(
    readonly shows: ShowRepository,
    readonly id: string,
    readonly window: string,
    private readonly holds = true,
  ) {}

  opened(): Opened {
    const { document, changes, ...rest } = this.shows.open(this.id, this.window);
    const made = changes.map((text) => JSON.parse(text).change);
    return { ...rest, show: applyChanges(JSON.parse(document.toString()) as Show, made) };
  }
  open = () => this.answer(() => this.opened());
  since = (_id: string, after: number) => this.answer(() => this.shows.since(this.id, this.window, after));

  change(_id: string, changeId: string, base: number, change: Change): Promise<Confirmation> {
    const author = { changeId, window: this.window, base };
    return this.call(() =>
      change.kind === 'edit'
        ? this.shows.apply(this.id, author, change.edit)
        : this.shows[change.kind](this.id, author, change.takesBack),
    );
  }

  note(_id: string, facts: readonly Fact[], late: Late | null): Promise<Noted> {
    return this.call(() => {
      const added = this.shows.note(this.id, facts, late).length;
      return { added, noted: this.shows.standing(this.id)!.noted };
    });
  }

  keepPhoto = () => this.call(() => 'a'.repeat(32));

  private call<Result>(make: () => Result): Promise<Result> {
    if (!this.holds) return this.answer(make);
    return new Promise((resolve, reject) => {
      this.held.push({
        deliver: () => void this.answer(make).then(resolve, reject),
        fail: reject,
        loseAnswer: () => {
          make();
          reject(new TypeError('Failed to fetch'));
        },
      });
    });
  }

  /** Lets the next request through, and what follows from it happen. */
  async next(how: 'deliver' | 'loseAnswer' | Error = 'deliver'): Promise<void> {
    // A try again comes after a pause, however long the machine makes it.
    while (this.held.length === 0) await pause();
    const call = this.held.shift()!;
    if (how instanceof Error) call.fail(how);
    else call[how]();
    await pause();
    await pause();
  }

  /** Everything on the wire is JSON, and errors are statuses. */
  private answer<Result>(work: () => Result): Promise<Result> {
    try {
      return Promise.resolve(JSON.parse(JSON.stringify(work())) as Result);
    } catch (error) {
      if (error instanceof ShowClash) return Promise.reject(new Clashed(error.message, error.clash));
      if (error instanceof FactsClash) return Promise.reject(new NotesClashed(error.message, error.clashes));
      if (error instanceof MustReload) return Promise.reject(new Refused(error.message, 409));
      if (error instanceof NoSuchShow) return Promise.reject(new Refused(error.message, 404));
      if (error instanceof ShowError || error instanceof NothingThere)
        return Promise.reject(new Refused(error.message, 422));
      return Promise.reject(error as Error);
    }
  }
}
