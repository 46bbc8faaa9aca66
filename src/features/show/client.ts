import { z } from 'zod';
import { applyChanges } from '@/core/show/changes';
import type { Edit } from '@/core/show/edits/registry';
import type { Fact } from '@/core/show/facts';
import {
  factClashAnswerSchema,
  notedSchema,
  type FactClash,
  type Late,
  type Noted,
} from '@/core/show/lateFacts';
import { newId } from '@/core/fields/fields';
import type { Problem } from '@/core/fields/problem';
import {
  clashAnswerSchema,
  confirmationSchema,
  refusalSchema,
  type Clash,
  type Confirmation,
  type OpenedShow,
  type Steps,
} from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import { answerOf } from './answerOf';

/** A show as the server has it. */
export interface Opened {
  id: string;
  sequence: number;
  show: Show;
  steps: Steps;
  facts: Fact[];
  /** Number of facts on the server, with those that do not count any more. */
  noted: number;
}

/** A change to a show, as the server takes it. */
export type Change = { kind: 'edit'; edit: Edit } | { kind: 'undo' | 'redo'; takesBack: string };

/** The server refused, with sentences that say why. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly problems: readonly Problem[] = [],
  ) {
    super(message);
  }
}

/** Somebody else changed the same thing first. */
export class Clashed extends Error {
  constructor(
    message: string,
    readonly clash: Clash,
  ) {
    super(message);
  }
}

/** Notes that come late say something else than what was noted meanwhile. */
export class NotesClashed extends Error {
  constructor(
    message: string,
    readonly clashes: readonly FactClash[],
  ) {
    super(message);
  }
}

/** Requests of the interface about shows. */
export interface ShowClient {
  open: (id: string) => Promise<Opened>;
  /** The result of a change. */
  since: (id: string, sequence: number) => Promise<Confirmation>;
  /**
   * Makes a change; one that was made before under the same id is not made again.
   *
   * @throws Clashed, Refused; anything else when the server cannot be reached
   */
  change: (id: string, changeId: string, baseSequence: number, change: Change) => Promise<Confirmation>;
  /**
   * Notes facts; those that are there already are kept once.
   *
   * @param late where others may have noted something meanwhile
   * @throws NotesClashed, Refused; anything else when the server cannot be reached
   */
  note: (id: string, facts: readonly Fact[], late: Late | null) => Promise<Noted>;
  /** Keeps a photo and gives its id. @throws Refused; anything else when the server cannot be reached */
  keepPhoto: (photo: Blob, signal?: AbortSignal) => Promise<string>;
}

const jsonHeaders = { 'content-type': 'application/json' };

/** The server refuses with a sentence; anything in between may fail without one. */
export async function refusalOf(response: Response): Promise<Error> {
  const parsed = refusalSchema.safeParse(await response.json().catch(() => null));
  if (parsed.success) return new Refused(parsed.data.error, response.status, parsed.data.problems);
  const message = `The server answered ${response.status} without saying why.`;
  return response.status < 500 ? new Refused(message, response.status) : new Error(message);
}

/** @param window id of this window */
export function httpClient(window: string): ShowClient {
  const post = async (address: string, body: unknown) => {
    const response = await fetch(address, {
      method: 'POST',
      headers: jsonHeaders,
      body: JSON.stringify(body),
    });
    if (response.ok) return response;
    const refused = await refusalOf(response.clone());
    const said: unknown = await response.json().catch(() => null);
    const clashed = clashAnswerSchema.safeParse(said);
    if (clashed.success) throw new Clashed(clashed.data.error, clashed.data.clash);
    const notes = factClashAnswerSchema.safeParse(said);
    throw notes.success ? new NotesClashed(notes.data.error, notes.data.notes) : refused;
  };
  return {
    async open(id) {
      const response = await fetch(`/api/shows/${id}?window=${window}`);
      if (!response.ok) throw await refusalOf(response);
      // The server checked the show when it kept it; reading millions of points once more would only take time.
      const { show, changes, facts, noted, steps, sequence } = await answerOf<OpenedShow>(response);
      return {
        id,
        sequence,
        steps,
        facts,
        noted,
        show: applyChanges(
          show as Show,
          changes.map((each) => each.change),
        ),
      };
    },
    async since(id, sequence) {
      const response = await fetch(`/api/shows/${id}/changes?after=${sequence}&window=${window}`);
      if (!response.ok) throw await refusalOf(response);
      return confirmationSchema.parse(await response.json());
    },
    async change(id, changeId, baseSequence, change) {
      const { kind, ...rest } = change;
      const address = `/api/shows/${id}/${kind === 'edit' ? 'edits' : kind}`;
      const response = await post(address, { changeId, window, baseSequence, ...rest });
      return confirmationSchema.parse(await response.json());
    },
    async note(id, facts, late) {
      const response = await post(`/api/shows/${id}/facts`, { facts, ...(late && { late }) });
      return notedSchema.parse(await response.json());
    },
    keepPhoto,
  };
}

/** Sends a photo as it is. @returns its id @throws Refused; anything else when the server cannot be reached */
export async function keepPhoto(photo: Blob, signal?: AbortSignal): Promise<string> {
  const response = await fetch('/api/photos', {
    method: 'POST',
    headers: { 'content-type': photo.type },
    body: photo,
    signal: signal ?? null,
  });
  if (!response.ok) throw await refusalOf(response);
  return z.object({ photoId: z.string() }).parse(await response.json()).photoId;
}

/** Interval between questions about the progress of long work. */
const LOOK_MS = 500;

/** Whether a file is an archive of a show, with its photos, and not its show file alone. */
export function isArchive(file: { name: string; type: string }): boolean {
  return /zip/.test(file.type) || /\.zip$/i.test(file.name);
}

/**
 * Keeps a show file, or an archive, as a new show and gives its id.
 *
 * @param progress told how much of it is checked, from 0 to 1, where that takes a while
 * @throws Refused with the sentences of what is wrong
 */
export async function importShow(
  file: File | string,
  signal?: AbortSignal,
  progress: (part: number) => void = () => {},
): Promise<string> {
  const job = newId('import');
  const asking = setInterval(() => {
    void fetch(`/api/jobs/${job}`)
      .then((response) => response.json())
      .then(({ part }: { part: number | null }) => part !== null && progress(part))
      .catch(() => {});
  }, LOOK_MS);
  try {
    const isZip = typeof file !== 'string' && isArchive(file);
    const response = await fetch(`/api/${isZip ? 'archives' : 'shows'}?job=${job}`, {
      method: 'POST',
      headers: isZip ? { 'content-type': 'application/zip' } : jsonHeaders,
      body: file,
      signal,
    });
    if (!response.ok) throw await refusalOf(response);
    return z.object({ id: z.string() }).parse(await response.json()).id;
  } finally {
    clearInterval(asking);
  }
}

export async function removeShow(id: string): Promise<void> {
  const response = await fetch(`/api/shows/${id}`, { method: 'DELETE' });
  if (!response.ok) throw await refusalOf(response);
}
