import { answer, readFacts } from '@/server/http';
import { shows } from '@/server/repository';

interface Context {
  params: Promise<{ id: string }>;
}

/** All that was noted about a show, oldest first. */
export const GET = (_request: Request, { params }: Context) =>
  answer(async () => Response.json({ facts: shows().factsOf((await params).id) }));

/** Notes facts. One that was sent before is kept once; those that come late are not put over what was noted meanwhile. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const { facts, late } = await readFacts(request);
    const { id } = await params;
    const added = shows().note(id, facts, late ?? null).length;
    return Response.json({ added, noted: shows().standing(id)?.noted ?? 0 });
  });
