import { readShow } from '@/core/show/read';
import { answer, readJson } from '@/server/http';
import { shows } from '@/server/repository';

/** The shows that are kept, the latest change first. */
export const GET = () => answer(() => Response.json({ shows: shows().list() }));

/** Keeps a show file as a new show. */
export const POST = (request: Request) =>
  answer(async () => {
    const { id, sequence } = shows().create(readShow(await readJson(request)));
    return Response.json({ id, sequence }, { status: 201, headers: { location: `/api/shows/${id}` } });
  });
