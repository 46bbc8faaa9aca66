import { z } from 'zod';
import type { Edit } from '@/core/show/edits/registry';
import type { Problem } from '@/core/show/problem';
import {
  confirmationSchema,
  refusalSchema,
  revisionSchema,
  showSummarySchema,
  staleAnswerSchema,
  type Confirmation,
  type HistoryEntry,
  type Revision,
  type ShowSummary,
} from '@/core/show/revision';

/** A change to a show, as the server takes it. */
export type Change = { kind: 'edit'; edit: Edit } | { kind: 'undo' } | { kind: 'redo' };

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

/** Somebody else changed the show first. */
export class Overtaken extends Error {
  constructor(
    readonly current: Revision,
    readonly missed: readonly HistoryEntry[],
  ) {
    super('The show was changed elsewhere.');
  }
}

/** What the interface asks of the server about shows. */
export interface ShowClient {
  /** Edits are confirmed without the show, which the caller has; what undo and redo lead to is known to the server alone. */
  change: (id: string, baseSequence: number, change: Change) => Promise<Confirmation | Revision>;
  get: (id: string) => Promise<Revision>;
}

const jsonHeaders = { 'content-type': 'application/json' };

async function refusalOf(response: Response): Promise<Refused> {
  const parsed = refusalSchema.safeParse(await response.json().catch(() => null));
  return parsed.success
    ? new Refused(parsed.data.error, response.status, parsed.data.problems)
    : new Refused(`The server answered ${response.status} without saying why.`, response.status);
}

export const httpClient: ShowClient = {
  async change(id, baseSequence, change) {
    const response = await fetch(`/api/shows/${id}/${change.kind === 'edit' ? 'edits' : change.kind}`, {
      method: 'POST',
      headers: jsonHeaders,
      body: JSON.stringify({
        baseSequence,
        ...(change.kind === 'edit' && { edit: change.edit, brief: true }),
      }),
    });
    if (response.status === 409) {
      const { current, missed } = staleAnswerSchema.parse(await response.json());
      throw new Overtaken(current, missed);
    }
    if (!response.ok) throw await refusalOf(response);
    return (change.kind === 'edit' ? confirmationSchema : revisionSchema).parse(await response.json());
  },
  async get(id) {
    const response = await fetch(`/api/shows/${id}`);
    if (!response.ok) throw await refusalOf(response);
    return revisionSchema.parse(await response.json());
  },
};

export async function listShows(): Promise<ShowSummary[]> {
  const response = await fetch('/api/shows');
  if (!response.ok) throw await refusalOf(response);
  return z.object({ shows: z.array(showSummarySchema) }).parse(await response.json()).shows;
}

/** Keeps a show file as a new show and gives its id. @throws Refused with the sentences of what is wrong */
export async function importShow(text: string): Promise<string> {
  const response = await fetch('/api/shows', { method: 'POST', headers: jsonHeaders, body: text });
  if (!response.ok) throw await refusalOf(response);
  return z.object({ id: z.string() }).parse(await response.json()).id;
}

export async function removeShow(id: string): Promise<void> {
  const response = await fetch(`/api/shows/${id}`, { method: 'DELETE' });
  if (!response.ok) throw await refusalOf(response);
}
