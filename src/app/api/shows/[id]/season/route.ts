import type { CheckedFile } from '@/server/checkedFile';
import { jobs } from '@/server/jobs/runner';
import { answer, jobId, readSeason } from '@/server/http';
import { shows } from '@/server/repository';
import { ownJson } from '@/core/fields/parseJson';

/** Makes another season's show of this one: the plan and its reasons, with every tick open. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answer(async () => {
    const { name, keepsLocks } = await readSeason(request);
    const { id: showId } = await params;
    const repository = shows();
    repository.nameOf(showId);
    const at = new Date().toISOString();
    const job = jobs().run({ is: 'season', showId, name, keepsLocks, at }, request.signal, jobId(request));
    const [head, document] = (await job.rest()) as [Uint8Array, Uint8Array];
    const { facts, photoIds } = ownJson<CheckedFile>(new TextDecoder().decode(head));
    const id = repository.keep(name, document, facts, photoIds);
    return Response.json({ id, sequence: 0 }, { status: 201, headers: { location: `/api/shows/${id}` } });
  });
