import type { CheckedFile } from '@/server/checkedFile';
import { jobs } from '@/server/jobs/runner';
import { answer, jobId, readShowBytes } from '@/server/http';
import { shows } from '@/server/repository';
import { ownJson } from '@/core/fields/parseJson';

/** The shows that are kept, the latest change first. */
export const GET = () => answer(() => Response.json({ shows: shows().list() }));

/** Keeps a show file as a new show. It is checked in a thread of its own; a client that leaves ends that. */
export const POST = (request: Request) =>
  answer(async () => {
    // Says so at once, where nothing can be kept.
    const repository = shows();
    const check = jobs().run(
      { is: 'check', input: await readShowBytes(request) },
      request.signal,
      jobId(request),
    );
    const [head, document] = (await check.rest()) as [Uint8Array, Uint8Array];
    const { name, facts, photoIds } = ownJson<CheckedFile>(new TextDecoder().decode(head));
    const id = repository.keep(name, document, facts, photoIds);
    return Response.json({ id, sequence: 0 }, { status: 201, headers: { location: `/api/shows/${id}` } });
  });
