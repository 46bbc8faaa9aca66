import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Edit } from '@/core/show/edits/registry';
import type { Author } from '@/server/changesTable';
import { openDatabase } from '@/server/database';
import type { Shared } from '@/server/shared';
import { ShowRepository } from '@/server/shows';
import { aController, aGrid, aLine, aShow } from './shows';

/** A folder for data, new for each test of a file and removed after it. */
export function eachInItsFolder(): { path: () => string; open: (shared?: Shared) => ShowRepository } {
  let folder: string;
  beforeEach(() => {
    folder = fs.mkdtempSync(path.join(os.tmpdir(), 'rapid-lantern-test-'));
  });
  afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));
  return { path: () => folder, open: (shared) => new ShowRepository(openDatabase(folder), shared) };
}

/** A show of a rail and a net with one controller. */
export const railAndNet = () =>
  aShow({ props: [aLine('rail', 50), aGrid('net', 4, 5)], controllers: [aController()] });

export const rename = (name: string, propId = 'rail'): Edit => ({
  type: 'changeProp',
  propId,
  change: { name },
});

let changes = 0;
/** The author of one more change. */
export const by = (window: string | null, base: number): Author => ({
  changeId: `change-${(changes += 1)}`,
  window,
  base,
});

/** Keeps a show as a new one. @returns its id */
export const kept = (shows: ShowRepository, show = railAndNet()) => shows.create({ show, facts: [] });
