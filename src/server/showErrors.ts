import type { FactClash } from '@/core/show/lateFacts';

/** There is no show with this id. */
export class NoSuchShow extends Error {
  constructor(id: string) {
    super(`There is no show “${id}”.`);
    this.name = 'NoSuchShow';
  }
}

/** A show says nothing in a sheet of this id. */
export class NoSuchSheet extends Error {
  constructor(id: string) {
    super(`This show has no sheet “${id.slice(0, 80)}”; sheets lists those that it has.`);
    this.name = 'NoSuchSheet';
  }
}

/** There is nothing to take back, or nothing to bring again. */
export class NothingThere extends Error {
  constructor(readonly what: 'undo' | 'redo') {
    super(what === 'undo' ? 'There is nothing to undo.' : 'There is nothing to redo.');
    this.name = 'NothingThere';
  }
}

/** A change was asked for that the show does not have. */
export class NoSuchChange extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'NoSuchChange';
  }
}

/** The client has the show in an older version of the file, or from before a time that the database does not know. */
export class MustReload extends Error {
  constructor() {
    super('The show is kept in a newer form by now: open it again. What was not saved yet is laid on top.');
    this.name = 'MustReload';
  }
}

/** Notes that come late say something else than what was noted meanwhile. */
export class FactsClash extends Error {
  constructor(readonly clashes: readonly FactClash[]) {
    super('Something else was noted about the same meanwhile: say which counts.');
    this.name = 'FactsClash';
  }
}
