import { createStore } from 'zustand/vanilla';
import { Facts } from '@/core/show/facts';
import type { Opened } from './client';
import { NO_NOTES } from './noteQueue';
import type { ShowState, ShowStore } from './showState';
import { ShowSync, type Surroundings } from './showSync';

/** The state of one open show, kept in step with the server. */
export function createShowStore(opened: Opened, around: Surroundings): ShowStore {
  const hasLeft = Boolean(around.left?.length);
  return createStore<ShowState>((set, get) => {
    const sync = new ShowSync(opened, around, set, get);
    return {
      id: opened.id,
      sequence: opened.sequence,
      confirmed: opened.show,
      steps: opened.steps,
      show: opened.show,
      facts: new Facts(opened.facts).with(sync.queue.facts),
      waiting: [],
      notes: hasLeft ? sync.queue.now : NO_NOTES,
      isHeard: true,
      saving: hasLeft ? 'saving' : 'saved',
      trouble: null,
      clash: null,
      plan: null,
      findings: [],
      planError: null,
      planning: null,

      edit: (edit) => void sync.make(edit, false),
      hold: (edit) => sync.make(edit, true),
      around: (held) => sync.aroundHeld(held),
      decide: (held, edit) => sync.decide(held, edit),
      note: (notes) => sync.note(notes),
      notePhoto: (photo, note) => sync.notePhoto(photo, note),
      resolveNotes: (mine) => sync.queue.resolve(mine),
      hurry: () => sync.hurry(),
      undo: () => sync.enqueue({ kind: 'undo' }, null),
      redo: () => sync.enqueue({ kind: 'redo' }, null),
      resolve: (choice) => sync.resolve(choice),
      heard: (message) => sync.heard(message),
    };
  });
}
