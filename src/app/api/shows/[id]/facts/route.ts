import { answer, readFacts } from '@/server/http';
import { shows } from '@/server/repository';

interface Context {
  params: Promise<{ id: string }>;
}

/** All that was noted about a show, oldest first. */
export const GET = (_request: Request, { params }: Context) =>
  answer(async () => Response.json({ facts: shows().factsOf((await params).id) }));

/** Notes facts. One that was sent before is kept once. */
export const POST = (request: Request, { params }: Context) =>
  answer(async () => {
    const facts = await readFacts(request);
    return Response.json({ added: shows().note((await params).id, facts).length });
  });
