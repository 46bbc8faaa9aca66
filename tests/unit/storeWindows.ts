import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Edit } from '@/core/show/edits/registry';
import { createShowStore } from '@/features/show/store';
import { aController, aGrid, aLine, aShow } from './shows';
import { Wire, aRepository } from './wire';

export const aStart = () =>
  aShow({ props: [aLine('rail', 10), aGrid('net', 2, 2)], controllers: [aController()] });

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-store-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

/** A repository of its own, in the folder of the test. */
export const freshRepository = () => aRepository(fs.mkdtempSync(path.join(folder, 'own-')));

/** A new show, open in one window. */
export function open(start = aStart(), window = 'here') {
  const shows = aRepository(folder);
  return openWindow(shows, shows.create({ show: start, facts: [] }), window);
}

/** A window of a show. `holds`: answers wait until the test lets them go. */
export function openWindow(shows: Wire['shows'], id: string, window: string, holds = true) {
  const server = new Wire(shows, id, window, holds);
  const said: string[] = [];
  const store = createShowStore(server.opened(), {
    client: server,
    notify: (message) => said.push(message),
    window,
    retryAfterMs: 1,
  });
  const stop = shows.listen(id, window, (event) => void store.getState().heard({ showId: id, ...event }));
  let others = 0;
  return {
    shows,
    id,
    server,
    said,
    store,
    stop,
    name: (prop = 0) => store.getState().show.props[prop]!.name,
    kept: () => shows.get(id).show,
    /** Another window makes an edit; with `quietly` this one does not hear of it at once. */
    elsewhere: (edit: Edit, quietly = false) => {
      const author = { changeId: `theirs-${(others += 1)}`, window: 'there', base: shows.get(id).sequence };
      if (!quietly) return shows.apply(id, author, edit);
      stop();
      return shows.apply(id, author, edit);
    },
  };
}
