import { type StoreApi } from 'zustand/vanilla';
import type { Finding } from '@/core/checks/check';
import type { Plan } from '@/core/plan/planned';
import { type Edit } from '@/core/show/edits/registry';
import type { ShowMessage } from '@/core/show/events';
import { Facts, type Note } from '@/core/show/facts';
import type { Clash, Steps } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import { type NotesState } from './noteQueue';

/** Whether what is on screen is on disk. */
export type Saving = 'saved' | 'saving' | 'unreachable' | 'clash' | 'removed';

/** A change of ours that meets one made elsewhere; it waits for an answer. */
interface OpenClash {
  /** The name of our change in the history. */
  mine: string;
  /** The other change, in a sentence. */
  message: string;
  clash: Clash;
}

export type Asked = { kind: 'edit'; edit: Edit } | { kind: 'undo' } | { kind: 'redo' };

/** Something that is on its way to the server. */
export interface Waiting {
  /** By which the server recognises it when it is sent twice. */
  id: string;
  asked: Asked;
  /** The show that an edit leads to, laid on what is confirmed and on what waits before it; null where that is not known. */
  after: Show | null;
  /** An edit that is seen, and sent only when it is decided. */
  held?: boolean;
  /** The state before a change of others which it overwrites a moment later: laid on that, the server finds that they meet. */
  base?: number;
}

export interface ShowState {
  id: string;
  /** The latest change that this window has, and the show after it. */
  sequence: number;
  confirmed: Show;
  /** Changes that can be undone and redone, the next first. */
  steps: Steps;
  /** The show as on screen: the confirmed one with what is still on its way. */
  show: Show;
  /** Facts noted on site, with those still on their way. */
  facts: Facts;
  /** Oldest first. */
  waiting: readonly Waiting[];
  /** Notes on their way. */
  notes: NotesState;
  /** Whether news come in: while they do not, others may do what is not seen here. */
  isHeard: boolean;
  saving: Saving;
  /** Why nothing can be saved at the moment, where the server says so. */
  trouble: string | null;
  clash: OpenClash | null;
  /** The plan of the latest show that has been planned; it carries that show, which may be a moment older than `show`. */
  plan: Plan | null;
  /** Problems of the plan. */
  findings: readonly Finding[];
  /** Set when planning failed, which a builder should hear of. */
  planError: string | null;
  /** Share of the plan of the latest show that is made, from 0 to 1; null while none is being made. */
  planning: number | null;

  /** Changes the show at once and saves it. @throws ShowError, and nothing is changed */
  edit: (edit: Edit) => void;
  /**
   * Changes the show at once, and saves it only when it is decided; what is done meanwhile waits behind it.
   *
   * @returns by what it is known in `around` and `decide`; null where the edit changes nothing
   * @throws ShowError, and nothing is changed
   */
  hold: (edit: Edit) => string | null;
  /** The shows before and after an edit that is held; null when it is held no more. */
  around: (held: string) => { before: Show; after: Show } | null;
  /** Saves what was held, or another edit in its place, or takes it back. @returns false when it is held no more */
  decide: (held: string, edit: Edit | null) => boolean;
  /** Notes what was seen or done; it is outside of undo. */
  note: (notes: readonly Note[]) => void;
  /** Notes a photo, which may take its time. @param note with a value to which the id of the photo comes */
  notePhoto: (photo: Blob, note: Note) => void;
  /** Decides between notes that differ, ours and those made elsewhere while the server was out of reach. @param mine ids of our facts that do */
  resolveNotes: (mine: ReadonlySet<string>) => void;
  /** The line may be there again. */
  hurry: () => void;
  undo: () => void;
  redo: () => void;
  /** Puts our change on top of the other one, or lets it go. What waits behind it stays either way. */
  resolve: (choice: 'mine' | 'theirs') => Promise<void>;
  /** Something happened to the show, here or elsewhere. */
  heard: (message: ShowMessage) => Promise<void>;
}

export type ShowStore = StoreApi<ShowState>;
