import { z } from 'zod';
import { applyChanges } from '@/core/show/changes';
import type { Edit } from '@/core/show/edits/registry';
import type { Fact } from '@/core/show/facts';
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

/** A show as the server has it. */
export interface Opened {
  id: string;
  sequence: number;
  show: Show;
  steps: Steps;
  facts: Fact[];
  /** How many facts the server has, those that do not count any more among them. */
  noted: number;
}

/** A change to a show, as the server takes it. */
export type Change =
  | { kind: 'edit'; edit: Edit }
  | { kind: 'undo' | 'redo'; takesBack: string }
  | { kind: 'note'; facts: readonly Fact[] };

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

/** What the interface asks of the server about shows. */
export interface ShowClient {
  open: (id: string) => Promise<Opened>;
  /** What happened after a change. */
  since: (id: string, sequence: number) => Promise<Confirmation>;
  /**
   * Makes a change; one that was made before under the same id is not made again. Notes change no show, so nothing comes back.
   *
   * @throws Clashed, Refused; anything else when the server cannot be reached
   */
  change: (
    id: string,
    changeId: string,
    baseSequence: number,
    change: Change,
  ) => Promise<Confirmation | null>;
}

const jsonHeaders = { 'content-type': 'application/json' };

/** What the server says against something; whatever stands between may fail without a word. */
async function refusalOf(response: Response): Promise<Error> {
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
    const clashed = clashAnswerSchema.safeParse(await response.json().catch(() => null));
    throw clashed.success ? new Clashed(clashed.data.error, clashed.data.clash) : refused;
  };
  return {
    async open(id) {
      const response = await fetch(`/api/shows/${id}?window=${window}`);
      if (!response.ok) throw await refusalOf(response);
      // The server checked the show when it kept it; reading millions of points once more would only take time.
      const { show, changes, facts, noted, steps, sequence } = (await response.json()) as OpenedShow;
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
      if (change.kind === 'note') {
        await post(`/api/shows/${id}/facts`, { facts: change.facts });
        return null;
      }
      const { kind, ...rest } = change;
      const address = `/api/shows/${id}/${kind === 'edit' ? 'edits' : kind}`;
      const response = await post(address, { changeId, window, baseSequence, ...rest });
      return confirmationSchema.parse(await response.json());
    },
  };
}

/** How often to ask how far long work is. */
const LOOK_MS = 500;

/**
 * Keeps a show file as a new show and gives its id.
 *
 * @param progress told how much of it is checked, from 0 to 1, where that takes a while
 * @throws Refused with the sentences of what is wrong
 */
export async function importShow(
  file: Blob | string,
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
    const response = await fetch(`/api/shows?job=${job}`, {
      method: 'POST',
      headers: jsonHeaders,
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
