import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Fact } from '@/core/show/facts';

/** Something that was noted and is on its way to the server. */
export interface WaitingNote {
  id: string;
  /** Number of facts that this window had heard of when it was made. */
  heardOf: number;
  /** Ids of facts about the same that this window had on their way by then: they are no surprise either. */
  own: readonly string[];
  /** The server was not heard when it was made, or when it was sent: others may have noted something meanwhile. */
  isLate: boolean;
  asked:
    | { kind: 'note'; facts: readonly Fact[] }
    /** The id of a photo is known when the server has it. */
    | { kind: 'photo'; photo: Blob; fact: Fact };
}

/** Waiting notes, kept over a page that is closed or a phone that is switched off. */
export interface Outbox {
  /** Waiting notes of a show, in their order. */
  waiting: (showId: string) => Promise<WaitingNote[]>;
  /** Keeps one that is not kept yet, at the end, or one that is kept in its place. @returns whether it is kept now */
  keep: (showId: string, note: WaitingNote) => Promise<boolean>;
  /** These are on the server. */
  forget: (ids: readonly string[]) => Promise<void>;
}

interface Schema extends DBSchema {
  notes: {
    key: number;
    value: { order?: number; showId: string; id: string; note: KeptNote };
    indexes: { byShow: string; byId: string };
  };
}

/** Photos are kept as bytes: not every browser keeps files. */
type KeptNote = Omit<WaitingNote, 'asked'> & {
  asked:
    | Extract<WaitingNote['asked'], { kind: 'note' }>
    | (Omit<Extract<WaitingNote['asked'], { kind: 'photo' }>, 'photo'> & {
        bytes: ArrayBuffer;
        type: string;
      });
};

const NAME = 'rapid-lantern-outbox';

/** The outbox of this browser. Where it keeps nothing, as some do in private windows, what waits lasts as long as the page. */
export function browserOutbox(): Outbox {
  let opened: Promise<IDBPDatabase<Schema>> | null = null;
  const open = () =>
    (opened ??= openDB<Schema>(NAME, 1, {
      upgrade(db) {
        const notes = db.createObjectStore('notes', { keyPath: 'order', autoIncrement: true });
        notes.createIndex('byShow', 'showId');
        notes.createIndex('byId', 'id', { unique: true });
      },
      // Another page wants it gone or newer; the next to ask opens it again.
      blocking: (_now, _wanted, event) => {
        (event.target as IDBDatabase).close();
        opened = null;
      },
      terminated: () => {
        opened = null;
      },
    }));
  // One after another, so that what is forgotten was kept before.
  let last: Promise<unknown> = Promise.resolve();
  const next = <Result>(work: () => Promise<Result>, otherwise: Result): Promise<Result> => {
    const done = last.then(work).catch(() => {
      opened = null;
      return otherwise;
    });
    last = done;
    return done;
  };
  return {
    waiting: (showId) =>
      next(async () => {
        const kept = await (await open()).getAllFromIndex('notes', 'byShow', showId);
        return kept.toSorted((a, b) => a.order! - b.order!).map(({ note }) => unpacked(note));
      }, []),
    keep: (showId, note) =>
      next(async () => {
        const kept = await packed(note);
        const transaction = (await open()).transaction('notes', 'readwrite');
        const order = await transaction.store.index('byId').getKey(note.id);
        await transaction.store.put({
          ...(order !== undefined && { order }),
          showId,
          id: note.id,
          note: kept,
        });
        await transaction.done;
        return true;
      }, false),
    forget: (ids) =>
      next(async () => {
        const transaction = (await open()).transaction('notes', 'readwrite');
        for (const id of ids) {
          const order = await transaction.store.index('byId').getKey(id);
          if (order !== undefined) await transaction.store.delete(order);
        }
        await transaction.done;
      }, undefined),
  };
}

async function packed({ asked, ...rest }: WaitingNote): Promise<KeptNote> {
  if (asked.kind === 'note') return { ...rest, asked };
  const { photo, ...others } = asked;
  return { ...rest, asked: { ...others, bytes: await photo.arrayBuffer(), type: photo.type } };
}

function unpacked({ asked, ...rest }: KeptNote): WaitingNote {
  if (asked.kind === 'note') return { ...rest, asked };
  const { bytes, type, ...others } = asked;
  return { ...rest, asked: { ...others, photo: new Blob([bytes], { type }) } };
}
